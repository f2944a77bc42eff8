package flailbeat.core.quantize.report;

import java.util.Locale;

/**
 * Whether shares that are told are as large as what is right: a reliability diagram as a table (A.
 * Murphy and R. Winkler, Applied Statistics 26, 1977; from memory).
 */
public final class Shares {
  private static final double[] BINS = {0.3, 0.5, 0.7, 0.8, 0.9, 0.95, 0.99, 1.01};

  private final int[] count = new int[BINS.length];
  private final int[] right = new int[BINS.length];
  private final double[] told = new double[BINS.length];

  /** An answer with the share that was told of it. */
  public void add(double share, boolean good) {
    int bin = 0;
    while (share >= BINS[bin]) {
      bin++;
    }
    count[bin]++;
    told[bin] += share;
    right[bin] += good ? 1 : 0;
  }

  public void print() {
    System.out.println("| told | answers | told in the mean | right |");
    System.out.println("|---|---|---|---|");
    double last = 0;
    for (int bin = 0; bin < BINS.length; bin++) {
      if (count[bin] > 0) {
        System.out.printf(
            Locale.ROOT,
            "| %.0f to %.0f %% | %d | %.1f %% | %.1f %% |%n",
            100 * last,
            100 * Math.min(1, BINS[bin]),
            count[bin],
            100 * told[bin] / count[bin],
            100.0 * right[bin] / count[bin]);
      }
      last = BINS[bin];
    }
  }
}
