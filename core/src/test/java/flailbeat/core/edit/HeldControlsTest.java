package flailbeat.core.edit;

import static flailbeat.core.TestSongs.BAR;
import static flailbeat.core.TestSongs.TRACK;
import static flailbeat.core.TestSongs.clip;
import static flailbeat.core.TestSongs.clips;
import static flailbeat.core.TestSongs.controls;
import static flailbeat.core.TestSongs.note;
import static flailbeat.core.TestSongs.point;
import static flailbeat.core.TestSongs.song;
import static flailbeat.core.TestSongs.track;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.edit.shapes.PedalBars;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.time.TickRange;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is cut, cleared or replaced leaves no pedal down and no sound changed elsewhere. */
class HeldControlsTest {
  private static final ControlPoint STRINGS =
      new ControlPoint(new ControlId(19), 0, new Control(Control.Kind.PROGRAM, 0, 48));

  /** Eight bars: strings at volume 90, the pedal down in the first bar and up in the third. */
  private static Song part() {
    return song(
        clip(
            2,
            0,
            8 * BAR,
            Clip.NEVER,
            List.of(note(10, 60, 0, 960), note(11, 60, 5 * BAR, 960)),
            List.of(
                STRINGS,
                point(20, 0, 7, 90),
                point(21, 100, 64, 127),
                point(22, 2 * BAR + 1000, 64, 0))));
  }

  private static NewNote played(long onset) {
    return new NewNote(72, 90, new Played(onset, onset + 900), onset);
  }

  @Test
  void a_pedal_whose_way_up_a_shortened_clip_hides_goes_up_where_the_clip_ends() {
    Song two = ClipShapes.resize(part(), new ClipId(2), 2 * BAR);
    assertThat(controls(two)).isEqualTo("0=48@0 7=90@0 64=127@100 64=0@7679");
    assertThat(ControlEdits.valueBefore(track(two), Controller.SUSTAIN, 3 * BAR)).hasValue(0);
    assertThat(PedalBars.of(track(two), Controller.SUSTAIN, new TickRange(0, 9 * BAR)))
        .containsExactly(new TickRange(100, 7679));
    assertThat(ClipShapes.resize(two, new ClipId(2), 8 * BAR)).as("and back").isEqualTo(part());
  }

  @Test
  void a_pedal_whose_way_up_lies_beyond_the_round_of_a_loop_goes_up_at_the_end_of_each_round() {
    Song loop = ClipShapes.loop(part(), new ClipId(2), BAR, 2 * BAR);
    assertThat(controls(loop))
        .isEqualTo("0=48@0 7=90@0 64=127@100 64=0@3839 0=48@3840 7=90@3840 64=127@3940 64=0@7679");
  }

  @Test
  void a_pedal_that_nothing_lets_go_holds_on_as_it_was_played() {
    Song song = song(clip(2, 0, BAR, Clip.NEVER, List.of(), List.of(point(20, 100, 64, 127))));
    assertThat(controls(song)).isEqualTo("64=127@100");
  }

  @Test
  void replacing_from_the_start_keeps_the_sound_and_the_volume_of_the_part() {
    Song wiped = SongEdits.clearControls(part(), TRACK, new TickRange(0, 4 * BAR));
    assertThat(controls(wiped)).isEqualTo("0=48@0 7=90@0");
  }

  @Test
  void replacing_what_let_a_pedal_go_lets_it_go_where_that_begins() {
    Song wiped = SongEdits.clearControls(part(), TRACK, new TickRange(BAR, 4 * BAR));
    assertThat(controls(wiped)).isEqualTo("0=48@0 7=90@0 64=127@100 64=0@3840");
  }

  @Test
  void replacing_what_put_a_pedal_down_leaves_it_down_behind_as_it_was() {
    Song wiped = SongEdits.clearControls(part(), TRACK, new TickRange(0, BAR));
    assertThat(controls(wiped)).isEqualTo("0=48@0 7=90@0 64=127@3840 64=0@8680");
  }

  @Test
  void a_take_keeps_the_sound_of_the_part_and_no_pedal_sticks_before_it_or_behind() {
    TickRange range = new TickRange(0, 2 * BAR);
    Song first = TakeEdits.record(part(), TRACK, List.of(played(0)), List.of(), range);
    assertThat(controls(first)).isEqualTo("0=48@0 7=90@0 64=127@7679 64=0@8680");
    TickRange middle = new TickRange(BAR, 4 * BAR);
    Song second = TakeEdits.record(part(), TRACK, List.of(played(BAR)), List.of(), middle);
    assertThat(controls(second)).isEqualTo("0=48@0 7=90@0 64=127@100 64=0@3840");
    ClipId id = track(second).clips().get(1).id();
    assertThat(controls(TakeEdits.choose(second, TRACK, id, 1)))
        .as("the take before has its own")
        .isEqualTo("0=48@0 7=90@0 64=127@100 64=0@8680");
  }

  @Test
  void copying_a_stretch_in_which_a_controller_was_never_set_takes_it_to_rest() {
    Song song =
        song(clip(2, 0, 10 * BAR, Clip.NEVER, List.of(), List.of(point(20, 4 * BAR, 64, 127))));
    Song copied =
        ControlEdits.copy(song, TRACK, Controller.SUSTAIN, new TickRange(0, 2 * BAR), 5 * BAR);
    assertThat(controls(copied)).isEqualTo("64=127@15360 64=0@19200 64=127@26880");
    assertThat(clips(copied)).isEqualTo("0-38400");
  }

  @Test
  void clips_that_become_one_keep_what_let_the_pedal_go() {
    Song song =
        ClipShapes.resize(
            song(
                clip(
                    2,
                    0,
                    2 * BAR,
                    Clip.NEVER,
                    List.of(note(10, 60, 0, 480)),
                    List.of(point(20, 100, 64, 127), point(21, 4000, 64, 0))),
                clip(3, 4 * BAR, BAR, note(11, 62, 0, 480))),
            new ClipId(2),
            BAR);
    List<Clip> both = song.tracks().get(0).clips();
    Clip second = both.get(1).at(BAR - 960);
    Song joined =
        song.withTrack(
            TRACK,
            t ->
                t.withClips(ClipEdits.withoutOverlaps(List.of(both.get(0), second), new Ids(100))));
    assertThat(controls(joined)).isEqualTo("64=127@100 64=0@3839");
  }
}
