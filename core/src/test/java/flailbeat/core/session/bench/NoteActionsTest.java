package flailbeat.core.session.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.notes.MoveStep;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Scale;
import flailbeat.core.session.SessionRig;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Two notes, the first played 30 ticks late; lines are sixteenths. */
class NoteActionsTest extends SessionRig {
  private final NoteActions desk = session.notes();

  @BeforeEach
  void twoNotes() {
    TrackId track = session.document().track().id();
    List<NewNote> two =
        List.of(
            new NewNote(60, 70, new Played(270, 730), 240),
            new NewNote(64, 90, new Played(960, 1200)));
    session.editing().edit("Two", s -> NoteEdits.add(s, track, two, new TickRange(0, 3840)));
    session.document().select(NoteRule.ALL);
  }

  private List<String> lines() {
    return lines(notes());
  }

  private static List<String> lines(List<Note> notes) {
    return notes.stream().map(n -> n.onset() + " " + n.pitch() + " " + n.length()).toList();
  }

  @Test
  void what_is_copied_is_pasted_where_playing_starts_with_the_times_as_played() {
    desk.copy();
    runControl.seek(3840);
    desk.paste();
    assertThat(lines()).containsExactly("240 60 490", "960 64 240", "3840 60 490", "4560 64 240");
    assertThat(notes().get(2).playedOff()).isEqualTo(30);
    assertThat(session.document().selection().notes()).hasSize(2);
    session.editing().undo();
    assertThat(notes()).hasSize(2);
  }

  @Test
  void what_is_cut_is_gone_until_it_is_pasted_onto_the_chosen_track_even_of_another_song() {
    desk.cut();
    assertThat(notes()).isEmpty();
    session.tracks().add(Instrument.melodic(0));
    desk.paste();
    assertThat(lines()).containsExactly("0 60 490", "720 64 240");
    session.open(Song.empty(), Optional.empty());
    desk.paste();
    assertThat(notes()).hasSize(2);
  }

  @Test
  void at_steps_it_is_pasted_at_the_cursor() {
    desk.copy();
    session.keysSwitch().set(KeysMode.STEPS);
    session.steps().moveTo(7680);
    desk.paste();
    assertThat(notes().get(2).onset()).isEqualTo(7680);
  }

  @Test
  void with_nothing_selected_or_copied_or_no_room_it_says_so_and_nothing_changes() {
    desk.paste();
    assertThat(session.notices().current().text()).isEqualTo("Nothing was copied to paste");
    desk.copy();
    runControl.seek(Ticks.LAST - 100);
    desk.paste();
    assertThat(session.notices().current().text()).startsWith("There is no room");
    session.document().select(Selection.NONE);
    desk.cut();
    assertThat(session.notices().current().text()).isEqualTo("Nothing is selected to cut");
    desk.duplicate();
    assertThat(notes()).hasSize(2);
    session.editing().undo();
    session.open(Song.empty(), Optional.empty());
    desk.splitAtLines();
    assertThat(session.notices().current().text()).isEqualTo("There are no notes here yet");
  }

  @Test
  void a_note_that_cannot_go_where_another_of_its_pitch_begins_is_told() {
    session
        .editing()
        .edit(
            "Given",
            s ->
                NoteEdits.change(
                    s,
                    session.document().scope().ids(),
                    n -> n.pitch() == 64 ? n.moved(240 - n.onset(), 0) : n));
    session.document().select(Selection.of(List.of(notes().get(0))));
    desk.move(0, 4);
    assertThat(notes()).extracting(Note::pitch).containsExactly(60, 64);
    assertThat(session.notices().current().text()).contains("1 note stayed");
    desk.move(0, 3);
    assertThat(notes()).extracting(Note::pitch).containsExactly(63, 64);
  }

  @Test
  void what_changes_notes_works_on_the_clip_where_nothing_is_selected() {
    session.document().select(Selection.NONE);
    desk.setLength(120);
    assertThat(notes()).extracting(Note::length).containsExactly(120L, 120L);
    desk.transpose(2);
    assertThat(notes()).extracting(Note::pitch).containsExactly(62, 66);
    assertThat(session.document().selection().isEmpty()).isTrue();
  }

  @Test
  void a_copy_right_behind_keeps_the_beat() {
    desk.duplicate();
    assertThat(lines()).containsExactly("240 60 490", "960 64 240", "1200 60 490", "1920 64 240");
    desk.duplicate();
    assertThat(notes()).hasSize(6).last().extracting(Note::onset).isEqualTo(2880L);
  }

  @Test
  void copies_are_laid_behind_one_another_as_often_as_asked_or_there_is_room() {
    desk.repeat(3);
    assertThat(notes())
        .extracting(Note::onset)
        .containsExactly(240L, 960L, 1200L, 1920L, 2160L, 2880L, 3120L, 3840L);
    assertThat(session.document().selection().notes()).hasSize(6);
    session.editing().undo();
    assertThat(notes()).hasSize(2);
  }

  @Test
  void keys_move_notes_by_the_step_that_was_set() {
    desk.move(1, 0);
    assertThat(notes()).extracting(Note::onset).containsExactly(480L, 1200L);
    session.editing().undo();
    session.drawing().set(session.drawing().kept().withStep(MoveStep.TEN_MS));
    desk.move(-2, 0);
    assertThat(notes())
        .as("20 ms at 120 bpm are 38 ticks")
        .extracting(Note::onset)
        .containsExactly(202L, 922L);
    session.editing().undo();
    desk.nextMoveStep(1);
    assertThat(session.notices().current().text()).isEqualTo("Keys move notes by 5 ms");
    desk.nextMoveStep(-2);
    desk.move(7, 0);
    assertThat(notes()).as("1 tick").extracting(Note::onset).containsExactly(247L, 967L);
  }

  @Test
  void cut_once_all_are_cut_alike() {
    desk.splitAlike(360);
    assertThat(lines())
        .containsExactly(
            "240 60 120",
            "360 60 120",
            "480 60 120",
            "600 60 120",
            "720 60 10",
            "960 64 120",
            "1080 64 120");
    session.editing().undo();
    desk.splitAlike(800);
    assertThat(session.notices().current().text()).startsWith("Point at a place within");
  }

  @Test
  void new_notes_start_from_a_chosen_note_and_that_is_undone_like_any_edit() {
    desk.startLikeSelected();
    MouseDrawing drawing = session.drawing();
    assertThat(drawing.lengthAt(0, session.timing().lines())).isEqualTo(490);
    assertThat(drawing.velocity()).isEqualTo(70);
    session.editing().undo();
    assertThat(drawing.lengthAt(0, session.timing().lines())).as("the grid").isEqualTo(240);
    drawing.set(drawing.kept().withStart(MouseDrawing.Start.LAST));
    drawing.touch(notes().get(1));
    assertThat(drawing.velocity()).isEqualTo(90);
    session.performer().setVelocity(33);
    assertThat(drawing.velocity()).as("what the keys set since").isEqualTo(33);
  }

  @Test
  void into_another_key_degrees_stay_and_what_lies_between_is_told() {
    session.performer().arrange(session.performer().hands().arrangement().kind(), 0, Scale.MAJOR);
    desk.intoKey(new Key(9, Scale.NATURAL_MINOR));
    assertThat(notes()).extracting(Note::pitch).containsExactly(57, 60);
    assertThat(session.notices().current().text())
        .isEqualTo("From C Major into A Natural minor: 2 notes");
    desk.transpose(200);
    assertThat(notes())
        .as("as far as there is room")
        .extracting(Note::pitch)
        .containsExactly(124, 127);
  }

  @Test
  void lengths_follow_the_grid_and_every_command_is_one_step() {
    desk.lengthen(1);
    assertThat(lines()).containsExactly("240 60 730", "960 64 480");
    session.editing().undo();
    desk.moveDegrees(1);
    assertThat(notes()).extracting(Note::pitch).containsExactly(62, 65);
    session.editing().undo();
    runControl.seek(480);
    desk.splitAtPlace();
    assertThat(notes()).hasSize(3);
    session.editing().undo();
    assertThat(lines()).containsExactly("240 60 490", "960 64 240");
  }

  @Test
  void notes_of_several_tracks_go_in_another_song_to_tracks_like_theirs_and_onto_no_kit() {
    Song two = SongEdits.addTrack(session.song(), "Bass", Instrument.melodic(33));
    two =
        EnteredNotes.place(
            two, two.tracks().get(1).id(), List.of(Note.placed(new NoteId(1), 36, 80, 0, 900)));
    session.open(two, Optional.empty());
    session
        .document()
        .select(Selection.of(two.tracks().stream().flatMap(t -> t.notes().stream()).toList()));
    desk.copy();
    Song other = SongEdits.addTrack(Song.empty(), "Drums", new Instrument(0, true));
    session.open(other, Optional.empty());
    desk.paste();
    assertThat(session.song().tracks())
        .extracting(Track::name, Track::noteCount)
        .containsExactly(tuple("Track 1", 2), tuple("Drums", 0), tuple("Bass", 1));
  }
}
