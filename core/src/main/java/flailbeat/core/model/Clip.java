package flailbeat.core.model;

import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;

/**
 * A stretch of a track with the notes in it.
 *
 * @param range where it lies in the song
 * @param notes in {@link Note#ORDER}; their times count from the song's start, not the clip's
 */
public record Clip(TickRange range, List<Note> notes) {
  public Clip {
    notes = List.copyOf(notes);
    if (!isOrdered(notes)) {
      throw new IllegalArgumentException("The notes of a clip must be in order");
    }
  }

  /** A clip of whole bars round these notes, which may come in any order; at least one note. */
  public static Clip around(List<Note> notes, MeterMap meters) {
    return new Clip(meters.wholeBars(extent(notes)), sorted(notes));
  }

  /**
   * The same clip with other notes, in any order; where they reach beyond it, it grows to whole
   * bars.
   */
  public Clip with(List<Note> newNotes, MeterMap meters) {
    if (newNotes.isEmpty()) {
      return new Clip(range, newNotes);
    }
    TickRange extent = extent(newNotes);
    boolean inside = extent.start() >= range.start() && extent.end() <= range.end();
    return new Clip(inside ? range : range.span(meters.wholeBars(extent)), sorted(newNotes));
  }

  private static boolean isOrdered(List<Note> notes) {
    for (int i = 1; i < notes.size(); i++) {
      if (Note.ORDER.compare(notes.get(i - 1), notes.get(i)) > 0) {
        return false;
      }
    }
    return true;
  }

  private static List<Note> sorted(List<Note> notes) {
    if (isOrdered(notes)) {
      return notes;
    }
    List<Note> result = new ArrayList<>(notes);
    result.sort(Note.ORDER);
    return result;
  }

  private static TickRange extent(List<Note> notes) {
    long start = Long.MAX_VALUE;
    long end = 0;
    for (Note note : notes) {
      start = Math.min(start, note.onset());
      end = Math.max(end, note.end());
    }
    return new TickRange(start, end);
  }
}
