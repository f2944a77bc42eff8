package flailbeat.core.quantize.fit;

/**
 * How likely a timing error is: normal but for its tails, since an error of any size is as unlikely
 * as one of {@value #FARTHEST} deviations.
 */
final class Gaussian {
  private static final double FARTHEST = 4;
  private static final int STEPS = 4096;
  private static final double PER_UNIT = STEPS / FARTHEST;
  private static final double[] TABLE = new double[STEPS + 2];

  static {
    for (int i = 0; i < TABLE.length; i++) {
      double z = Math.min(i / PER_UNIT, FARTHEST);
      TABLE[i] = Math.exp(-z * z / 2);
    }
  }

  private Gaussian() {}

  /** The likelihood of an error of so many deviations, 1 for none; off by 2e-7 at most. */
  static double at(double deviations) {
    double x = Math.min(Math.abs(deviations) * PER_UNIT, STEPS);
    int i = (int) x;
    return TABLE[i] + (x - i) * (TABLE[i + 1] - TABLE[i]);
  }

  /** Its negative logarithm. */
  static double cost(double deviations) {
    double z = Math.min(Math.abs(deviations), FARTHEST);
    return z * z / 2;
  }
}
