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
  private final double[] playing;
  private final double[] passing;
  private final double[] counts;
  private final double[] chances;

  Occupancy(Slots slots) {
    this.slots = slots;
    int places = slots.weight().length;
    a = new double[places];
    b = new double[places];
    probability = new double[places];
    counts = new double[places];
    chances = new double[places];
    for (int i = 0; i < places; i++) {
      double weak = 1 - slots.weight()[i];
      a[i] = SHARPNESS * (1.1 - 0.6 * weak);
      b[i] = SHARPNESS * (0.8 + WEAKNESS * weak * weak * weak);
      probability[i] = a[i] / (a[i] + b[i]);
    }
    int barPlaces = Arrays.stream(slots.barPlace()).max().orElse(0) + 1;
    bySlot = new double[barPlaces];
    playing = new double[barPlaces];
    passing = new double[barPlaces];
    for (int s = 0; s < slots.size(); s++) {
      bySlot[slots.barPlace()[s]] = probability[slots.place()[s]];
    }
    price();
  }

  /** The cost of a slot's being played on: the negative logarithm of its probability. */
  double playing(int slot) {
    return playing[slots.barPlace()[slot]];
  }

  /** The cost of a slot's being passed over. */
  double passing(int slot) {
    return passing[slots.barPlace()[slot]];
  }

  private void price() {
    for (int place = 0; place < bySlot.length; place++) {
      playing[place] = -Math.log(bySlot[place]);
      passing[place] = -Math.log(1 - bySlot[place]);
    }
  }

  /**
   * Learns which slots are played on, over whole beats: a phrase is likelier to begin where a beat
   * does than just before.
   */
  void learn(int[] path) {
    Arrays.fill(counts, 0);
    Arrays.fill(chances, 0);
    double[] inBar = new double[bySlot.length];
    double[] barChances = new double[bySlot.length];
    int last = -1;
    for (int slot : path) {
      if (slot != last) {
        counts[slots.place()[slot]]++;
        inBar[slots.barPlace()[slot]]++;
      }
      last = slot;
    }
    int first = path[0];
    while (first > 0 && slots.beat()[first - 1] == slots.beat()[path[0]]) {
      first--;
    }
    int end = path[path.length - 1] + 1;
    while (end < slots.size() && slots.beat()[end] == slots.beat()[end - 1]) {
      end++;
    }
    for (int slot = first; slot < end; slot++) {
      chances[slots.place()[slot]]++;
      barChances[slots.barPlace()[slot]]++;
    }
    for (int i = 0; i < a.length; i++) {
      probability[i] = mean(counts[i], chances[i], a[i], b[i]);
    }
    for (int slot = 0; slot < slots.size(); slot++) {
      int place = slots.barPlace()[slot];
      double general = BARS_TO_TRUST * probability[slots.place()[slot]];
      bySlot[place] = mean(inBar[place], barChances[place], general, BARS_TO_TRUST - general);
    }
    price();
  }

  private static double mean(double played, double chances, double a, double b) {
    double p = (Math.min(played, chances) + a) / (chances + a + b);
    return Math.clamp(p, LEAST, MOST);
  }

  /** The logarithm of how probable what was learned is, all probabilities considered. */
  double evidence() {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      double k = Math.min(counts[i], chances[i]);
      sum += logBeta(a[i] + k, b[i] + chances[i] - k) - logBeta(a[i], b[i]);
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
