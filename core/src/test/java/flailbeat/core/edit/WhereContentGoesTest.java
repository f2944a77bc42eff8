package flailbeat.core.edit;

import static flailbeat.core.TestSongs.BAR;
import static flailbeat.core.TestSongs.TRACK;
import static flailbeat.core.TestSongs.clip;
import static flailbeat.core.TestSongs.clips;
import static flailbeat.core.TestSongs.controls;
import static flailbeat.core.TestSongs.heard;
import static flailbeat.core.TestSongs.ids;
import static flailbeat.core.TestSongs.note;
import static flailbeat.core.TestSongs.point;
import static flailbeat.core.TestSongs.reopened;
import static flailbeat.core.TestSongs.song;
import static flailbeat.core.TestSongs.track;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.edit.notes.NoteCopies;
import flailbeat.core.edit.notes.NoteMove;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.edit.shapes.ControlThinning;
import flailbeat.core.edit.shapes.Louder;
import flailbeat.core.edit.shapes.PedalBars;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A clip keeps its length, what it hides stays hidden, and a loop stays the loop that it is, unless
 * the person meant otherwise.
 */
class WhereContentGoesTest {
  private static final Controller SWELL = Controller.EXPRESSION;

  /**
   * Two bars shortened to one: a note that rings over the end, and one that is hidden behind it.
   */
  private static Song shortened() {
    return ClipShapes.resize(
        song(clip(2, 0, 2 * BAR, note(10, 60, 2880, 1920), note(11, 71, BAR + 960, 480))),
        new ClipId(2),
        BAR);
  }

  private record Op(String name, UnaryOperator<Song> does) {
    @Override
    public String toString() {
      return name;
    }
  }

  private static NewNote entered(int pitch, long onset) {
    return new NewNote(pitch, 90, new Played(onset, onset + 1000), onset);
  }

  static Stream<Op> whatPeopleDo() {
    Set<NoteId> note = Set.of(new NoteId(10));
    return Stream.of(
        new Op("louder", s -> Louder.by(note, 5).apply(s)),
        new Op("up two semitones", s -> NoteEdits.move(s, note, 0, 2)),
        new Op("later, within it", s -> NoteEdits.move(s, note, 400, 0)),
        new Op("later, out of it", s -> NoteEdits.move(s, note, 960, 0)),
        new Op("longer", s -> NoteTools.setLength(s, note, 5000)),
        new Op("split", s -> NoteTools.splitInto(s, note, 3)),
        new Op("copied behind", s -> NoteCopies.behind(s, note, 1).apply(s)),
        new Op(
            "drawn within",
            s -> EnteredNotes.enter(s, TRACK, List.of(entered(72, 3000)), List.of())),
        new Op(
            "drawn beyond",
            s -> EnteredNotes.enter(s, TRACK, List.of(entered(72, 4000)), List.of())),
        new Op(
            "overdubbed",
            s ->
                NoteEdits.add(
                    s,
                    TRACK,
                    List.of(entered(72, 3000), entered(74, 5000)),
                    new TickRange(0, 6000))),
        new Op(
            "pedal beyond",
            s ->
                PedalBars.drawn(TRACK, Controller.SUSTAIN, new TickRange(BAR + 100, BAR + 900))
                    .apply(s)),
        new Op("quantized", s -> quantized(s)));
  }

  private static Song quantized(Song song) {
    return Quantizer.of(
            QuantizeSettings.standard().withGrid(Grid.of(NoteValue.straight(2))),
            song.tempos(),
            song.meters())
        .plan(track(song).notes(), List.of())
        .applyTo(song);
  }

  @ParameterizedTest
  @MethodSource("whatPeopleDo")
  void a_clip_that_was_shortened_keeps_its_length_and_what_it_hides_stays_silent(Op op) {
    Song after = op.does().apply(shortened());
    assertThat(track(after).clips().getFirst().range()).isEqualTo(new TickRange(0, BAR));
    assertThat(heard(after)).doesNotContain("71@");
    assertThat(track(after).clips().getFirst().content().notes().find(11))
        .as("and is kept")
        .isPresent();
  }

  @Test
  void
      a_clip_that_hides_nothing_grows_by_bars_for_what_is_entered_right_behind_it_and_no_farther() {
    Song song = song(clip(2, 0, BAR, note(10, 60, 0, 480)));
    Song next = EnteredNotes.enter(song, TRACK, List.of(entered(72, BAR + 100)), List.of());
    assertThat(clips(next)).isEqualTo("0-7680");
    Song far = EnteredNotes.enter(song, TRACK, List.of(entered(72, 5 * BAR)), List.of());
    assertThat(clips(far)).isEqualTo("0-3840 19200-23040");
  }

  @Test
  void a_recording_over_two_clips_and_the_bars_between_leaves_both_where_they_are() {
    Song song =
        song(clip(2, 0, BAR, note(10, 60, 0, 480)), clip(3, 4 * BAR, BAR, note(11, 62, 0, 480)));
    Song more =
        NoteEdits.add(
            song,
            TRACK,
            List.of(entered(72, 100), entered(74, 2 * BAR), entered(76, 4 * BAR + 100)),
            new TickRange(0, 5 * BAR));
    assertThat(clips(more))
        .as("the first goes on, up to the last note between")
        .isEqualTo("0-11520 15360-19200");
    assertThat(heard(more))
        .isEqualTo("60@0+480 72@100+1000 74@7680+1000 62@15360+480 76@15460+1000");
  }

  @Test
  void a_controller_that_is_drawn_up_to_a_clips_end_adds_no_bar() {
    Song song = song(clip(2, 0, BAR, note(10, 60, 0, 480)));
    Song drawn =
        ControlEdits.replace(
            song, TRACK, SWELL, new TickRange(0, BAR), List.of(new NewControl(0, SWELL.at(20))));
    assertThat(clips(drawn)).isEqualTo("0-3840");
    assertThat(controls(drawn))
        .as("on its last tick all is as it was")
        .isEqualTo("11=20@0 11=127@3839");
    Song pedal = PedalBars.drawn(TRACK, Controller.SUSTAIN, new TickRange(480, BAR)).apply(song);
    assertThat(clips(pedal)).isEqualTo("0-3840");
    assertThat(controls(pedal)).isEqualTo("64=127@480 64=0@3839");
  }

  @Test
  void a_pedal_just_before_the_second_clip_leaves_the_first_as_long_as_it_is() {
    Song song =
        song(clip(2, 0, BAR, note(10, 60, 0, 480)), clip(3, 40 * BAR, BAR, note(11, 62, 0, 480)));
    Song pedal =
        PedalBars.drawn(TRACK, Controller.SUSTAIN, new TickRange(40 * BAR - 480, 40 * BAR))
            .apply(song);
    assertThat(clips(pedal)).isEqualTo("0-3840 149760-153600 153600-157440");
    assertThat(controls(pedal)).isEqualTo("64=127@153120 64=0@153599");
  }

  @Test
  void pedals_of_a_loop_that_is_quantized_can_be_saved_and_reopened() throws Exception {
    Song song =
        song(
            clip(
                2,
                0,
                4 * BAR,
                BAR,
                List.of(note(10, 60, 20, 200), note(11, 64, 990, 400)),
                List.of(point(20, 25, 64, 127), point(21, 900, 64, 0))),
            clip(3, 8 * BAR, BAR, note(12, 60, 30, 300)));
    Song after =
        Quantizer.of(QuantizeSettings.standard(), song.tempos(), song.meters())
            .plan(track(song).notes(), List.of())
            .applyTo(song, TRACK);
    assertThat(reopened(after)).isEqualTo(after);
    assertThat(track(after).controls()).extracting(ControlPoint::tick).containsExactly(5L, 870L);
    assertThat(track(after).placed().soundingControls()).hasSize(8);
  }

  @Test
  void a_pedal_that_is_moved_along_to_the_seam_of_a_loop_stays_in_its_round() {
    Song song =
        song(
            clip(
                2,
                0,
                2 * BAR,
                BAR,
                List.of(note(10, 60, 0, 200)),
                List.of(point(20, 100, 64, 127), point(21, 3800, 64, 0))));
    Song after = ClipEdits.put(song, List.of(), List.of(point(21, 3900, 64, 0)));
    assertThat(controls(after)).isEqualTo("64=127@100 64=0@3839 64=127@3940 64=0@7679");
  }

  @Test
  void what_is_repeated_filled_or_split_over_the_rounds_of_a_loop_never_stands_on_itself() {
    Song loop =
        song(
            clip(
                2,
                0,
                4 * BAR,
                BAR,
                List.of(note(10, 60, 0, 960), note(11, 62, 1920, 960)),
                List.of()));
    String before = heard(loop);
    Song repeated = NoteCopies.behind(loop, ids(loop), 3).apply(loop);
    assertThat(heard(repeated).split(" ")).doesNotHaveDuplicates();
    assertThat(NoteCopies.added(loop, repeated))
        .as("rounds written out are not new")
        .hasSizeLessThan(7);
    List<NewNote> fill = List.of(entered(72, BAR), entered(72, 2 * BAR), entered(72, 3 * BAR));
    Song filled = EnteredNotes.enter(loop, TRACK, fill, List.of(new TickRange(BAR, 4 * BAR)));
    assertThat(heard(filled))
        .isEqualTo("60@0+960 62@1920+960 72@3840+1000 72@7680+1000 72@11520+1000");
    Song rings = song(clip(2, 0, 2 * BAR, BAR, List.of(note(10, 60, 2880, 1920)), List.of()));
    assertThat(heard(NoteTools.splitInto(rings, Set.of(new NoteId(10)), 2)))
        .as("only what sounds is cut")
        .isEqualTo("60@2880+480 60@3360+480 60@6720+480 60@7200+480");
    assertThat(heard(loop)).isEqualTo(before);
  }

  @Test
  void thinning_leaves_what_each_round_of_a_loop_begins_with() {
    Song song =
        song(
            clip(2, 0, BAR, Clip.NEVER, List.of(), List.of(point(20, 0, 11, 64))),
            clip(
                3,
                BAR,
                2 * BAR,
                BAR,
                List.of(),
                List.of(point(21, 0, 11, 64), point(22, 480, 11, 100), point(23, 960, 11, 100))));
    Song thinned = ControlThinning.thin(song, TRACK, SWELL, TickRange.EVER, 0);
    assertThat(controls(thinned))
        .isEqualTo("11=64@0 11=64@3840 11=100@4320 11=64@7680 11=100@8160");
  }

  @Test
  void what_stays_as_a_move_is_done_is_seen_to_stay_while_it_is_held() {
    Song song = song(clip(2, 0, BAR, note(10, 60, 0, 480), note(11, 64, 0, 480)));
    NoteMove move = new NoteMove(Set.of(new NoteId(10)), 0, 4);
    Note held = track(song).note(new NoteId(10)).orElseThrow();
    assertThat(move.change(song).apply(held)).isEqualTo(held);
    assertThat(move.apply(song)).isSameAs(song);
  }
}
