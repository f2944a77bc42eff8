package flailbeat.app.shell.commands;

import static flailbeat.app.command.Command.of;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Group;
import flailbeat.audio.sound.Sound;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.map.ClipActions;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;

/** What can be done to notes, takes and tracks. */
public final class EditCommands {
  private final Session session;
  private final Meant meant;

  public EditCommands(Session session) {
    this.session = session;
    this.meant = new Meant(session);
  }

  public List<Command> list() {
    return List.of(
        of(Group.EDIT, "undo", "Undo", "Ctrl+Z", session.editing()::undo)
            .repeating()
            .when(() -> session.document().undoLabel().isPresent()),
        of(Group.EDIT, "redo", "Redo", "Ctrl+Shift+Z", session.editing()::redo)
            .repeating()
            .when(() -> session.document().redoLabel().isPresent()),
        of(
                Group.EDIT,
                "select-all",
                "Select all notes of the track, or all clips",
                "Ctrl+A",
                meant.either(c -> c.choice().selectAll(), this::selectAll))
            .when(meant.any(this::hasNotes)),
        of(
                Group.EDIT,
                "select-pitches",
                "Select every note of these pitches",
                "Alt+A",
                session.quantizing()::selectSamePitches)
            .when(this::hasNotes),
        of(
                Group.EDIT,
                "delete",
                "Delete the selected notes or clips",
                "Delete",
                meant.either(c -> c.delete(false), this::delete))
            .when(
                meant.any(
                    () -> hasSelection() || !session.document().selection().controls().isEmpty())),
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
            .plain("Shift+Down"),
        of(
            Group.EDIT,
            "take-previous",
            "Hear the take before",
            "Ctrl+Page Up",
            () -> session.editing().stepTake(-1)),
        of(
            Group.EDIT,
            "take-next",
            "Hear the take after",
            "Ctrl+Page Down",
            () -> session.editing().stepTake(1)),
        of(Group.EDIT, "track-add", "Add a track", "Ctrl+Shift+A", this::addTrack),
        of(Group.EDIT, "track-remove", "Remove the track", "", session.editing()::removeTrack)
            .when(() -> session.song().tracks().size() > 1),
        of(Group.EDIT, "track-previous", "Go to the track before", "Page Up", () -> step(-1)),
        of(Group.EDIT, "track-next", "Go to the track after", "Page Down", () -> step(1)),
        of(Group.EDIT, "sound-previous", "The sound before", "Alt+Up", () -> stepSound(-1))
            .repeating(),
        of(Group.EDIT, "sound-next", "The sound after", "Alt+Down", () -> stepSound(1)).repeating(),
        of(Group.EDIT, "mute", "Mute the track", "", this::mute).plain("M").onCap("mute"),
        of(Group.EDIT, "solo", "Hear this track alone", "", this::solo).plain("S").onCap("solo"));
  }

  private Command moving(
      String id, String title, String keys, int steps, int semitones, Consumer<ClipActions> clips) {
    return of(
            Group.EDIT,
            id,
            title,
            keys,
            meant.either(clips, () -> session.notes().move(steps, semitones)))
        .repeating()
        .when(meant.any(this::hasSelection));
  }

  private boolean hasNotes() {
    return session.document().track().noteCount() > 0;
  }

  private boolean hasSelection() {
    return !session.document().scope().selected().notes().isEmpty();
  }

  private void selectAll() {
    session.document().select(NoteRule.ALL);
  }

  private void addTrack() {
    session.editing().addTrack(Sound.ACOUSTIC_PIANO.instrument());
  }

  private void stepSound(int by) {
    Track track = session.document().track();
    Sound[] sounds = Sound.values();
    int now = Sound.playing(track.instrument()).ordinal();
    Sound next = sounds[Math.floorMod(now + by, sounds.length)];
    session
        .editing()
        .edit(
            "Sound " + next.title(),
            s -> SongEdits.setInstrument(s, track.id(), next.instrument()));
    session.notices().tell(new Notice(track.name() + " plays " + next.title(), false));
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

  private void mute() {
    Track track = session.document().track();
    session
        .editing()
        .edit("Mute " + track.name(), s -> s.withTrack(track.id(), t -> t.withMuted(!t.muted())));
  }

  private void solo() {
    Track track = session.document().track();
    session
        .editing()
        .edit("Solo " + track.name(), s -> s.withTrack(track.id(), t -> t.withSolo(!t.solo())));
  }

  private void step(int by) {
    List<Track> tracks = session.song().tracks();
    int now = tracks.indexOf(session.document().track());
    session.document().chooseTrack(tracks.get(Math.clamp(now + by, 0, tracks.size() - 1)).id());
  }
}
