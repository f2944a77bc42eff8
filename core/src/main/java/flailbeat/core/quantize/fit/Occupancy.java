package flailbeat.core.quantize.fit;

import java.util.Arrays;

/**
 * How likely each place of the bar is to be played on: estimated from the phrase itself, as such
 * places of the beat are, and these under a weak prior: on the beat and half way anything may be,
 * but a weak place is seldom played on most of the time. With a prior by which strong places must
 * be likely, off-beat playing would be moved whole by a sixteenth.
 */
final class Occupancy {
  /** How much the prior counts, over a plain one of the same shape. */
  private static final double SHARPNESS = 3;

  /** How unlikely weak places are to be played on most of the time. */
  private static final double WEAKNESS = 7;

  /** A place of the bar counts as all such places of the beat do, for so many bars. */
  private static final double BARS_TO_TRUST = 3;

  private static final double LEAST = 0.004;
  private static final double MOST = 0.985;

  private final double[] a;
  private final double[] b;
  private final double[] probability;
  private final Slots slots;
  private final double[] bySlot;
  private double beats;
  private double[] counts;

  Occupancy(Slots slots) {
    this.slots = slots;
    int places = slots.weight().length;
    a = new double[places];
    b = new double[places];
    probability = new double[places];
    counts = new double[places];
    for (int i = 0; i < places; i++) {
      double weak = 1 - slots.weight()[i];
      a[i] = SHARPNESS * (1.1 - 0.6 * weak);
      b[i] = SHARPNESS * (0.8 + WEAKNESS * weak * weak * weak);
      probability[i] = a[i] / (a[i] + b[i]);
    }
    int barPlaces = Arrays.stream(slots.barPlace()).max().orElse(0) + 1;
    bySlot = new double[barPlaces];
    for (int s = 0; s < slots.size(); s++) {
      bySlot[slots.barPlace()[s]] = probability[slots.place()[s]];
    }
  }

  double of(int slot) {
    return bySlot[slots.barPlace()[slot]];
  }

  int barPlaces() {
    return bySlot.length;
  }

  /**
   * Learns.
   *
   * @param played how often each place was played on
   * @param inBar how often each place of the bar was
   * @param overBeats over how many beats
   * @param overBars over how many bars
   */
  void learn(double[] played, double[] inBar, double overBeats, double overBars) {
    counts = played.clone();
    beats = overBeats;
    for (int i = 0; i < a.length; i++) {
      double p = (Math.min(played[i], overBeats) + a[i]) / (overBeats + a[i] + b[i]);
      probability[i] = Math.clamp(p, LEAST, MOST);
    }
    for (int slot = 0; slot < slots.size(); slot++) {
      int place = slots.barPlace()[slot];
      double general = probability[slots.place()[slot]];
      double p =
          (Math.min(inBar[place], overBars) + BARS_TO_TRUST * general) / (overBars + BARS_TO_TRUST);
      bySlot[place] = Math.clamp(p, LEAST, MOST);
    }
  }

  /** The logarithm of how probable what was learned is, all probabilities considered. */
  double evidence() {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      double k = Math.min(counts[i], beats);
      sum += logBeta(a[i] + k, b[i] + beats - k) - logBeta(a[i], b[i]);
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
