package flailbeat.core.quantize.fit;

/**
 * Follows a lag that drifts slowly: a random walk seen through noise, smoothed both ways. H. E.
 * Rauch, F. Tung, C. T. Striebel, Maximum likelihood estimates of linear dynamic systems, AIAA
 * Journal 3(8), 1965; from memory. O(n).
 */
final class LagTrack {
  /** How far a lag walks in a second, as a standard deviation, in ms. */
  static final double WALK_MS = 2.5;

  private LagTrack() {}

  /**
   * The lag at each event.
   *
   * @param timesMs in order
   * @param residualsMs time played less slot
   * @param spreadMs of the residuals about the lag
   * @param priorMs what the lag is at first, as far as is known
   * @param priorSpreadMs how uncertain that is
   */
  static double[] smooth(
      double[] timesMs,
      double[] residualsMs,
      double spreadMs,
      double priorMs,
      double priorSpreadMs) {
    int n = timesMs.length;
    double[] mean = new double[n];
    double[] variance = new double[n];
    double[] predicted = new double[n];
    double m = priorMs;
    double v = priorSpreadMs * priorSpreadMs;
    for (int i = 0; i < n; i++) {
      double seconds = i == 0 ? 0 : (timesMs[i] - timesMs[i - 1]) / 1000;
      double walked = v + WALK_MS * WALK_MS * seconds;
      predicted[i] = walked;
      double off = residualsMs[i] - m;
      double gain = walked / (walked + noise(off, walked, spreadMs));
      m += gain * off;
      v = (1 - gain) * walked;
      mean[i] = m;
      variance[i] = v;
    }
    for (int i = n - 2; i >= 0; i--) {
      double back = variance[i] / predicted[i + 1];
      mean[i] += back * (mean[i + 1] - mean[i]);
    }
    return mean;
  }

  /** What lies far off says less: weights of Huber's kind beyond 2.5 deviations. */
  private static double noise(double off, double walked, double spreadMs) {
    double plain = spreadMs * spreadMs;
    double deviations = Math.abs(off) / Math.sqrt(walked + plain);
    return deviations <= 2.5 ? plain : plain * deviations / 2.5;
  }
}
