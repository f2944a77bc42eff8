package flailbeat.core.time;

/**
 * A stretch of score time, from {@code start} up to but not including {@code end}, in ticks.
 *
 * @param start first tick
 * @param end tick after the last one, at least {@code start}
 */
public record TickRange(long start, long end) {
  /** All of a song. */
  public static final TickRange EVER = new TickRange(0, Ticks.LAST);

  public TickRange {
    if (end < start) {
      throw new IllegalArgumentException(
          "A range cannot end at " + end + " before it starts at " + start);
    }
  }

  public long length() {
    return end - start;
  }

  public boolean contains(long tick) {
    return tick >= start && tick < end;
  }

  /** Whether they have a tick in common. */
  public boolean overlaps(TickRange other) {
    return start < other.end && other.start < end;
  }

  /** The smallest range that holds both. */
  public TickRange span(TickRange other) {
    return new TickRange(Math.min(start, other.start), Math.max(end, other.end));
  }
}
