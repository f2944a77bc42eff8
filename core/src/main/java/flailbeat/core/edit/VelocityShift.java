package flailbeat.core.edit;

import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import java.util.Set;

/**
 * Makes notes louder or softer together.
 *
 * @param by how much; each note stays within 1 to 127
 */
public record VelocityShift(Set<NoteId> ids, int by) implements Edit {
  @Override
  public Song apply(Song song) {
    return isNothing()
        ? song
        : NoteEdits.change(song, ids, n -> n.withVelocity(Math.clamp(n.velocity() + by, 1, 127)));
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
