package flailbeat.core.edit.shapes;

import flailbeat.core.edit.notes.NotesEdit;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * Makes notes louder or softer together.
 *
 * @param by how much; each note stays within 1 to 127
 */
public record VelocityShift(Set<NoteId> ids, int by) implements NotesEdit {
  @Override
  public UnaryOperator<Note> change(Song song) {
    return n -> n.withVelocity(Math.clamp(n.velocity() + by, 1, 127));
  }

  @Override
  public boolean isNothing() {
    return by == 0;
  }

  @Override
  public String label() {
    String notes = ids.size() == 1 ? "note" : ids.size() + " notes";
    return (by > 0 ? "Louder " : "Softer ") + notes;
  }
}
