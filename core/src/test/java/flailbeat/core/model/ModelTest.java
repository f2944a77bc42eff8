package flailbeat.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.List;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ModelTest {
  private static final NoteId ID = new NoteId(1);

  private static void assertRefused(ThrowingCallable making) {
    assertThatIllegalArgumentException().isThrownBy(making);
  }

  @ParameterizedTest
  @ValueSource(longs = {-1, (1L << 31) + 1, 1L << 33, Long.MAX_VALUE, Long.MIN_VALUE})
  void a_time_outside_the_song_is_refused_wherever_it_stands(long tick) {
    assertRefused(() -> new Note(ID, 60, 80, tick, 1, new Played(0, 1)));
    assertRefused(() -> new ControlPoint(new ControlId(2), tick, Control.controller(64, 0)));
    assertRefused(() -> new CarriedEvent(tick, 0xFF, 6, Payload.of()));
    assertRefused(() -> TempoMap.of(List.of(new TempoMap.Change(tick, TempoMap.DEFAULT))));
    assertRefused(() -> MeterMap.of(List.of(new MeterMap.Change(tick, Meter.COMMON))));
    assertRefused(() -> Clip.of(new ClipId(2), new TickRange(tick, Long.MAX_VALUE), List.of()));
  }

  @ParameterizedTest
  @ValueSource(longs = {0, -1, (1L << 31) - 4, Long.MAX_VALUE, Long.MAX_VALUE - 5})
  void a_note_that_would_end_before_it_begins_or_beyond_the_song_is_refused(long length) {
    assertRefused(() -> new Note(ID, 60, 80, 5, length, new Played(5, 6)));
  }

  @Test
  void what_is_played_or_moved_to_beyond_the_song_ends_at_its_last_tick() {
    Note last = Note.asPlayed(ID, 60, 80, Played.within(Long.MAX_VALUE, Long.MAX_VALUE));
    assertThat(last.end()).isEqualTo(Ticks.LAST);
    assertThat(last.standingAt(-500, Long.MAX_VALUE).onset()).isZero();
    assertThat(last.standingAt(-500, Long.MAX_VALUE).end()).isEqualTo(Ticks.LAST);
    assertThat(new Played(0, 10).shifted(Long.MIN_VALUE / 2))
        .isEqualTo(new Played(Played.FIRST, Played.FIRST + 10));
  }
}
