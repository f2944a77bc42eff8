package flailbeat.core.time;

import java.util.ArrayList;
import java.util.List;

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

  /**
   * A stretch of song time, in nanoseconds from tick 0.
   *
   * @param end at least {@code start}
   */
  public record Stretch(long start, long end) {}

  /**
   * What of song time lies between two unrolled times, in the order in which it is passed: one
   * stretch, and another for each time that the loop's end is passed in between.
   */
  public List<Stretch> between(long from, long to) {
    List<Stretch> result = new ArrayList<>();
    long at = from;
    for (long turn = turn(from); endOf(turn) < to; turn++) {
      result.add(new Stretch(fold(at), end));
      at = endOf(turn);
    }
    long back = turn(at) * length();
    result.add(new Stretch(at - back, to - back));
    return result;
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
