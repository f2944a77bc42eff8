package flailbeat.core.edit.notes;

import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntUnaryOperator;

/**
 * A few notes that filling lays down again and again.
 *
 * @param parts in order; the first says where they are put
 * @param span after how many ticks they are laid down again, 1 or more
 */
public record Stencil(List<Part> parts, long span) {
  /**
   * One of its notes.
   *
   * @param later after how many ticks it begins, from the first, 0 or more
   * @param higher by how many semitones it lies above the first
   * @param length in ticks, 1 or more
   */
  public record Part(long later, int higher, long length, int velocity) {
    public Part {
      if (later < 0 || later > Ticks.LAST || length < 1 || length > Ticks.LAST) {
        throw new IllegalArgumentException(
            "A stencil's note at " + later + ", " + length + " long");
      }
      if (Math.abs(higher) > Pitch.HIGHEST || velocity < 1 || velocity > 127) {
        throw new IllegalArgumentException(
            "A stencil's note " + higher + " semitones higher, of velocity " + velocity);
      }
    }
  }

  public Stencil {
    parts = List.copyOf(parts);
    if (parts.isEmpty() || span < 1) {
      throw new IllegalArgumentException("A stencil has a note at least, and a length");
    }
  }

  /**
   * Made of some notes.
   *
   * @param notes in order, one at least
   * @param step its length is a whole number of these, in ticks
   */
  public static Stencil of(List<Note> notes, long step) {
    Note first = notes.getFirst();
    long length = NoteTools.range(notes).length();
    return new Stencil(
        notes.stream()
            .map(
                n ->
                    new Part(
                        n.onset() - first.onset(),
                        n.pitch() - first.pitch(),
                        n.length(),
                        n.velocity()))
            .toList(),
        Math.max(1, Math.ceilDiv(length, step)) * step);
  }

  /**
   * Its notes laid down with the first at a tick and a pitch; those that would leave the piano, or
   * the song, are left out.
   *
   * @param scale where each pitch goes
   */
  public List<NewNote> at(long tick, int pitch, IntUnaryOperator scale) {
    List<NewNote> result = new ArrayList<>();
    for (Part part : parts) {
      long onset = tick + part.later();
      if (Pitch.isValid(pitch + part.higher()) && onset + part.length() <= Ticks.LAST) {
        Played played = Played.put(onset, onset + part.length());
        int moved = scale.applyAsInt(pitch + part.higher());
        result.add(new NewNote(moved, part.velocity(), played, onset));
      }
    }
    return result;
  }
}
