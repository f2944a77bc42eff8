package flailbeat.core.edit.notes;

import flailbeat.core.edit.Leeway;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteIds;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.time.GridLines;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * A move of notes by hand: what is shown of it while it goes on, and what it does in the end.
 *
 * @param ticks how far in time; shortened for all alike where the song or the piano ends
 */
public record NoteMove(Set<NoteId> ids, long ticks, int semitones) implements NotesEdit {
  /** For more it would hold up the mouse; when it lets go, it is done and told all the same. */
  private static final int SHOWN_STAYING = 1000;

  /** Moves by so many steps of a size, from the first of the notes on, and by semitones. */
  public static NoteMove by(
      Song song, Set<NoteId> ids, GridLines lines, MoveStep step, int steps, int semitones) {
    List<Note> notes = NoteEdits.find(song, ids);
    long ticks =
        notes.isEmpty() ? 0 : step.ticks(notes.getFirst().onset(), steps, lines, song.tempos());
    return new NoteMove(ids, ticks, semitones);
  }

  /** The room that the notes of these ids have. */
  public static Leeway room(Song song, Set<NoteId> ids) {
    return Leeway.of(NoteEdits.find(song, ids));
  }

  /** The same move, no farther than there is room. */
  public NoteMove within(Leeway room) {
    return new NoteMove(ids, room.ticks(ticks), room.semitones(semitones));
  }

  /** What stays, since another of its pitch begins where it would go, is shown so, if it is few. */
  @Override
  public UnaryOperator<Note> change(Song song) {
    List<Note> notes = NoteEdits.find(song, ids);
    UnaryOperator<Note> mover = asked(song);
    if (notes.size() > SHOWN_STAYING) {
      return mover;
    }
    Collection<Note> free = notes.stream().map(mover).toList();
    for (Track track : song.tracks()) {
      free = NoteEdits.free(track, free);
    }
    Set<NoteId> going = NoteIds.ofNotes(free);
    return n -> going.contains(n.id()) ? mover.apply(n) : n;
  }

  @Override
  public UnaryOperator<Note> asked(Song song) {
    return NoteEdits.mover(NoteEdits.find(song, ids), ticks, semitones);
  }

  @Override
  public Song apply(Song song) {
    return NoteEdits.move(song, ids, ticks, semitones);
  }

  @Override
  public boolean isNothing() {
    return ticks == 0 && semitones == 0;
  }

  @Override
  public String label() {
    return ids.size() == 1 ? "Move note" : "Move " + ids.size() + " notes";
  }
}
