package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.document.Aspect;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Measures, in the real window, how long a step takes from the release of its key to the picture
 * with its note. Prints what it measures; docs/performance.md tells how to run it.
 */
@Tag("bench")
class StepsBench {
  private static final int STEPS = 600;
  private static final int WARM_UP = 100;

  private final AtomicLong changed = new AtomicLong();
  private final List<Long> entered = Collections.synchronizedList(new ArrayList<>());
  private final List<Long> drawn = Collections.synchronizedList(new ArrayList<>());
  private final List<Long> layouts = Collections.synchronizedList(new ArrayList<>());
  private long laidOutFrom;
  private int pulsesSince;
  private final List<Integer> pulses = Collections.synchronizedList(new ArrayList<>());

  @Test
  void a_step_is_drawn_with_the_next_frame() throws Exception {
    WindowUnderTest ui = WindowUnderTest.openWithBackground(1280, 800);
    try (RealKeys keys = new RealKeys()) {
      ui.await(() -> ui.stage.isFocused());
      ui.run(
          () -> {
            ui.session.open(HarbourLamps.song(), Optional.empty());
            ui.session.keysSwitch().set(KeysMode.STEPS);
            ui.session.changes().listen(c -> note(c.isOf(Aspect.SONG)));
            ui.stage.getScene().addPreLayoutPulseListener(() -> laidOutFrom = System.nanoTime());
            ui.stage.getScene().addPostLayoutPulseListener(this::pulse);
          });
      StringBuilder words = new StringBuilder("~300 +6 -6 ~100 ");
      String[] letters = {"A", "S", "D", "F", "G", "H", "J", "K"};
      for (int i = 0; i < STEPS; i++) {
        // No multiple of a frame, so that keys come at all places of one.
        words.append('+').append(letters[i % 8]).append(" ~41.3 -").append(letters[i % 8]);
        words.append(" ~52.9 ");
      }
      List<Long> moments = keys.send(words.append("~300").toString());
      ui.await(() -> drawn.size() >= STEPS);
      assertThat(drawn).hasSize(STEPS);
      List<Double> toEntered = new ArrayList<>();
      List<Double> toDrawn = new ArrayList<>();
      List<Double> work = new ArrayList<>();
      for (int i = WARM_UP; i < STEPS; i++) {
        long released = moments.get(2 + 2 * i + 1);
        toEntered.add((entered.get(i) - released) / 1e6);
        work.add((entered.get(i) - released + layouts.get(i)) / 1e6);
        toDrawn.add((drawn.get(i) - released) / 1e6);
      }
      Percentiles.print("release to the note in the song", toEntered);
      Percentiles.print("that and the frame's layout, with the bench's drawing", work);
      Percentiles.print("release to the note drawn, with the wait for the frame", toDrawn);
      System.out.println(
          "drawn with the first frame after it: "
              + pulses.stream().filter(p -> p == 1).count()
              + " of "
              + pulses.size());
    } finally {
      ui.close();
    }
  }

  private void note(boolean isSong) {
    if (isSong) {
      long now = System.nanoTime();
      entered.add(now);
      changed.set(now);
      pulsesSince = 0;
    }
  }

  /** After layout, in which the bench draws what is marked. */
  private void pulse() {
    pulsesSince++;
    if (changed.getAndSet(0) != 0) {
      long now = System.nanoTime();
      drawn.add(now);
      layouts.add(now - laidOutFrom);
      pulses.add(pulsesSince);
    }
  }
}
