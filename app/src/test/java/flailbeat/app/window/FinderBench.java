package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.session.document.Aspect;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Measures, in the real window, how long the finder takes from a key to its list, and from Enter to
 * what was chosen. Prints what it measures; docs/performance.md tells how to run it.
 */
@Tag("bench")
class FinderBench {
  private static final int TIMES = 40;

  private final List<Long> listed = Collections.synchronizedList(new ArrayList<>());
  private final List<Long> done = Collections.synchronizedList(new ArrayList<>());

  @Test
  void three_letters_find_a_command_and_enter_carries_it_out() throws Exception {
    WindowUnderTest ui = WindowUnderTest.open(1280, 800);
    try (RealKeys keys = new RealKeys()) {
      ui.await(() -> ui.stage.isFocused());
      ui.run(
          () -> {
            ui.session.open(HarbourLamps.song(), Optional.empty());
            ui.session.changes().listen(c -> noteDone(c.isOf(Aspect.SONG)));
          });
      ui.choose("find-command");
      keys.send("~300 +ESCAPE -ESCAPE ~300");
      ui.field("finder-words")
          .textProperty()
          .addListener(
              (property, before, now) -> {
                if (now.equals("mut")) {
                  // The list is filled by now, and laid out and drawn with the next pulse.
                  Runnable[] once = new Runnable[1];
                  once[0] =
                      () -> {
                        listed.add(System.nanoTime());
                        ui.stage.getScene().removePostLayoutPulseListener(once[0]);
                      };
                  ui.stage.getScene().addPostLayoutPulseListener(once[0]);
                }
              });
      List<Double> toList = new ArrayList<>();
      List<Double> toDone = new ArrayList<>();
      for (int i = 0; i < TIMES; i++) {
        listed.clear();
        done.clear();
        List<Long> moments =
            keys.send("~150 +F4 -F4 ~60 +M -M ~60 +U -U ~60 +T -T ~120 +ENTER -ENTER ~100");
        ui.await(() -> !done.isEmpty() && !listed.isEmpty());
        toList.add((listed.get(0) - moments.get(6)) / 1e6);
        toDone.add((done.get(0) - moments.get(8)) / 1e6);
      }
      Percentiles.print("third letter to the list laid out", toList);
      Percentiles.print("Enter to the command carried out", toDone);
      assertThat(ui.session.document().track().muted()).isFalse();
    } finally {
      ui.close();
    }
  }

  private void noteDone(boolean isSong) {
    if (isSong) {
      done.add(System.nanoTime());
    }
  }
}
