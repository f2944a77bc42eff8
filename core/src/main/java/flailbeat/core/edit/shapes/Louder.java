package flailbeat.core.edit.shapes;

import flailbeat.core.edit.notes.NotesEdit;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * Makes notes louder or softer: first in proportion, by which what differs in loudness goes on to
 * differ, then all alike.
 *
 * @param percent 100 leaves them as they are
 * @param by how much is added then
 */
public record Louder(Set<NoteId> ids, int percent, int by) implements NotesEdit {
  /** All alike by so much. */
  public static Louder by(Set<NoteId> ids, int by) {
    return new Louder(ids, 100, by);
  }

  /** In proportion. */
  public static Louder inProportion(Set<NoteId> ids, int percent) {
    return new Louder(ids, percent, 0);
  }

  /** How loud a note becomes. */
  public Note of(Note note) {
    return note.asLoudAs(note.velocity() * percent / 100.0 + by);
  }

  @Override
  public UnaryOperator<Note> change(Song song) {
    return this::of;
  }

  @Override
  public boolean isNothing() {
    return percent == 100 && by == 0;
  }

  @Override
  public String label() {
    String notes = ids.size() == 1 ? "note" : ids.size() + " notes";
    return (percent > 100 || percent == 100 && by > 0 ? "Louder " : "Softer ") + notes;
  }
}
