package flailbeat.core.quantize.fit;

/**
 * How likely each place of the beat is to be played on: estimated from the phrase itself, under a
 * weak prior by which strong places are likelier.
 */
final class Occupancy {
  /** The prior counts as much as so many beats. */
  private static final double PRIOR_BEATS = 3;

  private static final double LEAST = 0.004;
  private static final double MOST = 0.985;

  private final double[] prior;
  private final double[] probability;
  private double beats;
  private double[] counts;

  Occupancy(Slots slots) {
    prior = new double[slots.weight().length];
    for (int i = 0; i < prior.length; i++) {
      prior[i] = 0.12 + 0.4 * slots.weight()[i];
    }
    probability = prior.clone();
    counts = new double[prior.length];
  }

  double of(int place) {
    return probability[place];
  }

  /**
   * Learns.
   *
   * @param played how often each place was played on
   * @param overBeats over how many beats
   */
  void learn(double[] played, double overBeats) {
    counts = played.clone();
    beats = overBeats;
    for (int i = 0; i < prior.length; i++) {
      double p = (played[i] + PRIOR_BEATS * prior[i]) / (overBeats + PRIOR_BEATS);
      probability[i] = Math.clamp(p, LEAST, MOST);
    }
  }

  /** The logarithm of how probable what was learned is, all probabilities considered. */
  double evidence() {
    double sum = 0;
    for (int i = 0; i < prior.length; i++) {
      double a = PRIOR_BEATS * prior[i];
      double b = PRIOR_BEATS * (1 - prior[i]);
      double k = Math.min(counts[i], beats);
      sum += logBeta(a + k, b + beats - k) - logBeta(a, b);
    }
    return sum;
  }

  private static double logBeta(double a, double b) {
    return logGamma(a) + logGamma(b) - logGamma(a + b);
  }

  /** Stirling's series after a shift above 8; exact to some 1e-10. */
  private static double logGamma(double x) {
    double shift = 0;
    double y = x;
    while (y < 8) {
      shift -= Math.log(y);
      y += 1;
    }
    double z = 1 / (y * y);
    double series = (1.0 / 12 - z * (1.0 / 360 - z * (1.0 / 1260))) / y;
    return shift + (y - 0.5) * Math.log(y) - y + 0.5 * Math.log(2 * Math.PI) + series;
  }
}
