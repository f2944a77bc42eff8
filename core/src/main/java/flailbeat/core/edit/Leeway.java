package flailbeat.core.edit;

import flailbeat.core.model.Note;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.Ticks;
import java.util.List;

/**
 * How far some notes can be moved together, for all of them to stay in the song and on the piano's
 * 128 notes.
 *
 * @param back by so many ticks at most, 0 or more; likewise the others
 */
public record Leeway(long back, long on, int down, int up) {
  /** The room of notes in order; none without any. */
  public static Leeway of(List<Note> notes) {
    if (notes.isEmpty()) {
      return new Leeway(0, 0, 0, 0);
    }
    long last = 0;
    int low = Pitch.HIGHEST;
    int high = Pitch.LOWEST;
    for (Note note : notes) {
      last = Math.max(last, note.end());
      low = Math.min(low, note.pitch());
      high = Math.max(high, note.pitch());
    }
    return new Leeway(
        notes.get(0).onset(), Ticks.LAST - last, low - Pitch.LOWEST, Pitch.HIGHEST - high);
  }

  /** As much of a move in time as there is room for. */
  public long ticks(long wanted) {
    return Math.clamp(wanted, -back, on);
  }

  /** As much of a move in pitch as there is room for. */
  public int semitones(int wanted) {
    return Math.clamp(wanted, -down, up);
  }
}
