package flailbeat.core.quantize;

import static flailbeat.core.TestSongs.note;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.model.Note;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.List;
import org.junit.jupiter.api.Test;

class SlotTimingTest {
  /** At 120 bpm 24 ticks are 12.5 ms. */
  @Test
  void each_place_of_the_bar_tells_how_early_or_late_it_was_played_in_the_mean() {
    MeterMap meters = MeterMap.of(Meter.COMMON);
    List<Note> notes =
        List.of(
            note(1, 60, 960 + 24, 100),
            note(2, 60, 3840 + 960 + 72, 100),
            note(3, 60, 1920 - 48, 100),
            Note.placed(new NoteId(4), 62, 90, 960, 100));
    QuantizePlan plan =
        new Nearest(QuantizeSettings.standard(), TempoMap.of(TempoMap.DEFAULT), meters)
            .plan(notes, List.of());
    assertThat(SlotTiming.of(plan, meters))
        .containsExactly(new SlotTiming(0.25, 25, 2), new SlotTiming(0.5, -25, 1));
  }
}
