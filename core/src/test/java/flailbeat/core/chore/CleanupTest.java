package flailbeat.core.chore;

import static flailbeat.core.chore.ChoreSongs.area;
import static flailbeat.core.chore.ChoreSongs.marked;
import static flailbeat.core.chore.ChoreSongs.song;
import static flailbeat.core.chore.ChoreSongs.text;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Scale;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.Meter;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Values worked out by hand. */
class CleanupTest {
  @ParameterizedTest(name = "{0} {1}: {2}")
  @CsvSource(
      delimiter = '|',
      value = {
        // 115 ticks are 59.9 ms, 116 are 60.4.
        "SHORT | 60 | 0 60 80 115, 480 62 80 116 | 480 62 80 116",
        // 76 ticks are 39.6 ms: the longer stays; 100 are 52: both do.
        "DOUBLES | 40 | 0 60 80 90, 76 60 70 400, 960 60 80 90, 1060 60 70 400"
            + " | 76 60 70 400, 960 60 80 90, 1060 60 70 400",
        // 96 ticks are 50 ms, 192 are 100: bounds belong to what stays, or to a double.
        "SHORT | 50 | 0 60 80 96, 480 62 80 95 | 0 60 80 96",
        "DOUBLES | 50 | 0 60 80 90, 96 60 70 400 | 96 60 70 400",
        "GAPS | 100 | 0 60 80 288, 480 60 80 480, 960 60 80 96"
            + " | 0 60 80 288, 480 60 80 480, 960 60 80 96",
        "DOUBLES | 40 | 0 60 80 100, 0 60 90 100, 0 64 80 100 | 0 60 90 100, 0 64 80 100",
        "OVERLAPS | 0 | 0 60 80 600, 480 60 80 480, 480 64 80 900"
            + " | 0 60 80 480, 480 60 80 480, 480 64 80 900",
        "OVERLAPS | 0 | 0 60 80 600, 0 60 70 700, 480 60 80 480"
            + " | 0 60 80 480, 0 60 70 480, 480 60 80 480",
        // A gap of 80 ticks is 41.7 ms, one of 160 is 83.3.
        "GAPS | 80 | 0 60 80 400, 480 62 80 320, 960 64 80 100"
            + " | 0 60 80 480, 480 62 80 320, 960 64 80 100",
        "VELOCITY | 70 | 0 60 80 480, 480 62 70 480 | 0 60 70 480, 480 62 70 480",
        // The mean is 80: 100 and 60 lie 20 from it.
        "SQUEEZE | 50 | 0 60 100 480, 480 62 60 480 | 0 60 90 480, 480 62 70 480",
        "FADE | 20 | 0 60 100 480, 960 62 90 480, 1920 64 80 480"
            + " | 0 60 100 480, 960 62 60 480, 1920 64 20 480",
        "OCTAVES | 3 | 0 60 80 480, 0 64 80 480, 960 60 80 1, 960 64 80 1, 960 67 80 1"
            + " | 0 48 80 480, 0 60 80 480, 0 64 80 480,"
            + " 960 60 80 1, 960 64 80 1, 960 67 80 1",
        // The octave sounds already, or lies below the piano's lowest note.
        "OCTAVES | 2 | 0 48 80 960, 480 60 80 100, 2000 5 80 100"
            + " | 0 36 80 960, 0 48 80 960, 480 60 80 100, 2000 5 80 100",
        // Of two degrees equally near the lower: F# goes to F.
        "MOVE_OUTSIDE | 0 | 0 60 80 480, 480 66 80 480 | 0 60 80 480, 480 65 80 480",
        "REMOVE_OUTSIDE | 0 | 0 60 80 480, 480 66 80 480 | 0 60 80 480",
        // From the third bar on, 100 ticks late: so it stays.
        "SILENCE | 0 | 7780 60 80 480, 9600 62 80 480 | 100 60 80 480, 1920 62 80 480"
      })
  void a_chore_does_what_its_name_says(
      Cleanup cleanup, int amount, String before, String expected) {
    Song song = song(before);
    Outcome outcome = cleanup.outcome(area(song, Reach.TRACK), amount);
    Song after = outcome.edit("Chore").apply(song);
    assertThat(text(after)).isEqualTo(expected.replaceAll(", +", ", "));
    assertThat(cleanup.outcome(area(after, Reach.TRACK), amount).noteCount())
        .as("there is nothing left to do")
        .isLessThanOrEqualTo(cleanup == Cleanup.SQUEEZE || cleanup == Cleanup.OCTAVES ? 2 : 0);
  }

  @Test
  void notes_are_marked_and_stay() {
    Song song = song("0 60 80 480, 480 66 20 480, 960 61 80 480, 1440 72 90 480");
    Area area = area(song, Reach.TRACK);
    Outcome outside = Cleanup.MARK_OUTSIDE.outcome(area, 0);
    assertThat(marked(outside)).isEqualTo("480 960");
    assertThat(outside.edit("Mark").isNothing()).isTrue();
    assertThat(outside.inWords()).isEqualTo("2 notes marked");
    assertThat(marked(Cleanup.QUIETEST.outcome(area, 5))).isEqualTo("480");
  }

  @Test
  void of_a_part_played_evenly_no_note_is_a_slip() {
    String even =
        String.join(",", IntStream.range(0, 40).mapToObj(i -> i * 480 + " 60 64 240").toList());
    assertThat(Cleanup.QUIETEST.outcome(area(song(even), Reach.TRACK), 10).isNothing()).isTrue();
    String two = even.replaceFirst("60 64", "60 9").replaceFirst(" 60 64 240,960", " 60 9 240,960");
    assertThat(marked(Cleanup.QUIETEST.outcome(area(song(two), Reach.TRACK), 4)))
        .as("one in 25 of 40 is one; two are equally soft")
        .isEqualTo("0 480");
  }

  @Test
  void whole_silent_bars_of_the_song_go_with_the_tempos_meters_and_controllers_in_them() {
    Song song = song("9700 60 80 480");
    song = song.withTempos(song.tempos().with(3840, Tempo.ofBpm(90)).with(9600, Tempo.ofBpm(60)));
    song = song.withMeters(song.meters().with(7680, new Meter(3, 4)));
    Track track = song.tracks().getFirst();
    song =
        ControlEdits.replace(
            song,
            track.id(),
            Controller.EXPRESSION,
            new TickRange(9600, 9800),
            List.of(new NewControl(9720, Controller.EXPRESSION.at(50))));
    Song after = Cleanup.SILENCE.outcome(area(song, Reach.SONG), 0).edit("Trim").apply(song);
    assertThat(text(after)).as("two bars of four beats").isEqualTo("2020 60 80 480");
    assertThat(after.tempos().changes())
        .extracting(c -> c.tick() + " " + Math.round(c.tempo().bpm()))
        .containsExactly("0 90", "1920 60");
    assertThat(after.meters().meterAt(0)).isEqualTo(new Meter(3, 4));
    assertThat(after.tracks().getFirst().controls())
        .extracting(c -> c.tick() + " " + c.control().value())
        .contains("2040 50");
  }

  @Test
  void silence_before_looping_clips_and_takes_goes_and_none_of_them_is_cut() {
    Song song = song("7680 60 80 480");
    TrackId track = song.tracks().getFirst().id();
    ClipId clip = song.tracks().getFirst().clips().getFirst().id();
    Song loop = ClipShapes.loop(song, clip, 3840, 15_360);
    Song after = Cleanup.SILENCE.outcome(area(loop, Reach.TRACK), 0).edit("Trim").apply(loop);
    Clip moved = after.tracks().getFirst().clips().getFirst();
    assertThat(moved.start()).isZero();
    assertThat(moved.loops()).isTrue();
    assertThat(moved.length()).isEqualTo(15_360);
    Song early =
        song.withTrack(
            track,
            t ->
                t.withClip(
                    clip,
                    c ->
                        c.over(new TickRange(0, 11_520))
                            .hearing(
                                c.over(new TickRange(0, 11_520)).content(),
                                new Takes(
                                    2,
                                    List.of(
                                        new Take(
                                            1,
                                            Content.of(
                                                List.of(
                                                    Note.placed(new NoteId(90), 50, 80, 3900, 9)),
                                                List.of())))))));
    Song trimmed = Cleanup.SILENCE.outcome(area(early, Reach.TRACK), 0).edit("Trim").apply(early);
    Clip kept = trimmed.tracks().getFirst().clips().getFirst();
    assertThat(kept.takes().others().getFirst().content().notes())
        .as("the other take begins a bar earlier")
        .extracting(Note::onset)
        .containsExactly(60L);
    assertThat(text(trimmed)).isEqualTo("3840 60 80 480");
    assertThat(kept.end()).isEqualTo(11_520 - 3840);
  }

  @Test
  void controllers_are_thinned_and_switches_keep_each_of_their_turns() {
    Song song = song("0 60 80 3840");
    Track track = song.tracks().getFirst();
    TickRange bar = new TickRange(0, 3840);
    song =
        ControlEdits.replace(
            song,
            track.id(),
            Controller.EXPRESSION,
            bar,
            IntStream.range(0, 10)
                .mapToObj(i -> new NewControl(i * 100L, Controller.EXPRESSION.at(60 + i)))
                .toList());
    song =
        ControlEdits.replace(
            song,
            track.id(),
            Controller.SUSTAIN,
            bar,
            List.of(
                new NewControl(0, Controller.SUSTAIN.at(64)),
                new NewControl(100, Controller.SUSTAIN.at(63))));
    Outcome outcome = Cleanup.THIN.outcome(area(song, Reach.TRACK), 2);
    Song after = outcome.edit("Thin").apply(song);
    assertThat(values(after, Controller.EXPRESSION))
        .as("each no more than 2 off what is in force; the last stays")
        .containsExactly(60, 63, 66, 69, 127);
    assertThat(values(after, Controller.SUSTAIN)).containsExactly(64, 63);
    assertThat(outcome.inWords()).isEqualTo("6 controller events gone");
  }

  private static List<Integer> values(Song song, Controller of) {
    return ControlEdits.points(song.tracks().getFirst(), of, new TickRange(0, 3840)).stream()
        .map(p -> p.control().value())
        .toList();
  }

  @Test
  void drums_have_no_scale_and_no_octaves() {
    Song song = song("0 37 80 480");
    Song kit =
        song.withTrack(
            song.tracks().getFirst().id(),
            t -> t.withInstrument(Instrument.kit(0), Track.DRUM_CHANNEL));
    for (Cleanup each : List.of(Cleanup.MOVE_OUTSIDE, Cleanup.MARK_OUTSIDE, Cleanup.OCTAVES)) {
      Outcome outcome = each.outcome(area(kit, Reach.SONG), each.standard());
      assertThat(outcome.isNothing()).as("%s", each).isTrue();
    }
  }

  @Test
  void only_what_was_selected_is_touched() {
    Song song = song("0 60 80 100, 480 62 80 100");
    Track track = song.tracks().getFirst();
    Area one =
        Area.of(
            song,
            Reach.SELECTION,
            track,
            Optional.empty(),
            Selection.of(track.notes().subList(0, 1)),
            area(song, Reach.TRACK).lines(),
            new Key(0, Scale.MAJOR));
    Song after = Cleanup.VELOCITY.outcome(one, 20).edit("Velocity").apply(song);
    assertThat(text(after)).isEqualTo("0 60 20 100, 480 62 80 100");
  }

  @ParameterizedTest
  @EnumSource(Cleanup.class)
  void without_notes_there_is_nothing_to_do_and_beyond_its_bounds_no_number_is_taken(
      Cleanup cleanup) {
    Song empty = Song.empty();
    Area area =
        Area.of(
            empty,
            Reach.SONG,
            empty.tracks().getFirst(),
            Optional.empty(),
            Selection.NONE,
            new GridLines(Grid.of(NoteValue.straight(8)), empty.meters()),
            new Key(0, Scale.MAJOR));
    assertThat(cleanup.outcome(area, cleanup.standard()).isNothing()).isTrue();
    if (cleanup.hasAmount()) {
      assertThatIllegalArgumentException()
          .isThrownBy(() -> cleanup.outcome(area, cleanup.most() + 1))
          .withMessageContaining(String.valueOf(cleanup.most()));
    }
  }

  private static Area within(Song song, Reach reach, int fromNote) {
    Track track = song.tracks().getFirst();
    return Area.of(
        song,
        reach,
        track,
        Optional.of(track.clips().getLast()),
        Selection.of(track.notes().subList(fromNote, track.notes().size())),
        area(song, Reach.TRACK).lines(),
        new Key(0, Scale.MAJOR));
  }

  /** A clip from the second bar whose one note is in its third, with the pedal and the volume. */
  private static Song late() {
    Song song = song("0 60 80 480, 9700 62 80 480");
    Track track = song.tracks().getFirst();
    List<NewControl> put =
        List.of(
            new NewControl(9690, Controller.SUSTAIN.at(100)),
            new NewControl(9690, Controller.numbered(7).at(50)),
            new NewControl(9800, Controller.SUSTAIN.at(0)));
    return SongEdits.addControls(song, track.id(), put);
  }

  @Test
  void silence_before_selected_notes_goes_with_the_pedal_that_was_held_for_them_and_no_more() {
    Song song = late();
    Outcome outcome = Cleanup.SILENCE.outcome(within(song, Reach.SELECTION, 1), 0);
    assertThat(outcome.inWords()).isEqualTo("1 note changed, 1 controller event moved");
    assertThat(outcome.controlCount()).isEqualTo(1);
    assertThat(outcome.noteCount()).isEqualTo(1);
    Song after = outcome.edit("Trim").apply(song);
    assertThat(text(after)).isEqualTo("0 60 80 480, 2020 62 80 480");
    assertThat(controls(after, Controller.numbered(7))).containsExactly("9690 50");
    assertThat(controls(after, Controller.SUSTAIN)).contains("2120 0");
  }

  @Test
  void silence_at_the_start_of_a_clip_goes_with_all_that_is_in_it_and_the_clip_stays() {
    Song whole = song("9700 62 80 480");
    Track track = whole.tracks().getFirst();
    Song song =
        SongEdits.addControls(
            whole.withTrack(
                track.id(),
                t ->
                    t.withClip(
                        t.clips().getFirst().id(), c -> c.over(new TickRange(3000, 15_360)))),
            track.id(),
            List.of(
                new NewControl(3100, Controller.numbered(7).at(50)),
                new NewControl(9690, Controller.SUSTAIN.at(100))));
    TickRange before = song.tracks().getFirst().clips().getLast().range();
    Outcome outcome = Cleanup.SILENCE.outcome(within(song, Reach.CLIP, 0), 0);
    Song after = outcome.edit("Trim").apply(song);
    assertThat(text(after)).as("bar 2 is the clip's first whole one").isEqualTo("5860 62 80 480");
    assertThat(controls(after, Controller.numbered(7))).containsExactly("3000 50");
    assertThat(controls(after, Controller.SUSTAIN)).containsExactly("5850 100");
    assertThat(after.tracks().getFirst().clips().getLast().range()).isEqualTo(before);
  }

  private static List<String> controls(Song song, Controller of) {
    return ControlEdits.points(song.tracks().getFirst(), of, new TickRange(0, 20_000)).stream()
        .map(p -> p.tick() + " " + p.control().value())
        .toList();
  }

  @Test
  void what_a_chore_would_touch_is_counted_on_each_track() {
    Song song = song("0 60 80 480, 480 66 20 480");
    Outcome outcome = Cleanup.MARK_OUTSIDE.outcome(area(song, Reach.TRACK), 0);
    assertThat(outcome.on(song.tracks().getFirst())).extracting(Note::onset).containsExactly(480L);
    assertThat(outcome.onlyMarks()).isTrue();
    assertThat(outcome.isNothing()).isFalse();
    Outcome octaves = Cleanup.OCTAVES.outcome(area(song, Reach.TRACK), 3);
    assertThat(octaves.addedCount()).isEqualTo(2);
    assertThat(octaves.noteCount()).isEqualTo(2);
    assertThat(octaves.on(song.tracks().getFirst()))
        .extracting(Note::pitch)
        .containsExactly(48, 54);
    Song other = SongEdits.addTrack(song, Instrument.melodic(0));
    assertThat(octaves.on(other.tracks().getLast())).isEmpty();
  }
}
