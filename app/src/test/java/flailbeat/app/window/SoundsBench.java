package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.model.sound.GeneralMidi;
import flailbeat.core.session.document.Aspect;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Measures, in the real window, how long the list of sounds takes from an arrow key until it is
 * laid out, ten keys a second through all 128 programs, while the song plays. Prints what it
 * measures; docs/performance.md tells how to run it.
 */
@Tag("bench")
class SoundsBench {
  private final List<Long> moved = Collections.synchronizedList(new ArrayList<>());

  @Test
  void arrows_go_through_all_programs() throws Exception {
    WindowUnderTest ui = WindowUnderTest.open(1280, 800);
    try (RealKeys keys = new RealKeys()) {
      ui.await(() -> ui.stage.isFocused());
      ui.run(
          () -> {
            ui.session.open(HarbourLamps.song(), Optional.empty());
            ui.session.run().playOrStop();
            ui.session.sounds().open();
            ui.session.sounds().showFamily(GeneralMidi.families().getFirst());
            ui.session.changes().listen(c -> note(ui, c.isOf(Aspect.SOUNDS)));
          });
      List<Double> took = new ArrayList<>();
      for (int i = 1; i < GeneralMidi.PROGRAMS; i++) {
        moved.clear();
        List<Long> moments = keys.send("+DOWN -DOWN ~100");
        ui.await(() -> !moved.isEmpty());
        took.add((moved.getFirst() - moments.getFirst()) / 1e6);
      }
      Percentiles.print("arrow key to the list laid out", took);
      assertThat(ui.session.sounds().current().orElseThrow().program()).isEqualTo(127);
    } finally {
      ui.close();
    }
  }

  private void note(WindowUnderTest ui, boolean isSounds) {
    if (isSounds) {
      Runnable[] once = new Runnable[1];
      once[0] =
          () -> {
            moved.add(System.nanoTime());
            ui.stage.getScene().removePostLayoutPulseListener(once[0]);
          };
      ui.stage.getScene().addPostLayoutPulseListener(once[0]);
    }
  }
}
