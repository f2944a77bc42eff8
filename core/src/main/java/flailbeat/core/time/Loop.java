package flailbeat.core.time;

/**
 * A stretch of song time that is gone round. <em>Unrolled</em> time runs on for ever; folded back,
 * it is song time: the same up to the loop's end, and from there round after round.
 *
 * @param start nanoseconds from tick 0
 * @param end later than {@code start}
 */
public record Loop(long start, long end) {
  public Loop {
    if (end <= start) {
      throw new IllegalArgumentException("A loop ends after it starts");
    }
  }

  public long length() {
    return end - start;
  }

  /** How often its end has been passed by an unrolled time. */
  public long turn(long unrolled) {
    return unrolled < end ? 0 : 1 + (unrolled - end) / length();
  }

  /** The song time of an unrolled time. */
  public long fold(long unrolled) {
    return unrolled - turn(unrolled) * length();
  }

  /** The unrolled time at which a turn ends, the first being turn 0. */
  public long endOf(long turn) {
    return end + turn * length();
  }
}
