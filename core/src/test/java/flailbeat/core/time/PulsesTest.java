package flailbeat.core.time;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** At 120 bpm a quarter note lasts 500 ms and has 960 ticks. */
class PulsesTest {
  private static final long MS = 1_000_000;
  private static final TempoMap TEMPO = TempoMap.of(TempoMap.DEFAULT);
  private static final MeterMap METER = MeterMap.of(Meter.COMMON);

  private static Pulses quarters(long from, long to, Optional<Loop> loop) {
    return Pulses.over(
        new TickRange(from, to), NoteValue.straight(4), GridLines.EVEN, TEMPO, METER, loop);
  }

  @Test
  void they_lie_on_the_lines_from_the_first_tick_up_to_but_not_including_the_last() {
    Pulses pulses = quarters(960, 3840, Optional.empty());
    assertThat(pulses.size()).isEqualTo(3);
    assertThat(pulses.nanosAt(0)).isEqualTo(500 * MS);
    assertThat(pulses.nanosAt(2)).isEqualTo(1500 * MS);
    assertThat(pulses.horizonNanos()).isEqualTo(1500 * MS);
    assertThat(quarters(961, 3841, Optional.empty()).nanosAt(0)).isEqualTo(1000 * MS);
  }

  @Test
  void there_is_room_for_more_than_were_reckoned_with() {
    Pulses pulses = quarters(0, 1000 * 960, Optional.empty());
    assertThat(pulses.size()).isEqualTo(1000);
    assertThat(pulses.nanosAt(999)).isEqualTo(999 * 500 * MS);
  }

  @ParameterizedTest
  @CsvSource({"-1, 0", "0, 500", "499, 500", "500, 1000", "999, 1000", "1000, 1500"})
  void the_next_one_comes_after_a_time_and_not_at_it(long afterMs, long nextMs) {
    Pulses pulses = quarters(0, 3840, Optional.empty());
    assertThat(pulses.after(afterMs * MS)).isEqualTo(nextMs * MS);
  }

  @Test
  void behind_the_last_there_is_none() {
    assertThat(quarters(0, 3840, Optional.empty()).after(1500 * MS)).isEqualTo(Long.MAX_VALUE);
    assertThat(Pulses.NONE.after(0)).isEqualTo(Long.MAX_VALUE);
    assertThat(Pulses.NONE.horizonNanos()).isEqualTo(Long.MAX_VALUE);
  }

  /** A loop from 500 to 2000 ms: its second round begins at 2000, its third at 3500. */
  @ParameterizedTest
  @CsvSource({"0, 500", "1500, 2000", "2000, 2500", "3000, 3500", "3499, 3500", "3500, 4000"})
  void round_a_loop_they_come_again_in_unrolled_time(long afterMs, long nextMs) {
    Loop loop = new Loop(500 * MS, 2000 * MS);
    Pulses pulses = quarters(960, 3840, Optional.of(loop));
    assertThat(pulses.after(afterMs * MS)).isEqualTo(nextMs * MS);
    assertThat(pulses.horizonNanos()).isEqualTo(Long.MAX_VALUE);
  }

  @Test
  void shifted_they_are_as_much_later_each() {
    Pulses later = quarters(0, 3840, Optional.empty()).shifted(70 * MS);
    assertThat(later.size()).isEqualTo(4);
    assertThat(later.nanosAt(0)).isEqualTo(70 * MS);
    assertThat(later.nanosAt(3)).isEqualTo(1570 * MS);
  }

  @Test
  void swing_makes_every_second_one_late() {
    Pulses pulses =
        Pulses.over(
            new TickRange(0, 960), NoteValue.straight(8), 75, TEMPO, METER, Optional.empty());
    assertThat(pulses.nanosAt(1)).isEqualTo(375 * MS);
  }
}
