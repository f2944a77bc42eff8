package flailbeat.core.playback;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
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

  /**
   * MIDI 1.0: registered (101, 100) and other parameters (99, 98) are kept apart by their numbers;
   * data entry has a coarse (6) and a fine part (38), and without a selection it sets nothing.
   */
  @Test
  void each_parameter_that_was_set_is_set_again_by_its_own_number() {
    StateAlong state = new StateAlong();
    int[][] sent = {
      {6, 9}, {101, 0}, {100, 2}, {6, 64}, {38, 5}, {99, 1}, {98, 8}, {6, 33}, {101, 127}, {6, 1}
    };
    for (int[] each : sent) {
      state.accept(PlaybackPlan.message(3, 0xB0, each[0], each[1]));
    }
    assertThat(Arrays.stream(state.messages()).map(PlaybackPlan::part)).containsOnly(3);
    assertThat(
            Arrays.stream(state.messages())
                .mapToObj(m -> PlaybackPlan.data1(m) + "=" + PlaybackPlan.data2(m)))
        .containsExactly(
            "101=0", "100=2", "6=64", "38=5", "99=1", "98=8", "6=33", "101=127", "100=127");
  }

  /** MIDI Manufacturers Association, RP-015, and General MIDI's volume and pan. */
  @Test
  void each_key_of_a_part_is_put_to_rest_by_a_message_that_has_its_key() {
    for (int key = 0; key < ControlKey.COUNT; key++) {
      if (key < 128 && ControlKey.isOfParameters(key)) {
        continue;
      }
      int message = ControlKey.atRest(5, key);
      assertThat(ControlKey.of(message)).isEqualTo(key);
      assertThat(PlaybackPlan.part(message)).isEqualTo(5);
    }
    assertThat(IntStream.range(0, 128).filter(ControlKey::isOfParameters))
        .containsExactly(6, 38, 96, 97, 98, 99, 100, 101);
    assertThat(IntStream.of(1, 7, 10, 11, 64).map(c -> PlaybackPlan.data2(ControlKey.atRest(0, c))))
        .containsExactly(0, 100, 64, 127, 0);
  }

  @Test
  void clicks_of_ones_own_are_joined_at_any_moment() {
    ClickTrack clicks =
        ClickTrack.of(new long[] {-100, 50, 200}, new boolean[] {true, false, true});
    assertThat(LongStream.of(-200, -100, -99, 50, 51, 201).mapToInt(clicks::firstAtOrAfter))
        .containsExactly(0, 0, 1, 1, 2, 3);
    assertThat(clicks.horizonNanos()).isEqualTo(200);
  }

  @Test
  void a_device_begins_with_what_was_found_for_it_unless_a_buffer_was_chosen() {
    SoundSettings found = SoundSettings.standard().withDevice("Box").withFound(1024);
    assertThat(found.bufferToBegin(512)).isEqualTo(1024);
    assertThat(found.isAutomatic()).isTrue();
    assertThat(found.withDevice("Other").bufferToBegin(512)).isEqualTo(512);
    assertThat(found.withBuffer(4096).bufferToBegin(512)).isEqualTo(4096);
    assertThat(found.withBuffer(4096).isAutomatic()).isFalse();
    assertThat(found.withBuffer(4096).triedAnew().bufferToBegin(512)).isEqualTo(512);
    assertThat(found.withBuffer(44_100 * 4).bufferBytes()).isEqualTo(176_400);
    assertThatIllegalArgumentException().isThrownBy(() -> found.withBuffer(44_100 * 4 + 1));
  }
}
