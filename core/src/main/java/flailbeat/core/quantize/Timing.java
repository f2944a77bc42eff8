package flailbeat.core.quantize;

import java.util.Arrays;

/**
 * How far notes were played from their lines, in milliseconds; negative is early.
 *
 * @param deviationsMs one for each note, in rising order
 * @param lagMs their median; 0 without notes
 * @param spreadMs their standard deviation about the mean (n - 1 in the divisor); 0 for fewer than
 *     two notes
 */
public record Timing(double[] deviationsMs, double lagMs, double spreadMs) {
  /** Of deviations in any order, in O(n log n). */
  public static Timing of(double[] deviationsMs) {
    double[] sorted = deviationsMs.clone();
    Arrays.sort(sorted);
    return new Timing(sorted, median(sorted), standardDeviation(sorted));
  }

  public int count() {
    return deviationsMs.length;
  }

  private static double median(double[] sorted) {
    int n = sorted.length;
    if (n == 0) {
      return 0;
    }
    return (sorted[(n - 1) / 2] + sorted[n / 2]) / 2;
  }

  private static double standardDeviation(double[] values) {
    if (values.length < 2) {
      return 0;
    }
    double mean = Arrays.stream(values).average().orElseThrow();
    double squares = Arrays.stream(values).map(v -> (v - mean) * (v - mean)).sum();
    return Math.sqrt(squares / (values.length - 1));
  }
}
