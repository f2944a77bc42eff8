package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.app.command.Need;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.Session;
import flailbeat.core.session.map.ClipActions;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;

/** What can be done to notes and takes. */
public final class EditCommands {
  private final Session session;
  private final Meant meant;
  private final Needs needs;

  public EditCommands(Session session) {
    this.session = session;
    this.meant = new Meant(session);
    this.needs = new Needs(session);
  }

  public List<Command> list() {
    return List.of(
        of(Group.EDIT, "undo", "Undo", "Ctrl+Z", session.editing()::undo)
            .repeating()
            .when(
                Need.of(() -> session.document().undoLabel().isPresent(), "nothing was done yet")),
        of(Group.EDIT, "redo", "Redo", "Ctrl+Shift+Z", session.editing()::redo)
            .repeating()
            .when(Need.of(() -> session.document().redoLabel().isPresent(), "nothing was undone")),
        of(
                Group.SELECT,
                "select-all",
                "Select all notes of the track, or all clips",
                "Ctrl+A",
                meant.either(c -> c.choice().selectAll(), this::selectAll))
            .when(needs.notesOrClips()),
        of(
                Group.SELECT,
                "select-pitches",
                "Select every note of these pitches",
                "Alt+A",
                session.quantizing()::selectSamePitches)
            .when(needs.notes()),
        of(
                Group.EDIT,
                "delete",
                "Delete the selected notes or clips",
                "Delete",
                meant.either(c -> c.delete(false), this::delete))
            .when(needs.selectedOfAnyKind()),
        moving(
                "move-earlier",
                "Move notes or clips a step earlier",
                "Ctrl+Left",
                -1,
                0,
                c -> c.moveSteps(-1))
            .plain("Left"),
        moving(
                "move-later",
                "Move notes or clips a step later",
                "Ctrl+Right",
                1,
                0,
                c -> c.moveSteps(1))
            .plain("Right"),
        moving(
                "move-up",
                "Notes up a semitone, clips a track",
                "Ctrl+Up",
                0,
                1,
                c -> c.move(0, -1, Landing.OVER))
            .plain("Up"),
        moving(
                "move-down",
                "Notes down a semitone, clips a track",
                "Ctrl+Down",
                0,
                -1,
                c -> c.move(0, 1, Landing.OVER))
            .plain("Down"),
        moving(
                "move-octave-up",
                "Notes up an octave, clips as heard",
                "Ctrl+Shift+Up",
                0,
                Pitch.OCTAVE,
                c -> c.traits().transpose(Pitch.OCTAVE))
            .plain("Shift+Up"),
        moving(
                "move-octave-down",
                "Notes down an octave, clips as heard",
                "Ctrl+Shift+Down",
                0,
                -Pitch.OCTAVE,
                c -> c.traits().transpose(-Pitch.OCTAVE))
            .plain("Shift+Down"));
  }

  private Command moving(
      String id, String title, String keys, int steps, int semitones, Consumer<ClipActions> clips) {
    return of(
            Group.MOVE,
            id,
            title,
            keys,
            meant.either(clips, () -> session.notes().move(steps, semitones)))
        .repeating()
        .when(needs.selected());
  }

  private void selectAll() {
    session.document().select(NoteRule.ALL);
  }

  private void delete() {
    if (session.events().deleteControls()) {
      return;
    }
    Set<NoteId> ids = session.document().scope().selected().notes();
    session
        .editing()
        .edit(
            ids.size() == 1 ? "Delete note" : "Delete " + ids.size() + " notes",
            s -> NoteEdits.delete(s, ids));
  }
}
