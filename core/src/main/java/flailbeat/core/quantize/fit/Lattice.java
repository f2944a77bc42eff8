package flailbeat.core.quantize.fit;

import java.util.Arrays;

/**
 * The few slots that are near each event, and what it costs to go from one to another: the player
 * passes the slots in order and plays on each with the probability of its place ({@link Ways}).
 *
 * <p>{@link #aim} says where to look and how far off each slot is; then {@link #viterbi} finds the
 * cheapest path and {@link #posterior} the probability of each slot by the forward-backward
 * algorithm, scaled at each event. Both are exact over the slots looked at, in O(n k + m) for n
 * events, k slots near each and m slots in all. L. R. Rabiner, A tutorial on hidden Markov models,
 * Proceedings of the IEEE 77(2), 1989; from memory.
 */
final class Lattice {
  /** Slots looked at near each event; more where straight and triplet lines lie together. */
  private static final int NEAR = 4;

  private static final int NEAR_MIXED = 6;

  /** In a long performance, where the lag is known by then: the nearest and those beside it. */
  private static final int NEAR_KNOWN = 3;

  private static final double MOST = 600;

  /** What follows later than so is no part of a chord, however loosely it is struck. */
  private static final double LOOSE_MS = 50;

  /** So many events that follow so closely are expected to be as rarely together as others are. */
  private static final double USUAL_PAIRS = 20;

  private final double[] times;
  private final boolean[] sharesPitch;
  private final Slots slots;
  private final int n;
  private final int k;
  private final int[] first;
  private final double[] likely;
  private double spread;
  private double loose = Ways.TOGETHER;
  private double looseCosts = Ways.TOGETHER_COSTS;

  /**
   * Lays events over slots.
   *
   * @param lagIsKnown whether the lag is known beforehand, so that fewer slots have to be looked at
   */
  Lattice(double[] timesMs, boolean[] sharesPitch, Slots slots, boolean lagIsKnown) {
    this.times = timesMs;
    this.sharesPitch = sharesPitch;
    this.slots = slots;
    this.n = timesMs.length;
    int wanted = slots.isMixed() ? NEAR_MIXED : lagIsKnown ? NEAR_KNOWN : NEAR;
    this.k = Math.min(wanted, slots.size());
    this.first = new int[n];
    this.likely = new double[n * k];
  }

  /**
   * Which slots may be meant, given how late each event is.
   *
   * @param lagMs at each event
   * @param spreadMs the standard deviation about it
   */
  void aim(double[] lagMs, double spreadMs) {
    spread = spreadMs;
    double[] ms = slots.ms();
    double scale = 1 / spreadMs;
    int last = slots.size() - k;
    int at = 0;
    int least = 0;
    for (int i = 0; i < n; i++) {
      double time = times[i] - lagMs[i];
      at = k % 2 == 0 ? slots.from(at, time) : slots.nearest(at, time);
      int from = Math.clamp(at - k / 2, least, last);
      first[i] = from;
      least = from;
      for (int c = 0; c < k; c++) {
        likely[i * k + c] = Gaussian.at((time - ms[from + c]) * scale);
      }
    }
  }

  /** How probable it is that an event has the slot of the one before. */
  private double staying(int i) {
    if (sharesPitch[i]) {
      return Ways.ONE_PITCH;
    }
    return isLoose(i) ? loose : Ways.TOGETHER;
  }

  private double stayingCost(int i) {
    if (sharesPitch[i]) {
      return Ways.ONE_PITCH_COSTS;
    }
    return isLoose(i) ? looseCosts : Ways.TOGETHER_COSTS;
  }

  /** Whether an event may be the rest of a chord that was struck loosely. */
  private boolean isLoose(int i) {
    return !sharesPitch[i] && times[i] - times[i - 1] < LOOSE_MS;
  }

  /** Nothing is known of how the chords are struck. */
  void forgetChords() {
    loose = Ways.TOGETHER;
    looseCosts = Ways.TOGETHER_COSTS;
  }

  /** Learns from a path how often chords are struck loosely. */
  void learnChords(int[] path) {
    double together = USUAL_PAIRS * Ways.TOGETHER;
    double pairs = USUAL_PAIRS;
    for (int i = 1; i < n; i++) {
      if (isLoose(i)) {
        pairs++;
        together += path[i] == path[i - 1] ? 1 : 0;
      }
    }
    loose = together / pairs;
    looseCosts = -Math.log(loose);
  }

  int near() {
    return k;
  }

  int[] first() {
    return first;
  }

  /** What it costs event {@code i} to go from one slot to another and be played there. */
  double step(int i, int from, int to, Occupancy occupancy) {
    if (to > from) {
      return occupancy.passed(from + 1, to)
          + occupancy.playing(to)
          + MixedWays.price(slots, from, to);
    }
    return to == from ? stayingCost(i) : MOST;
  }

  /** Whether an event goes before the one that came before it, or to a slot that is taken. */
  boolean isOutOfOrder(int[] path, int i) {
    return path[i] < path[i - 1] || path[i] == path[i - 1] && sharesPitch[i];
  }

  /** What a path costs. */
  double cost(int[] path, Occupancy occupancy) {
    double sum = occupancy.playing(path[0]);
    for (int i = 0; i < n; i++) {
      sum += i == 0 ? 0 : step(i, path[i - 1], path[i], occupancy);
      sum -= Math.log(likely[i * k + path[i] - first[i]]);
    }
    return sum;
  }

  /** The cheapest path. */
  int[] viterbi(Occupancy occupancy) {
    int[] path = new int[n];
    double[] begin = Arrays.copyOfRange(occupancy.probabilities(), first[0], first[0] + k);
    byte[] from = new byte[n * k];
    trace(path, from, 0, n - 1, most(forth(begin, from, 0, n - 1, occupancy)));
    return path;
  }

  /** The cheapest way from one event to a later one, whose slots in a path are taken as given. */
  void mend(int[] path, int from, int to, Occupancy occupancy) {
    double[] begin = new double[k];
    begin[path[from] - first[from]] = 1;
    byte[] origin = new byte[(to - from + 1) * k];
    forth(begin, origin, from, to, occupancy);
    trace(path, origin, from, to, path[to] - first[to]);
  }

  /** How good the best way to each of the last slots is, and where each is reached from. */
  private double[] forth(double[] begin, byte[] origin, int from, int to, Occupancy occupancy) {
    Ways ways = Ways.of(slots, k, occupancy);
    ways.refresh();
    double[] best = new double[k];
    double[] next = begin;
    for (int i = from; i <= to; i++) {
      if (i > from) {
        ways.best(best, next, origin, (i - from) * k, first[i - 1], first[i], staying(i));
      }
      double most = 0;
      for (int c = 0; c < k; c++) {
        best[c] = next[c] * likely[i * k + c];
        most = Math.max(most, best[c]);
      }
      double scale = 1 / most;
      for (int c = 0; c < k; c++) {
        best[c] *= scale;
      }
    }
    return best;
  }

  private static int most(double[] values) {
    int best = 0;
    for (int i = 1; i < values.length; i++) {
      best = values[i] > values[best] ? i : best;
    }
    return best;
  }

  private void trace(int[] path, byte[] origin, int from, int to, int last) {
    int c = last;
    for (int i = to; i >= from; i--) {
      path[i] = first[i] + c;
      c = origin[(i - from) * k + c];
    }
  }

  /** The path that ends at one of the last slots, backwards. */
  int[] traced(byte[] origin, int last) {
    int[] path = new int[n];
    trace(path, origin, 0, n - 1, last);
    return path;
  }

  static int cheapest(double[] cost) {
    int best = 0;
    for (int i = 1; i < cost.length; i++) {
      best = cost[i] < cost[best] ? i : best;
    }
    return best;
  }

  /** The probability of each slot near each event, all paths considered. */
  Posterior posterior(Occupancy occupancy) {
    Ways ways = Ways.of(slots, k, occupancy);
    ways.refresh();
    double[] p = new double[n * k];
    double logSum = -n * Math.log(spread);
    double product = 1;
    System.arraycopy(occupancy.probabilities(), first[0], p, 0, k);
    for (int i = 0; i < n; i++) {
      int at = i * k;
      if (i > 0) {
        ways.forward(p, at - k, first[i - 1], first[i], staying(i));
        logSum += ways.leftOut(first[i - 1], first[i]);
      }
      double total = 0;
      for (int c = at; c < at + k; c++) {
        p[c] *= likely[c];
        total += p[c];
      }
      double scale = 1 / total;
      for (int c = at; c < at + k; c++) {
        p[c] *= scale;
      }
      product *= total;
      if (product < 1e-100) {
        logSum += Math.log(product);
        product = 1;
      }
    }
    backward(p, ways);
    return new Posterior(first.clone(), k, p, spread, logSum + Math.log(product));
  }

  private void backward(double[] p, Ways ways) {
    double[] back = new double[k];
    double[] coming = new double[k];
    Arrays.fill(back, 1);
    for (int i = n - 1; i >= 0; i--) {
      double total = 0;
      for (int c = 0; c < k; c++) {
        total += p[i * k + c] * back[c];
      }
      double scale = 1 / total;
      for (int c = 0; c < k; c++) {
        coming[c] = back[c] * likely[i * k + c] * scale;
        p[i * k + c] *= back[c] * scale;
      }
      if (i > 0) {
        ways.backward(coming, back, first[i - 1], first[i], staying(i));
      }
    }
  }
}
