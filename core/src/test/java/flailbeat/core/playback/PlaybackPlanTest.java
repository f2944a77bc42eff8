package flailbeat.core.playback;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class PlaybackPlanTest {
  private static final TrackId TRACK = Song.empty().tracks().get(0).id();

  private static Song with(NewNote... notes) {
    return NoteEdits.add(Song.empty(), TRACK, List.of(notes), new TickRange(0, 0));
  }

  private static NewNote note(int pitch, long onset, long release) {
    return new NewNote(pitch, 80, new Played(onset, release));
  }

  private static List<String> messages(Song song) {
    PlaybackPlan plan = PlaybackPlan.of(song, ClickTrack.NONE, 0);
    List<String> result = new ArrayList<>();
    for (int i = 0; i < plan.size(); i++) {
      int m = plan.messageAt(i);
      String kind = PlaybackPlan.isNoteOn(m) ? "on" : PlaybackPlan.isNoteOff(m) ? "off" : "control";
      result.add(plan.nanosAt(i) / 1_000_000 + " " + kind + " " + PlaybackPlan.data1(m));
    }
    return result;
  }

  @Test
  void at_one_time_ends_come_first_and_starts_last() {
    Song song = with(note(60, 0, 960), note(62, 960, 1920));
    song =
        song.withTrack(
            TRACK,
            t ->
                t.withEvents(
                    List.of(new ControlPoint(960, ControlPoint.Kind.CONTROLLER, 64, 127)),
                    List.of()));
    assertThat(messages(song))
        .containsExactly("0 on 60", "500 off 60", "500 control 64", "500 on 62", "1000 off 62");
  }

  @Test
  void overlapping_notes_of_one_pitch_are_cut_so_that_none_hangs_or_ends_another() {
    Song song = with(note(60, 0, 1920), note(60, 960, 2880));
    assertThat(messages(song)).containsExactly("0 on 60", "500 off 60", "500 on 60", "1500 off 60");
  }

  @Test
  void muted_tracks_are_silent_and_solo_silences_the_rest() {
    Song song = with(note(60, 0, 960));
    assertThat(messages(song.withTrack(TRACK, t -> t.withMuted(true)))).isEmpty();
    Song two =
        flailbeat.core.edit.SongEdits.addTrack(song, flailbeat.core.model.Instrument.melodic(0));
    Track second = two.tracks().get(1);
    assertThat(messages(two.withTrack(second.id(), t -> t.withSolo(true)))).isEmpty();
    assertThat(messages(two.withTrack(TRACK, t -> t.withSolo(true)))).hasSize(2);
  }

  @Test
  void a_place_is_found_by_search() {
    PlaybackPlan plan =
        PlaybackPlan.of(with(note(60, 0, 960), note(62, 960, 1920)), ClickTrack.NONE, 0);
    assertThat(plan.firstAtOrAfter(-5)).isZero();
    assertThat(plan.firstAtOrAfter(1)).isEqualTo(1);
    assertThat(plan.firstAtOrAfter(2_000_000_000)).isEqualTo(plan.size());
  }

  @Test
  void the_click_follows_the_meter_with_an_accent_on_each_bar() {
    MeterMap meters =
        MeterMap.of(
            List.of(
                new MeterMap.Change(0, new Meter(3, 4)),
                new MeterMap.Change(2880, new Meter(6, 8))));
    ClickTrack clicks = ClickTrack.between(-2880, 5760, TempoMap.of(TempoMap.DEFAULT), meters);
    StringBuilder pattern = new StringBuilder();
    for (int i = 0; i < clicks.size(); i++) {
      pattern.append(clicks.isAccent(i) ? 'X' : 'x');
    }
    assertThat(pattern).hasToString("XxxXxxXxxxxx");
    assertThat(clicks.nanosAt(0)).isEqualTo(-1_500_000_000);
    assertThat(clicks.nanosAt(7) - clicks.nanosAt(6)).isEqualTo(250_000_000);
    assertThat(clicks.horizonNanos()).isEqualTo(3_000_000_000L);
  }
}
