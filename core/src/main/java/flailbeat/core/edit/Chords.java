package flailbeat.core.edit;

import flailbeat.core.model.Note;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/** Notes by the chords that they make: those that begin together. */
public final class Chords {
  /** Notes that begin no farther apart than this from the first are one chord: a 64th note. */
  public static final long TOGETHER = 60;

  private Chords() {}

  /** The chords that some notes make, in order, each from its lowest note to its highest. */
  public static List<List<Note>> of(List<Note> notes) {
    List<List<Note>> chords = new ArrayList<>();
    long first = 0;
    for (Note note : notes.stream().sorted(Comparator.comparingLong(Note::onset)).toList()) {
      if (chords.isEmpty() || note.onset() - first > TOGETHER) {
        chords.add(new ArrayList<>());
        first = note.onset();
      }
      chords.getLast().add(note);
    }
    chords.forEach(c -> c.sort(Comparator.comparingInt(Note::pitch)));
    return chords;
  }

  /**
   * How many notes each note's chord has, without gathering the chords.
   *
   * @param notes in order of onset
   */
  public static int[] sizes(List<Note> notes) {
    int[] result = new int[notes.size()];
    int from = 0;
    for (int to = 1; to <= result.length; to++) {
      boolean ends =
          to == result.length || notes.get(to).onset() - notes.get(from).onset() > TOGETHER;
      if (ends) {
        Arrays.fill(result, from, to, to - from);
        from = to;
      }
    }
    return result;
  }
}
