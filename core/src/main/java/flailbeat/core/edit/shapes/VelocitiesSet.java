package flailbeat.core.edit.shapes;

import flailbeat.core.edit.notes.NotesEdit;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;

/** Each of some notes given a velocity of its own, 1 to 127. */
public record VelocitiesSet(Map<NoteId, Integer> velocities) implements NotesEdit {
  public VelocitiesSet {
    velocities = Map.copyOf(velocities);
  }

  @Override
  public Set<NoteId> ids() {
    return velocities.keySet();
  }

  @Override
  public UnaryOperator<Note> change(Song song) {
    return n -> {
      Integer wanted = velocities.get(n.id());
      return wanted == null ? n : n.withVelocity(wanted);
    };
  }

  @Override
  public boolean isNothing() {
    return velocities.isEmpty();
  }

  @Override
  public String label() {
    return "Shade " + (velocities.size() == 1 ? "1 note" : velocities.size() + " notes");
  }
}
