package flailbeat.core.edit;

import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Set;
import java.util.function.LongPredicate;
import java.util.function.UnaryOperator;

/** Velocities drawn along a curve: notes that begin within it become as loud as it is there. */
public record VelocityDrawn(Set<NoteId> ids, Curve curve) implements NotesEdit {
  /**
   * Along a curve over a track.
   *
   * @param reached the notes that it may reach
   */
  public static VelocityDrawn over(Track track, Set<NoteId> reached, Curve curve) {
    LongPredicate among = NoteIds.test(reached);
    List<Note> met =
        track.notesBeginningIn(new TickRange(Math.max(0, curve.start()), curve.end() + 1)).stream()
            .filter(n -> among.test(n.idNumber()))
            .toList();
    return new VelocityDrawn(NoteIds.ofNotes(met), curve);
  }

  @Override
  public UnaryOperator<Note> change(Song song) {
    return n -> n.withVelocity(Math.clamp(Math.round(curve.valueAt(n.onset())), 1, 127));
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
