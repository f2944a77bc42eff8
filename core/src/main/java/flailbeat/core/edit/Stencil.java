package flailbeat.core.edit;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.pitch.Pitch;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntUnaryOperator;

/**
 * A few notes that filling lays down again and again.
 *
 * @param notes in order; the first says where they are put
 * @param span after how many ticks they are laid down again, 1 or more
 */
public record Stencil(List<Note> notes, long span) {
  public Stencil {
    notes = List.copyOf(notes);
    if (notes.isEmpty() || span < 1) {
      throw new IllegalArgumentException("A stencil has a note at least, and a length");
    }
  }

  /**
   * Made of some notes.
   *
   * @param step its length is a whole number of these, in ticks
   */
  public static Stencil of(List<Note> notes, long step) {
    long length = NoteTools.range(notes).length();
    return new Stencil(notes, Math.max(1, Math.ceilDiv(length, step)) * step);
  }

  /**
   * Its notes laid down with the first at a tick and a pitch; those that would leave the piano are
   * left out.
   *
   * @param scale where each pitch goes
   */
  public List<NewNote> at(long tick, int pitch, IntUnaryOperator scale) {
    Note first = notes.getFirst();
    List<NewNote> result = new ArrayList<>();
    for (Note note : notes) {
      int moved = pitch + note.pitch() - first.pitch();
      if (Pitch.isValid(moved)) {
        long onset = tick + note.onset() - first.onset();
        Played played = new Played(onset, onset + note.length());
        result.add(new NewNote(scale.applyAsInt(moved), note.velocity(), played, onset));
      }
    }
    return result;
  }
}
