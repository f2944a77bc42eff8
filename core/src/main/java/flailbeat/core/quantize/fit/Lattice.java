package flailbeat.core.quantize.fit;

import java.util.Arrays;

/**
 * The few slots that are near each event, and what it costs to go from one to another: the player
 * passes the slots in order and plays on each with the probability of its place. Events keep their
 * order; two that share a pitch never share a slot; changing between straight and triplet slots has
 * a price, dear within a beat.
 *
 * <p>{@link #aim} says where to look and how far off each slot is; then {@link #viterbi} finds the
 * cheapest path and {@link #posterior} the probability of each slot by the forward-backward
 * algorithm, scaled at each event. Both are exact over the slots looked at, in O(n k^2) for n
 * events and k slots near each. L. R. Rabiner, A tutorial on hidden Markov models, Proceedings of
 * the IEEE 77(2), 1989; from memory.
 */
final class Lattice {
  /** Slots looked at near each event; more where straight and triplet lines lie together. */
  private static final int NEAR = 4;

  private static final int NEAR_MIXED = 6;
  private static final double DEAR = 6;
  private static final double CHEAP = 0.6;
  private static final double CHEAPLY = Math.exp(-CHEAP);
  private static final double DEARLY = Math.exp(-DEAR);
  private static final double TOGETHER = 4.5;
  private static final double IMPOSSIBLE = 60;
  private static final double BACKWARD = 10;
  private static final double MOST = 600;

  /** An error of any size is as unlikely as one of so many deviations, in squares. */
  private static final double MOST_SQUARES = 25;

  private final double[] times;
  private final boolean[] sharesPitch;
  private final Slots slots;
  private final boolean mixed;
  private final int n;
  private final int k;
  private final int[] first;
  private final double[] heard;
  private double spread;

  Lattice(double[] timesMs, boolean[] sharesPitch, Slots slots) {
    this.times = timesMs;
    this.sharesPitch = sharesPitch;
    this.slots = slots;
    this.mixed = slots.isMixed();
    this.n = timesMs.length;
    this.k = Math.min(mixed ? NEAR_MIXED : NEAR, slots.size());
    this.first = new int[n];
    this.heard = new double[n * k];
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
    int last = slots.size() - k;
    int at = 0;
    for (int i = 0; i < n; i++) {
      double time = times[i] - lagMs[i];
      at = slots.from(at, time);
      first[i] = Math.clamp(at - k / 2, 0, last);
      for (int c = 0; c < k; c++) {
        heard[i * k + c] = off(time - ms[first[i] + c], spreadMs);
      }
    }
  }

  /** What it costs to be so far from a slot. */
  static double off(double ms, double spreadMs) {
    double z = ms / spreadMs;
    return Math.min(z * z, MOST_SQUARES) / 2;
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
      return occupancy.passed(from + 1, to) + occupancy.playing(to) + change(from, to);
    }
    if (to == from && !sharesPitch[i]) {
      return TOGETHER;
    }
    return Math.min(MOST, IMPOSSIBLE + BACKWARD * (from - to));
  }

  /** The price of going from one slot to another, but for what is passed over. */
  double change(int from, int to) {
    byte a = slots.family()[from];
    byte b = slots.family()[to];
    if (a == b || a == Slots.BOTH || b == Slots.BOTH) {
      return 0;
    }
    return slots.beat()[from] == slots.beat()[to] ? DEAR : CHEAP;
  }

  /** What a path costs. */
  double cost(int[] path, Occupancy occupancy) {
    double sum = occupancy.playing(path[0]);
    for (int i = 0; i < n; i++) {
      sum += i == 0 ? 0 : step(i, path[i - 1], path[i], occupancy);
      sum += heard[i * k + path[i] - first[i]];
    }
    return sum;
  }

  /** The cheapest path. */
  int[] viterbi(Occupancy occupancy) {
    double[] cost = new double[k];
    double[] next = new double[k];
    byte[] from = new byte[n * k];
    for (int i = 0; i < n; i++) {
      for (int c = 0; c < k; c++) {
        int to = first[i] + c;
        double best = i == 0 ? occupancy.playing(to) : Double.POSITIVE_INFINITY;
        for (int p = 0; i > 0 && p < k; p++) {
          double way = cost[p] + step(i, first[i - 1] + p, to, occupancy);
          if (way < best) {
            best = way;
            from[i * k + c] = (byte) p;
          }
        }
        next[c] = best + heard[i * k + c];
      }
      System.arraycopy(next, 0, cost, 0, k);
    }
    return traced(from, cost);
  }

  /**
   * The path that ends where it costs least, backwards through where each slot was reached from.
   */
  int[] traced(byte[] from, double[] cost) {
    int c = cheapest(cost);
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
    double[] p = new double[n * k];
    double[] likely = new double[n * k];
    double[] ways = new double[k * k];
    double[] prices = occupancy.probabilities();
    double logSum = 0;
    for (int j = 0; j < likely.length; j++) {
      likely[j] = Math.exp(-heard[j]);
    }
    for (int i = 0; i < n; i++) {
      double total = 0;
      logSum -= i == 0 ? 0 : ways(i, prices, occupancy, ways);
      for (int c = 0; c < k; c++) {
        double sum = i == 0 ? prices[first[i] + c] : 0;
        for (int q = 0; i > 0 && q < k; q++) {
          sum += p[(i - 1) * k + q] * ways[q * k + c];
        }
        p[i * k + c] = sum * likely[i * k + c];
        total += p[i * k + c];
      }
      for (int c = 0; c < k; c++) {
        p[i * k + c] /= total;
      }
      logSum += Math.log(total);
    }
    backward(p, likely, prices, occupancy, ways);
    return new Posterior(first.clone(), k, p, spread, logSum - n * Math.log(spread));
  }

  private void backward(
      double[] p, double[] likely, double[] prices, Occupancy occupancy, double[] ways) {
    double[] back = new double[k];
    double[] earlier = new double[k];
    Arrays.fill(back, 1);
    for (int i = n - 1; i >= 0; i--) {
      double total = 0;
      for (int c = 0; c < k; c++) {
        total += p[i * k + c] * back[c];
      }
      for (int c = 0; c < k; c++) {
        p[i * k + c] *= back[c] / total;
        back[c] *= likely[i * k + c];
      }
      if (i > 0) {
        ways(i, prices, occupancy, ways);
        stepBack(back, ways, earlier);
      }
    }
  }

  private void stepBack(double[] back, double[] ways, double[] earlier) {
    double total = 0;
    for (int q = 0; q < k; q++) {
      double sum = 0;
      for (int c = 0; c < k; c++) {
        sum += ways[q * k + c] * back[c];
      }
      earlier[q] = sum;
      total += sum;
    }
    for (int q = 0; q < k; q++) {
      back[q] = earlier[q] / total;
    }
  }

  /**
   * The probabilities of going from each slot near the event before to each near this one, without
   * what they have in common, whose cost is the result.
   */
  private double ways(int i, double[] prices, Occupancy occupancy, double[] ways) {
    int from = first[i - 1];
    int to = first[i];
    if (to < from + k) {
      overlapping(i, prices, ways);
      return 0;
    }
    double left = 1;
    for (int q = k - 1; q >= 0; q--) {
      double right = left;
      for (int c = 0; c < k; c++) {
        double played = prices[to + c];
        ways[q * k + c] = right * played * (mixed ? changed(from + q, to + c) : 1);
        right *= 1 - played;
      }
      left *= 1 - prices[from + q];
    }
    return occupancy.passed(from + k, to);
  }

  private void overlapping(int i, double[] prices, double[] ways) {
    for (int q = 0; q < k; q++) {
      int from = first[i - 1] + q;
      double passed = 1;
      int at = from + 1;
      for (int c = 0; c < k; c++) {
        int to = first[i] + c;
        if (to <= from) {
          ways[q * k + c] = Math.exp(-step(i, from, to, null));
          continue;
        }
        while (at < to) {
          passed *= 1 - prices[at++];
        }
        ways[q * k + c] = passed * prices[to] * (mixed ? changed(from, to) : 1);
      }
    }
  }

  private double changed(int from, int to) {
    double price = change(from, to);
    return price == 0 ? 1 : price == CHEAP ? CHEAPLY : DEARLY;
  }
}
