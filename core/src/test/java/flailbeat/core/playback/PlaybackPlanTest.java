package flailbeat.core.playback;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Control;
import flailbeat.core.model.Instrument;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.TrackId;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
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
        SongEdits.addControls(
            song, TRACK, List.of(new NewControl(960, Control.controller(64, 127))));
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
    Song two = SongEdits.addTrack(song, Instrument.melodic(0));
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

  /**
   * Two hands on one channel with one pedal, as files often have it, and a track that only shares.
   */
  @Test
  void a_pedal_is_for_all_tracks_of_its_channel_that_have_its_sound() {
    Song song = with(note(60, 0, 960));
    for (int program : new int[] {0, 0, 48}) {
      song = SongEdits.addTrack(song, Instrument.melodic(program));
    }
    int[] channels = {0, 0, 1, 0};
    for (int i = 0; i < channels.length; i++) {
      int channel = channels[i];
      song =
          song.withTrack(song.tracks().get(i).id(), t -> t.withInstrument(t.instrument(), channel));
    }
    song =
        SongEdits.addControls(
            song,
            song.tracks().get(1).id(),
            List.of(new NewControl(0, Control.controller(64, 127))));
    PlaybackPlan plan = PlaybackPlan.of(song, ClickTrack.NONE, 0);
    List<Integer> moved = new ArrayList<>();
    for (int i = 0; i < plan.size(); i++) {
      if (PlaybackPlan.status(plan.messageAt(i)) == 0xB0) {
        moved.add(PlaybackPlan.part(plan.messageAt(i)));
      }
    }
    assertThat(moved).containsExactly(0, 1);
  }

  /** A checkpoint, and what comes after it, brings about what all messages before do. */
  @Test
  void joining_a_plan_anywhere_brings_about_what_was_played_until_there() {
    Random random = new Random(7);
    List<NewNote> notes = new ArrayList<>();
    List<NewControl> points = new ArrayList<>();
    int[] controllers = {1, 7, 64, 6, 38, 98, 99, 100, 101, 96};
    for (int i = 0; i < 3000; i++) {
      long onset = random.nextInt(400_000);
      notes.add(note(random.nextInt(128), onset, onset + 1 + random.nextInt(5000)));
      int number = controllers[random.nextInt(controllers.length)];
      points.add(new NewControl(i * 130L, Control.controller(number, random.nextInt(128))));
      points.add(new NewControl(i * 130L, Control.bend(random.nextInt(16384))));
    }
    Song song = SongEdits.addControls(with(notes.toArray(NewNote[]::new)), TRACK, points);
    PlaybackPlan plan = PlaybackPlan.of(song, ClickTrack.NONE, 0);
    StateAlong all = new StateAlong();
    for (int i = 0; i <= plan.size(); i += 1) {
      PlaybackPlan.Checkpoint checkpoint = plan.checkpointBefore(i);
      if (i % 37 == 0) {
        StateAlong joined = new StateAlong();
        Arrays.stream(checkpoint.messages()).forEach(joined::accept);
        for (int k = checkpoint.index(); k < i; k++) {
          joined.accept(plan.messageAt(k));
        }
        assertThat(joined.messages()).as("before message %d", i).isEqualTo(all.messages());
      }
      assertThat(i - checkpoint.index())
          .as("messages to go through to join at %d", i)
          .isLessThanOrEqualTo(Math.max(128, checkpoint.messages().length));
      if (i < plan.size()) {
        all.accept(plan.messageAt(i));
      }
    }
  }

  /** MIDI 1.0: a parameter is selected (101, 100) before it is set (6), and null selects none. */
  @Test
  void a_bend_range_that_was_set_before_is_set_again_where_a_plan_is_joined() {
    List<NewControl> points = new ArrayList<>();
    int[][] range = {{101, 0}, {100, 0}, {6, 12}, {101, 127}, {100, 127}};
    for (int[] r : range) {
      points.add(new NewControl(0, Control.controller(r[0], r[1])));
    }
    for (int i = 1; i < 400; i++) {
      points.add(new NewControl(i, Control.bend(i)));
    }
    PlaybackPlan plan =
        PlaybackPlan.of(SongEdits.addControls(Song.empty(), TRACK, points), ClickTrack.NONE, 0);
    List<String> messages =
        Arrays.stream(plan.checkpointBefore(300).messages())
            .mapToObj(m -> PlaybackPlan.data1(m) + "=" + PlaybackPlan.data2(m))
            .limit(range.length)
            .toList();
    assertThat(messages).containsExactly("101=0", "100=0", "6=12", "101=127", "100=127");
  }
}
