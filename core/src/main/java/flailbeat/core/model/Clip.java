package flailbeat.core.model;

import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;

/**
 * A stretch of a track with the notes in it.
 *
 * @param range where it lies in the song; its last bar may end beyond {@link Ticks#LAST}
 * @param notes those that are heard, in {@link Note#ORDER}; their times count from the song's
 *     start, not the clip's
 * @param takes which of its versions these notes are, and the others
 */
public record Clip(TickRange range, List<Note> notes, Takes takes) {
  public Clip {
    Ticks.require(range.start());
    if (range.end() > 2 * Ticks.LAST) {
      throw new IllegalArgumentException("A clip cannot end at tick " + range.end());
    }
    notes = List.copyOf(notes);
    if (!isOrdered(notes)) {
      throw new IllegalArgumentException("The notes of a clip must be in order");
    }
  }

  /** A clip that was recorded once. */
  public Clip(TickRange range, List<Note> notes) {
    this(range, notes, Takes.NONE);
  }

  /** A clip whose notes may come in any order. */
  public static Clip of(TickRange range, List<Note> notes, Takes takes) {
    return new Clip(range, sorted(notes), takes);
  }

  /** A clip of whole bars round these notes, which may come in any order; at least one note. */
  public static Clip around(List<Note> notes, MeterMap meters) {
    return new Clip(meters.wholeBars(extent(notes)), sorted(notes));
  }

  /** Whether no version has a note. */
  public boolean isEmpty() {
    return notes.isEmpty() && takes.others().stream().allMatch(t -> t.notes().isEmpty());
  }

  /**
   * What of it begins in a stretch. A stretch that ends before it begins is taken to be empty, at
   * its start.
   */
  public Clip part(long start, long end) {
    TickRange wanted = new TickRange(start, Math.max(start, end));
    List<Take> others = takes.others().stream().map(t -> part(t, wanted)).toList();
    return new Clip(wanted, part(notes, wanted), new Takes(takes.heard(), others));
  }

  private static Take part(Take take, TickRange range) {
    List<ControlPoint> controls =
        take.controls().stream().filter(c -> range.contains(c.tick())).toList();
    return new Take(take.number(), part(take.notes(), range), controls);
  }

  private static List<Note> part(List<Note> notes, TickRange range) {
    return notes.stream().filter(n -> range.contains(n.onset())).toList();
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
