package flailbeat.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.core.TestSongs;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FileTraits;
import flailbeat.core.model.carried.FromFile;
import flailbeat.core.model.carried.Marker;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.pitch.KeySignature;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Section;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import flailbeat.core.time.Timeline;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TimeShiftTest {
  private static final long BAR = 3840;

  private static Note note(long id, long onset) {
    return TestSongs.note(id, 60, onset, 480);
  }

  /** A clip in bars 1 and 2, a loop of a bar in 4 to 6, and something of all kinds in bar 3. */
  private static Song song() {
    ControlPoint pedal = new ControlPoint(new ControlId(9), 5000, Control.controller(64, 127));
    Clip first =
        TestSongs.clip(
            1, 0, 2 * BAR, Clip.NEVER, List.of(note(5, 100), note(6, 4000)), List.of(pedal));
    Clip loop = TestSongs.clip(2, 3 * BAR, 3 * BAR, BAR, List.of(note(7, 960)), List.of());
    Song song = TestSongs.song(first, loop);
    long third = 2 * BAR;
    Timeline timeline =
        new Timeline(
            TempoMap.of(
                List.of(
                    new TempoMap.Change(0, Tempo.ofBpm(100)),
                    new TempoMap.Change(third, Tempo.ofBpm(140)))),
            MeterMap.of(
                List.of(
                    new MeterMap.Change(0, Meter.COMMON),
                    new MeterMap.Change(third, new Meter(2, 4)),
                    new MeterMap.Change(third + BAR, Meter.COMMON))),
            List.of(new Section(0, "A"), new Section(third, "B")));
    List<CarriedEvent> carried =
        List.of(
            FromFile.event(0, new KeySignature(0, false)),
            FromFile.event(third, new KeySignature(2, true)),
            FromFile.event(new Marker(third + 480, "here")));
    return song.withTimeline(timeline)
        .withFile(song.file().withCarried(carried))
        .mapTracks(t -> t.withTraits(new FileTraits(true, 7 * BAR)));
  }

  private static List<Long> onsets(Song song) {
    return TestSongs.track(song).placed().sounding().stream().map(Note::onset).toList();
  }

  @Test
  void bars_that_come_in_take_all_that_is_behind_them_along() {
    Song later = TimeShift.opening(2 * BAR, 2 * BAR).applyTo(song());
    assertThat(onsets(later))
        .containsExactly(100L, 4000L, 5 * BAR + 960, 6 * BAR + 960, 7 * BAR + 960);
    assertThat(later.tempos().changes())
        .extracting(TempoMap.Change::tick)
        .containsExactly(0L, 4 * BAR);
    assertThat(later.meters().changes())
        .extracting(MeterMap.Change::tick)
        .containsExactly(0L, 4 * BAR, 5 * BAR);
    assertThat(later.sections()).containsExactly(new Section(0, "A"), new Section(4 * BAR, "B"));
    assertThat(later.markers()).containsExactly(new Marker(4 * BAR + 480, "here"));
    assertThat(later.keys().at(4 * BAR - 1)).contains(new KeySignature(0, false));
    assertThat(later.keys().at(4 * BAR)).contains(new KeySignature(2, true));
    assertThat(TestSongs.track(later).traits().endTick()).isEqualTo(9 * BAR);
  }

  @Test
  void bars_that_come_in_and_go_again_leave_the_song_as_it_was() {
    Song song = song();
    for (long bar : new long[] {0, 1, 2, 3, 7}) {
      Song there = TimeShift.opening(bar * BAR, BAR).applyTo(song);
      Song back = TimeShift.closing(new TickRange(bar * BAR, (bar + 1) * BAR)).applyTo(there);
      assertThat(back).as("at bar %d", bar + 1).isEqualTo(song);
    }
  }

  @Test
  void a_clip_across_the_place_stays_one_clip() {
    Song later = TimeShift.opening(BAR, BAR).applyTo(song());
    Track track = TestSongs.track(later);
    assertThat(track.clips().get(0).range()).isEqualTo(new TickRange(0, 3 * BAR));
    assertThat(onsets(later)).startsWith(100L, 4000 + BAR);
    assertThat(track.clips().get(0).content().controls().get(0).tick()).isEqualTo(5000 + BAR);
  }

  @Test
  void a_loop_across_the_place_is_written_out_and_sounds_on() {
    Song later = TimeShift.opening(4 * BAR, BAR).applyTo(song());
    assertThat(onsets(later)).endsWith(3 * BAR + 960, 5 * BAR + 960, 6 * BAR + 960);
    assertThat(TestSongs.track(later).clips().get(1).loops()).isFalse();
  }

  @Test
  void bars_that_go_take_their_notes_and_leave_what_holds() {
    Song shorter = TimeShift.closing(new TickRange(BAR, 3 * BAR)).applyTo(song());
    assertThat(onsets(shorter)).containsExactly(100L, BAR + 960, 2 * BAR + 960, 3 * BAR + 960);
    assertThat(shorter.tempos().tempoAt(BAR)).isEqualTo(Tempo.ofBpm(140));
    assertThat(shorter.meters().meterAt(BAR)).isEqualTo(Meter.COMMON);
    assertThat(shorter.keys().at(BAR)).contains(new KeySignature(2, true));
    assertThat(shorter.sections()).containsExactly(new Section(0, "A"), new Section(BAR, "B"));
    assertThat(TestSongs.track(shorter).placed().controls())
        .as("the pedal that was pressed there is down")
        .extracting(ControlPoint::tick)
        .containsExactly(BAR - 1);
  }

  @Test
  void a_range_goes_along_and_vanishes_with_its_bars() {
    TimeShift closing = TimeShift.closing(new TickRange(BAR, 3 * BAR));
    assertThat(closing.of(new TickRange(0, 2 * BAR))).contains(new TickRange(0, BAR));
    assertThat(closing.of(new TickRange(4 * BAR, 5 * BAR)))
        .contains(new TickRange(2 * BAR, 3 * BAR));
    assertThat(closing.of(new TickRange(BAR, 2 * BAR))).isEqualTo(Optional.empty());
  }

  @Test
  void nothing_comes_to_lie_before_the_start_or_beyond_the_last_tick() {
    assertThatThrownBy(() -> new TimeShift(100, -200)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> TimeShift.opening(0, Ticks.LAST).applyTo(song()))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
