package flailbeat.core.edit;

import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.time.GridLines;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * A move of notes by hand: what is shown of it while it goes on, and what it does in the end.
 *
 * @param ticks how far in time; shortened for all alike where the song or the piano ends
 */
public record NoteMove(Set<NoteId> ids, long ticks, int semitones) implements NotesEdit {
  /** Moves by so many steps of a size, from the first of the notes on, and by semitones. */
  public static NoteMove by(
      Song song, Set<NoteId> ids, GridLines lines, MoveStep step, int steps, int semitones) {
    List<Note> notes = NoteEdits.find(song, ids);
    long ticks =
        notes.isEmpty() ? 0 : step.ticks(notes.getFirst().onset(), steps, lines, song.tempos());
    return new NoteMove(ids, ticks, semitones);
  }

  /** The room that the notes of these ids have. */
  public static Room room(Song song, Set<NoteId> ids) {
    return Room.of(NoteEdits.find(song, ids));
  }

  /** The same move, no farther than there is room. */
  public NoteMove within(Room room) {
    return new NoteMove(ids, room.ticks(ticks), room.semitones(semitones));
  }

  @Override
  public UnaryOperator<Note> change(Song song) {
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
