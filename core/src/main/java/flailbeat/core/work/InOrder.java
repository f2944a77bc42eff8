package flailbeat.core.work;

import java.util.Arrays;
import java.util.function.IntPredicate;

/** Looks things up that are in order. */
public final class InOrder {
  private InOrder() {}

  /**
   * How many pass a test, where those that do come before those that do not. O(log n).
   *
   * @param count how many there are
   * @param passes tells it of each, from 0
   */
  public static int countPassing(int count, IntPredicate passes) {
    return firstFailing(0, count, passes);
  }

  /**
   * The first of some values in order that is not less than another; the end when all are. The same
   * as with a test, and half as quick again with the first compiler alone. O(log n).
   */
  public static int firstAtLeast(double[] values, int from, int end, double wanted) {
    int low = from;
    int high = end;
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (values[mid] < wanted) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low;
  }

  /** The median distance from one to the next of some values in order; 0 for fewer than two. */
  public static double medianGap(double[] values) {
    double[] gaps = new double[Math.max(1, values.length - 1)];
    for (int i = 0; i + 1 < values.length; i++) {
      gaps[i] = values[i + 1] - values[i];
    }
    Arrays.sort(gaps);
    return gaps[gaps.length / 2];
  }

  /**
   * The first that does not pass a test, where those that do come before those that do not; the end
   * when all pass. O(log n).
   */
  public static int firstFailing(int from, int end, IntPredicate passes) {
    int low = from;
    int high = end;
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (passes.test(mid)) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low;
  }
}
