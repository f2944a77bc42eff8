package flailbeat.core.edit;

import static flailbeat.core.TestSongs.BAR;
import static flailbeat.core.TestSongs.TRACK;
import static flailbeat.core.TestSongs.clip;
import static flailbeat.core.TestSongs.heard;
import static flailbeat.core.TestSongs.ids;
import static flailbeat.core.TestSongs.note;
import static flailbeat.core.TestSongs.song;
import static flailbeat.core.TestSongs.track;
import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.chore.Area;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.ChoreAction;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.chore.Outcome;
import flailbeat.core.chore.Reach;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Scale;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.NoteValue;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Two notes of one pitch never come to begin in one place, and none is lost for it. */
class OnePitchTest {
  private static final Key C_MAJOR = new Key(0, Scale.MAJOR);

  private static Area area(Song song) {
    return Area.of(
        song,
        Reach.TRACK,
        track(song),
        Optional.empty(),
        Selection.NONE,
        new GridLines(Grid.of(NoteValue.straight(4)), song.meters()),
        C_MAJOR);
  }

  @Test
  void of_two_notes_that_would_go_to_one_line_the_first_has_it_and_the_other_stays() {
    Song song = song(clip(2, 0, BAR, note(10, 60, 880, 60), note(11, 60, 1000, 900)));
    Outcome outcome = new Chore(List.of(), ChoreAction.TO_LINE, 100).outcome(area(song), 1);
    assertThat(heard(outcome.edit("x").apply(song))).isEqualTo("60@960+60 60@1000+900");
    assertThat(outcome.inWords()).as("what is counted is what is done").isEqualTo("1 note changed");
  }

  @Test
  void a_note_that_is_moved_into_the_scale_stays_where_its_neighbour_sounds_already() {
    Song song = song(clip(2, 0, BAR, note(10, 60, 0, 900), note(11, 61, 0, 60)));
    Outcome outcome = Cleanup.MOVE_OUTSIDE.outcome(area(song), 0);
    assertThat(heard(outcome.edit("x").apply(song))).isEqualTo("60@0+900 61@0+60");
    assertThat(outcome.isNothing()).isTrue();
  }

  @Test
  void degrees_up_and_down_again_leave_two_notes_two() {
    Song song = song(clip(2, 0, BAR, note(10, 63, 0, 900), note(11, 64, 0, 900)));
    Song up = NoteTools.moveDegrees(song, ids(song), C_MAJOR, 1);
    assertThat(heard(up)).isEqualTo("64@0+900 65@0+900");
    Song down = NoteTools.moveDegrees(up, ids(up), C_MAJOR, -1);
    assertThat(track(down).notes()).extracting(Note::pitch).doesNotHaveDuplicates().hasSize(2);
  }

  @Test
  void one_that_stays_keeps_those_away_that_wanted_its_place() {
    Song song =
        song(
            clip(
                2,
                0,
                BAR,
                note(10, 60, 0, 100),
                note(11, 60, 960, 100),
                note(12, 60, 1920, 100),
                note(13, 60, 2880, 100)));
    Song moved = NoteEdits.move(song, Set.of(new NoteId(10), new NoteId(11)), 960, 0);
    assertThat(heard(moved)).as("960 is not free, so 0 stays as well").isEqualTo(heard(song));
    Song all = NoteEdits.move(song, ids(song), 480, 0);
    assertThat(heard(all)).isEqualTo("60@480+100 60@1440+100 60@2400+100 60@3360+100");
  }

  @Test
  void notes_that_began_together_in_a_file_are_not_torn_apart() {
    Song song = song(clip(2, 0, BAR, note(10, 60, 0, 100), note(11, 60, 0, 200)));
    assertThat(heard(NoteEdits.move(song, ids(song), 480, 0))).isEqualTo("60@480+100 60@480+200");
  }

  @Test
  void in_a_loop_a_place_in_a_later_round_is_that_of_the_first() {
    Song song =
        song(
            clip(
                2,
                0,
                2 * BAR,
                BAR,
                List.of(note(10, 60, 0, 100), note(11, 60, 960, 100)),
                List.of()));
    assertThat(heard(NoteEdits.move(song, Set.of(new NoteId(10)), BAR + 960, 0)))
        .isEqualTo(heard(song));
  }

  @Test
  void what_is_pasted_twice_in_one_place_is_there_once_and_what_sounds_ends_where_it_begins() {
    Song song = song(clip(2, 0, BAR, note(10, 60, 0, 2000), note(11, 60, 2400, 400)));
    List<Note> pasted = List.of(note(1, 60, 960, 3000));
    Song once = EnteredNotes.place(song, TRACK, pasted);
    assertThat(heard(once)).isEqualTo("60@0+960 60@960+1440 60@2400+400");
    assertThat(heard(EnteredNotes.place(once, TRACK, pasted))).isEqualTo(heard(once));
  }
}
