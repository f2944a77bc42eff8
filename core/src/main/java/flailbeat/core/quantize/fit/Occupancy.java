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
  private static final double WEAKNESS = 10;

  /** A place of the bar counts as all such places of the beat do, for so many bars. */
  private static final double BARS_TO_TRUST = 3;

  private static final double LEAST = 0.004;
  private static final double MOST = 0.985;

  private final double[] a;
  private final double[] b;
  private final double[] probability;
  private final Slots slots;
  private final int[] placeOf;
  private final double[] bySlot;
  private final double[] playing;
  private final double[] played;
  private final double[] passed;
  private final double[] inBar;
  private final double[] barChances;
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
    placeOf = new int[barPlaces];
    bySlot = new double[barPlaces];
    playing = new double[barPlaces];
    inBar = new double[barPlaces];
    barChances = new double[barPlaces];
    played = new double[slots.size()];
    passed = new double[slots.size() + 1];
    for (int s = 0; s < slots.size(); s++) {
      placeOf[slots.barPlace()[s]] = slots.place()[s];
      bySlot[slots.barPlace()[s]] = probability[slots.place()[s]];
    }
    price();
  }

  /** The cost of a slot's being played on: the negative logarithm of its probability. */
  double playing(int slot) {
    return playing[slots.barPlace()[slot]];
  }

  /** The cost of passing over the slots from one up to, but without, another. */
  double passed(int from, int to) {
    return passed[to] - passed[from];
  }

  /** The probability of each slot's being played on. */
  double[] probabilities() {
    return played;
  }

  private void price() {
    double[] cost = new double[bySlot.length];
    for (int place = 0; place < cost.length; place++) {
      cost[place] = -Math.log(1 - bySlot[place]);
      playing[place] = -Math.log(bySlot[place]);
    }
    for (int s = 0; s < played.length; s++) {
      int place = slots.barPlace()[s];
      played[s] = bySlot[place];
      passed[s + 1] = passed[s] + cost[place];
    }
  }

  /**
   * Learns which slots are played on, over whole beats: a phrase is likelier to begin where a beat
   * does than just before.
   */
  void learn(int[] path) {
    forget();
    int last = -1;
    for (int slot : path) {
      if (slot != last) {
        count(slot, 1);
      }
      last = slot;
    }
    estimate(path[0], path[path.length - 1]);
  }

  /** Learns from how probable each slot is, between the first and the last of a path. */
  void learn(Posterior posterior, int[] path) {
    forget();
    int near = posterior.near();
    for (int i = 0; i < path.length; i++) {
      for (int c = 0; c < near; c++) {
        count(posterior.first()[i] + c, posterior.probability()[i * near + c]);
      }
    }
    estimate(path[0], path[path.length - 1]);
  }

  private void forget() {
    Arrays.fill(counts, 0);
    Arrays.fill(chances, 0);
    Arrays.fill(inBar, 0);
    Arrays.fill(barChances, 0);
  }

  private void count(int slot, double times) {
    counts[slots.place()[slot]] += times;
    inBar[slots.barPlace()[slot]] += times;
  }

  private void estimate(int firstPlayed, int lastPlayed) {
    int first = firstPlayed;
    while (first > 0 && slots.beat()[first - 1] == slots.beat()[firstPlayed]) {
      first--;
    }
    int end = lastPlayed + 1;
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
    for (int place = 0; place < bySlot.length; place++) {
      double general = BARS_TO_TRUST * probability[placeOf[place]];
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
