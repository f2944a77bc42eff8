package flailbeat.core.edit.notes;

import flailbeat.core.edit.Edit;
import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.TrackId;
import java.util.List;

/**
 * Notes drawn by hand: what is shown of them while the mouse is held, and what it does in the end.
 * They go into clips as {@link EnteredNotes} says.
 *
 * @param notes in order of onset
 */
public record NotesDrawn(TrackId track, List<NewNote> notes) implements Edit {
  public NotesDrawn {
    notes = List.copyOf(notes);
  }

  /** One note. */
  public static NotesDrawn of(TrackId track, int pitch, int velocity, long onset, long length) {
    Played played = Played.put(onset, onset + Math.max(1, length));
    return new NotesDrawn(track, List.of(new NewNote(pitch, velocity, played, onset)));
  }

  @Override
  public Song apply(Song song) {
    return EnteredNotes.enter(song, track, notes, List.of());
  }

  @Override
  public boolean isNothing() {
    return notes.isEmpty();
  }

  @Override
  public String label() {
    return notes.size() == 1 ? "Draw note" : "Draw " + notes.size() + " notes";
  }
}
