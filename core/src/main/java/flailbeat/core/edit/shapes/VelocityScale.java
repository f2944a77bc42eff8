package flailbeat.core.edit.shapes;

import flailbeat.core.edit.notes.NotesEdit;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * Makes notes louder or softer in proportion: what differs in loudness goes on to differ.
 *
 * @param percent 100 leaves them as they are; each note stays within 1 to 127
 */
public record VelocityScale(Set<NoteId> ids, int percent) implements NotesEdit {
  @Override
  public UnaryOperator<Note> change(Song song) {
    return n -> n.withVelocity(Math.clamp(Math.round(n.velocity() * percent / 100.0), 1, 127));
  }

  @Override
  public boolean isNothing() {
    return percent == 100;
  }

  @Override
  public String label() {
    String notes = ids.size() == 1 ? "note" : ids.size() + " notes";
    return (percent > 100 ? "Louder " : "Softer ") + notes;
  }
}
