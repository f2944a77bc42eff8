package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;

/**
 * How some player places and weighs the notes of one or two bars: for each line played on, how far
 * from it and how hard, in the mean.
 *
 * @param name what the person calls it; empty for none
 * @param bars after how many bars it comes again, 1 or 2
 * @param velocityShare how much of the way to the groove's velocity a note goes, 0 to 100 per cent
 * @param slots in order
 */
public record Groove(String name, int bars, int velocityShare, List<Slot> slots)
    implements GridLines.Shift {
  /**
   * One line that was played on.
   *
   * @param bar 0, or 1 in the second of two
   * @param tick from the start of the bar, where the line lies evenly
   * @param offset how much later it was played in the mean, in ticks; negative is earlier
   * @param velocity in the mean, 1 to 127
   */
  public record Slot(int bar, long tick, long offset, int velocity) {
    public Slot {
      if (bar < 0 || bar >= MOST_BARS || tick < 0 || tick >= LONGEST_BAR) {
        throw new IllegalArgumentException(
            "A groove has no line at tick " + tick + " of bar " + (bar + 1L));
      }
      if (Math.abs(offset) > LONGEST_BAR || velocity < 1 || velocity > 127) {
        throw new IllegalArgumentException(
            "A groove cannot play " + offset + " ticks off with velocity " + velocity);
      }
    }
  }

  /** Lines lie where arithmetic puts them. */
  public static final Groove NONE = new Groove("", 1, 0, List.of());

  private static final int MOST_BARS = 2;

  /** The longest bar that a meter can have: 32 whole notes. */
  private static final long LONGEST_BAR = 32L * Ticks.WHOLE;

  public Groove {
    if (bars < 1 || bars > MOST_BARS) {
      throw new IllegalArgumentException("A groove has 1 or 2 bars, not " + bars);
    }
    if (name == null || slots == null || slots.stream().anyMatch(Objects::isNull)) {
      throw new IllegalArgumentException("A groove has a name, and lines that are all there");
    }
    slots = List.copyOf(slots);
    int last = slots.stream().mapToInt(Slot::bar).max().orElse(0);
    if (last >= bars) {
      throw new IllegalArgumentException("A line in bar " + (last + 1) + " of " + bars);
    }
    if (velocityShare < 0 || velocityShare > 100) {
      throw new IllegalArgumentException(
          "A groove's velocities count 0 to 100 %, not " + velocityShare);
    }
  }

  /**
   * Takes a groove from notes as they stand: the mean offset from the nearest line, and the mean
   * velocity, for each line played on. A steady lag is part of it. O(n log n).
   *
   * @param bars 1 or 2
   * @throws IllegalArgumentException without notes
   */
  public static Groove from(List<Note> notes, Grid grid, MeterMap meters, int bars, String name) {
    if (notes.isEmpty()) {
      throw new IllegalArgumentException("A groove needs notes to be taken from");
    }
    GridLines lines = new GridLines(grid, meters);
    Map<Long, long[]> sums = new TreeMap<>();
    for (Note note : notes) {
      long line = lines.nearest(note.onset());
      int bar = Math.floorMod(meters.barAt(line), bars);
      long tick = line - meters.barRangeAt(line).start();
      long[] sum = sums.computeIfAbsent((long) bar * Ticks.LAST + tick, k -> new long[3]);
      sum[0]++;
      sum[1] += note.onset() - line;
      sum[2] += note.velocity();
    }
    List<Slot> slots = new ArrayList<>();
    sums.forEach(
        (key, sum) ->
            slots.add(
                new Slot(
                    (int) (key / Ticks.LAST),
                    key % Ticks.LAST,
                    Math.round((double) sum[1] / sum[0]),
                    (int) Math.round((double) sum[2] / sum[0]))));
    return new Groove(name, bars, 0, slots);
  }

  public Groove withVelocityShare(int value) {
    return new Groove(name, bars, value, slots);
  }

  public boolean isNone() {
    return slots.isEmpty();
  }

  @Override
  public long ticks(int bar, long tickInBar) {
    return slots.stream()
        .filter(s -> s.bar() == bar && Math.abs(s.tick() - tickInBar) <= 1)
        .mapToLong(Slot::offset)
        .findFirst()
        .orElse(0);
  }

  /**
   * The velocity of a note on a line: where the groove was not played on, as it is.
   *
   * @param line where the note goes, a tick
   */
  int velocity(int played, long line, MeterMap meters) {
    if (velocityShare == 0) {
      return played;
    }
    for (Slot slot : slots) {
      long even = line - slot.offset();
      boolean here = meters.barRangeAt(even).start() + slot.tick() == even;
      if (here && Math.floorMod(meters.barAt(even), bars) == slot.bar()) {
        return Math.clamp(
            Math.round(played + (slot.velocity() - played) * velocityShare / 100.0), 1, 127);
      }
    }
    return played;
  }
}
