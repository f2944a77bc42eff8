package flailbeat.core.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.Payload;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.NoteId;
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

  private static Track track(Clip... clips) {
    return Song.empty().tracks().get(0).withClips(List.of(clips));
  }

  private static Clip twoNotes(long start) {
    Note first = Note.placed(ID, 60, 80, start, 100);
    Note second = Note.placed(new NoteId(2), 62, 80, start + 2000, 500);
    return Clip.of(new ClipId(3), new TickRange(start, start + 3840), List.of(first, second));
  }

  @Test
  void a_note_is_found_where_it_sounds_and_not_where_its_clip_has_ended() {
    Track track = track(twoNotes(3840));
    assertThat(track.note(new NoteId(2)).orElseThrow().onset()).isEqualTo(5840);
    assertThat(track.note(new NoteId(9))).isEmpty();
    Track shorter = track(twoNotes(3840).lasting(2000, Clip.NEVER));
    assertThat(shorter.note(new NoteId(2))).isEmpty();
    assertThat(shorter.note(ID)).isPresent();
  }

  @Test
  void a_track_ends_with_its_last_note_that_sounds() {
    assertThat(track(twoNotes(3840)).end()).isEqualTo(6340);
    assertThat(track(twoNotes(3840).lasting(2000, Clip.NEVER)).end()).isEqualTo(3940);
    assertThat(track(twoNotes(0).lasting(3000, 1000)).end()).isEqualTo(2100);
    assertThat(track(Clip.of(new ClipId(3), new TickRange(9000, 9100), List.of())).end()).isZero();
  }

  @Test
  void notes_of_a_stretch_are_counted_without_being_looked_at() {
    assertThat(track(twoNotes(3840)).mostNotesIn(new TickRange(3840, 5840))).isEqualTo(1);
    assertThat(track(twoNotes(3840)).mostNotesIn(new TickRange(3840, 5841))).isEqualTo(2);
    assertThat(track(twoNotes(3840)).mostNotesIn(new TickRange(3841, 9999))).isEqualTo(1);
    Clip before = Clip.of(new ClipId(4), new TickRange(0, 100), List.of());
    assertThat(
            track(before, twoNotes(3840).lasting(3000, 1000)).mostNotesIn(new TickRange(0, 9000)))
        .isEqualTo(3);
  }

  @Test
  void a_clip_is_found_by_its_id_and_left_alone_when_nothing_changes() {
    Track track = track(twoNotes(0));
    assertThat(track.clip(new ClipId(3))).contains(track.clips().get(0));
    assertThat(track.clip(new ClipId(4))).isEmpty();
    assertThat(track.withClip(new ClipId(3), c -> c)).isSameAs(track);
    assertThat(track.withClip(new ClipId(4), c -> c.at(99))).isSameAs(track);
    assertThat(track.withClip(new ClipId(3), c -> c.at(99)).clips().get(0).start()).isEqualTo(99);
  }

  @Test
  void a_clip_is_empty_only_when_all_its_versions_are() {
    Take full = new Take(1, Content.of(List.of(Note.placed(ID, 60, 80, 0, 1)), List.of()));
    Take bare = new Take(1, Content.NONE);
    Clip none = Clip.of(new ClipId(3), new TickRange(0, 100), List.of());
    assertThat(none.isEmpty()).isTrue();
    assertThat(none.hearing(Content.NONE, new Takes(2, List.of(bare))).isEmpty()).isTrue();
    assertThat(none.hearing(Content.NONE, new Takes(2, List.of(full))).isEmpty()).isFalse();
    assertThat(twoNotes(0).isEmpty()).isFalse();
    ControlPoint pedal = new ControlPoint(new ControlId(5), 700, Control.controller(64, 0));
    Content control = Content.of(List.of(), List.of(pedal));
    assertThat(control.isEmpty()).isFalse();
    assertThat(control.end()).isEqualTo(pedal.end());
    assertThat(none.contains(0)).isTrue();
    assertThat(none.contains(100)).isFalse();
    assertThat(none.at(100).contains(99)).isFalse();
  }
}
