package flailbeat.core.quantize;

import java.util.Arrays;

/** Statistics that a few wild values do not upset. */
public final class Robust {
  /** Makes the median absolute deviation of normal values their standard deviation. */
  public static final double NORMAL = 1.4826;

  /**
   * How many of those an inlier may lie from the median: the most cautious of the three advised.
   */
  public static final double THRESHOLD = 3;

  private Robust() {}

  /** The median; 0 of nothing. O(n) on average. */
  public static double median(double[] values) {
    return Timing.of(values).lagMs();
  }

  /** The median distance from the median, times {@link #NORMAL}; 0 of nothing. */
  public static double deviation(double[] values) {
    double median = median(values);
    return NORMAL * median(Arrays.stream(values).map(v -> Math.abs(v - median)).toArray());
  }

  /**
   * The values without outliers: those that lie no farther than {@link #THRESHOLD} scaled median
   * absolute deviations from the median. C. Leys, C. Ley, O. Klein, P. Bernard, L. Licata,
   * Detecting outliers: do not use standard deviation around the mean, use absolute deviation
   * around the median, Journal of Experimental Social Psychology 49(4), 2013; from memory. O(n) on
   * average.
   *
   * @param least a distance at which a value is never an outlier
   */
  public static double[] inliers(double[] values, double least) {
    double median = median(values);
    double most = Math.max(least, THRESHOLD * deviation(values));
    return Arrays.stream(values).filter(v -> Math.abs(v - median) <= most).toArray();
  }
}
