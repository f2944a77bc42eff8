package flailbeat.core.edit.shapes;

import flailbeat.core.edit.NoteIds;
import flailbeat.core.edit.notes.NotesEdit;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.Velocity;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.TickRange;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.LongPredicate;
import java.util.function.UnaryOperator;

/**
 * Velocities drawn along a curve: notes that begin within it become as loud as it is there.
 *
 * @param ids the notes that it may reach; those that begin elsewhere stay as they are
 */
public record VelocityDrawn(Set<NoteId> ids, Curve curve) implements NotesEdit {
  @Override
  public UnaryOperator<Note> change(Song song) {
    boolean anyLinks = song.tracks().stream().anyMatch(t -> !t.links().isEmpty());
    return anyLinks ? whereDrawn(song) : n -> n.withVelocity(velocityOf(n));
  }

  /** It may be drawn over any of the clips that share a note. */
  private UnaryOperator<Note> whereDrawn(Song song) {
    Map<NoteId, Integer> wanted = new HashMap<>();
    TickRange range = new TickRange(Math.max(0, curve.start()), curve.end() + 1);
    for (Track track : song.tracks()) {
      for (Note note : track.tangible(range)) {
        if (curve.contains(note.onset())) {
          wanted.put(note.id(), velocityOf(note));
        }
      }
    }
    return n -> n.withVelocity(wanted.getOrDefault(n.id(), n.velocity()));
  }

  /** How loud a note that it may reach becomes. */
  public int velocityOf(Note note) {
    return curve.contains(note.onset())
        ? Velocity.within(curve.valueAt(note.onset()))
        : note.velocity();
  }

  /** How many notes of a track it meets. O(log n) for n notes where it may reach them all. */
  public int met(Track track) {
    TickRange range = new TickRange(Math.max(0, curve.start()), curve.end() + 1);
    if (ids.size() == track.noteCount()) {
      return (int) track.mostNotesIn(range);
    }
    LongPredicate among = NoteIds.test(ids);
    return (int)
        track.notesBeginningIn(range).stream().filter(n -> among.test(n.idNumber())).count();
  }

  @Override
  public boolean isNothing() {
    return ids.isEmpty();
  }

  @Override
  public String label() {
    return "Draw velocities";
  }
}
