package flailbeat.core.quantize.fit;

/**
 * Follows a lag that drifts slowly: a random walk seen through noise, smoothed both ways. H. E.
 * Rauch, F. Tung, C. T. Striebel, Maximum likelihood estimates of linear dynamic systems, AIAA
 * Journal 3(8), 1965; from memory. O(n).
 */
final class LagTrack {
  /** How far a lag walks in a second, as a standard deviation, in ms. */
  static final double WALK_MS = 2.5;

  private static final double WALK_PER_MS = WALK_MS * WALK_MS / 1000;

  /** What lies farther off than so many deviations says less: weights of Huber's kind. */
  private static final double FAR = 2.5;

  private LagTrack() {}

  /** How far each event is from its slot, given the lag that is expected there. */
  private interface Residuals {
    double at(int event, double expectedLagMs);
  }

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
    return smooth(timesMs, (i, expected) -> residualsMs[i], spreadMs, priorMs, priorSpreadMs);
  }

  /**
   * The lag at each event of a long performance whose lag at the beginning is known: each event is
   * taken to be meant for the slot that is nearest, the lag so far considered.
   *
   * @param path those slots; written
   */
  static double[] pursue(double[] timesMs, Slots slots, double spreadMs, double lagMs, int[] path) {
    return smooth(
        timesMs,
        (i, expected) -> {
          path[i] = slots.nearest(i == 0 ? 0 : path[i - 1], timesMs[i] - expected);
          return timesMs[i] - slots.ms()[path[i]];
        },
        spreadMs,
        lagMs,
        spreadMs / 2);
  }

  private static double[] smooth(
      double[] timesMs,
      Residuals residuals,
      double spreadMs,
      double priorMs,
      double priorSpreadMs) {
    int n = timesMs.length;
    double[] mean = new double[n];
    double[] back = new double[n];
    double plain = spreadMs * spreadMs;
    double m = priorMs;
    double v = priorSpreadMs * priorSpreadMs;
    for (int i = 0; i < n; i++) {
      double walked = i == 0 ? v : v + WALK_PER_MS * (timesMs[i] - timesMs[i - 1]);
      // Over a rest no more is forgotten than was unknown at first.
      walked = Math.min(walked, Math.max(v, priorSpreadMs * priorSpreadMs));
      if (i > 0) {
        back[i - 1] = v / walked;
      }
      double off = residuals.at(i, m) - m;
      double gain = walked / (walked + noise(off, walked, plain));
      m += gain * off;
      v = (1 - gain) * walked;
      mean[i] = m;
    }
    for (int i = n - 2; i >= 0; i--) {
      mean[i] += back[i] * (mean[i + 1] - mean[i]);
    }
    return mean;
  }

  private static double noise(double off, double walked, double plain) {
    double squares = off * off / (FAR * FAR * (walked + plain));
    return squares <= 1 ? plain : plain * Math.sqrt(squares);
  }
}
