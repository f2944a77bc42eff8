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
  private static final double MOST = 600;

  private final double[] times;
  private final boolean[] sharesPitch;
  private final Slots slots;
  private final int n;
  private final int k;
  private final int[] first;
  private final double[] likely;
  private double spread;

  Lattice(double[] timesMs, boolean[] sharesPitch, Slots slots) {
    this.times = timesMs;
    this.sharesPitch = sharesPitch;
    this.slots = slots;
    this.n = timesMs.length;
    this.k = Math.min(slots.isMixed() ? NEAR_MIXED : NEAR, slots.size());
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
      at = slots.from(at, time);
      int from = Math.clamp(at - k / 2, least, last);
      first[i] = from;
      least = from;
      for (int c = 0; c < k; c++) {
        likely[i * k + c] = Bell.at((time - ms[from + c]) * scale);
      }
    }
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
    return to == from ? -Math.log(Ways.staying(sharesPitch[i])) : MOST;
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
    Ways ways = Ways.of(slots, k, occupancy);
    ways.refresh();
    double[] best = new double[k];
    double[] next = new double[k];
    byte[] from = new byte[n * k];
    for (int i = 0; i < n; i++) {
      if (i == 0) {
        System.arraycopy(occupancy.probabilities(), first[0], next, 0, k);
      } else {
        ways.best(best, next, from, i * k, first[i - 1], first[i], sharesPitch[i]);
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
    return traced(from, best);
  }

  /** The path that ends where it is best, backwards through where each slot was reached from. */
  private int[] traced(byte[] from, double[] best) {
    int c = 0;
    for (int i = 1; i < k; i++) {
      c = best[i] > best[c] ? i : c;
    }
    return traced(from, c);
  }

  /** The path that ends at one of the last slots, backwards. */
  int[] traced(byte[] from, int last) {
    int c = last;
    int[] path = new int[n];
    for (int i = n - 1; i >= 0; i--) {
      path[i] = first[i] + c;
      c = from[i * k + c];
    }
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
        ways.forward(p, at - k, first[i - 1], first[i], sharesPitch[i]);
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
        ways.backward(coming, back, first[i - 1], first[i], sharesPitch[i]);
      }
    }
  }
}
