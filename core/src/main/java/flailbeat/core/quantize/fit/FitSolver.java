package flailbeat.core.quantize.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.DoubleStream;

/**
 * Finds the most probable slots of a performance, in the manner of A. Cemgil, P. Desain, B. Kappen,
 * Computer Music Journal 24(2), 2000, with D. Temperley's (Music and Probability, 2007) metrical
 * position as a prior; both from memory.
 *
 * <p>The model: the player goes past the slots in order and plays on each with the probability of
 * its place of the beat ({@link Occupancy}); what is played comes a lag, which drifts slowly
 * ({@link LagTrack}), and a normal error late. Changing between straight and triplet slots has a
 * price, dear within a beat. Events keep their order; two that share a pitch never share a slot.
 *
 * <p>Slots are found by dynamic programming over the few slots that are near each event (Viterbi),
 * and lag, spread and occupancy from them, in turn, until the slots stay the same, {@value
 * #MOST_ROUNDS} times at most. This begins from several lags: none, the calibrated one, half a slot
 * either way. What comes of them are <em>readings</em> of the whole phrase; they are compared by
 * their evidence, with a prior on the lag at the beginning. The probability of each slot comes from
 * the forward-backward algorithm, over all readings. O(n) for n events.
 */
public final class FitSolver {
  /** Slots looked at near each event. */
  private static final int NEAR = 4;

  private static final int MOST_ROUNDS = 8;
  private static final int LONG = 500;
  private static final int BEGINNING = 250;

  /** A reading of the beginning that is less likely leads nowhere. */
  private static final double HOPEFUL = 0.001;

  private static final double FARTHEST_START_MS = 90;
  private static final double START_STEP_MS = 30;
  private static final double FIRST_SPREAD_MS = 18;
  private static final double SPREAD_PRIOR = 6;
  private static final double LEAST_SPREAD_MS = 4;
  private static final double DEAR = 6;
  private static final double CHEAP = 1;
  private static final double TOGETHER = 4.5;
  private static final double IMPOSSIBLE = 60;

  /** An error of any size is as unlikely as one of so many deviations, in squares. */
  private static final double MOST_SQUARES = 25;

  private final double[] times;
  private final boolean[] sharesPitch;
  private final Slots slots;
  private final double priorLagMs;
  private final double priorLagSpreadMs;
  private final int n;
  private final int[] first;

  /**
   * Poses the problem.
   *
   * @param timesMs of the events, in order; at least one
   * @param sharesPitch for each event, whether it has a pitch in common with the one before
   * @param priorLagMs how late the person is known to be; 0 when nothing is known
   * @param priorLagSpreadMs how uncertain that is, as a standard deviation
   */
  public FitSolver(
      double[] timesMs,
      boolean[] sharesPitch,
      Slots slots,
      double priorLagMs,
      double priorLagSpreadMs) {
    this.times = timesMs.clone();
    this.sharesPitch = sharesPitch.clone();
    this.slots = slots;
    this.priorLagMs = priorLagMs;
    this.priorLagSpreadMs = priorLagSpreadMs;
    this.n = timesMs.length;
    this.first = new int[n];
  }

  /** The readings, the likeliest first; those that are next to impossible are left out. */
  public List<Reading> readings() {
    double gap = medianGap();
    List<Reading> found = new ArrayList<>();
    for (double start : starts(gap)) {
      Reading reading = readFrom(start);
      if (found.stream().noneMatch(r -> Arrays.equals(r.slot(), reading.slot()))) {
        found.add(reading);
      }
    }
    found.sort(Comparator.comparingDouble(Reading::evidence).reversed());
    double best = found.get(0).evidence();
    double sum = found.stream().mapToDouble(r -> Math.exp(r.evidence() - best)).sum();
    return found.stream()
        .map(
            r ->
                new Reading(
                    r.slot(),
                    r.lagMs(),
                    r.spreadMs(),
                    r.evidence(),
                    Math.exp(r.evidence() - best) / sum))
        .filter(r -> r.weight() > 1e-4)
        .toList();
  }

  /** In a long performance, its beginning says which starts lead to readings that are likely. */
  private double[] starts(double gap) {
    if (n > LONG) {
      FitSolver beginning =
          new FitSolver(
              Arrays.copyOf(times, BEGINNING),
              Arrays.copyOf(sharesPitch, BEGINNING),
              slots,
              priorLagMs,
              priorLagSpreadMs);
      return beginning.readings().stream()
          .filter(r -> r.weight() > HOPEFUL)
          .mapToDouble(r -> r.lagMs()[0])
          .toArray();
    }
    return DoubleStream.concat(
            DoubleStream.of(priorLagMs, gap / 2, -gap / 2),
            DoubleStream.iterate(
                -FARTHEST_START_MS, v -> v <= FARTHEST_START_MS, v -> v + START_STEP_MS))
        .toArray();
  }

  private double medianGap() {
    double[] gaps = new double[Math.max(1, slots.size() - 1)];
    for (int i = 0; i + 1 < slots.size(); i++) {
      gaps[i] = slots.ms()[i + 1] - slots.ms()[i];
    }
    Arrays.sort(gaps);
    return gaps[gaps.length / 2];
  }

  private Reading readFrom(double startLagMs) {
    Occupancy occupancy = new Occupancy(slots);
    double spread = FIRST_SPREAD_MS;
    int[] path = track(startLagMs, occupancy, spread);
    double[] lag = lagOf(path, spread);
    for (int round = 0; round < MOST_ROUNDS; round++) {
      occupancy.learn(path);
      spread = spreadOf(path, lag);
      int[] next = viterbi(lag, occupancy, spread);
      lag = lagOf(next, spread);
      boolean same = Arrays.equals(next, path);
      path = next;
      if (same) {
        break;
      }
    }
    occupancy.learn(path);
    spread = spreadOf(path, lag);
    return new Reading(path, lag, spread, evidence(path, lag, occupancy, spread), 1);
  }

  private double[] lagOf(int[] path, double spread) {
    double[] residuals = new double[n];
    for (int i = 0; i < n; i++) {
      residuals[i] = times[i] - slots.ms()[path[i]];
    }
    return LagTrack.smooth(times, residuals, spread, priorLagMs, priorLagSpreadMs);
  }

  private double spreadOf(int[] path, double[] lag) {
    double squares = SPREAD_PRIOR * FIRST_SPREAD_MS * FIRST_SPREAD_MS;
    for (int i = 0; i < n; i++) {
      double r = times[i] - slots.ms()[path[i]] - lag[i];
      squares += r * r;
    }
    return Math.max(LEAST_SPREAD_MS, Math.sqrt(squares / (n + SPREAD_PRIOR)));
  }

  private double evidence(int[] path, double[] lag, Occupancy occupancy, double spread) {
    double sum = occupancy.evidence();
    for (int i = 0; i < n; i++) {
      sum -= timing(times[i] - lag[i] - slots.ms()[path[i]], spread) + Math.log(spread);
      sum -= i == 0 ? 0 : change(path[i - 1], path[i]);
    }
    double z = (lag[0] - priorLagMs) / priorLagSpreadMs;
    return sum - z * z / 2;
  }

  private static double timing(double off, double spread) {
    double z = off / spread;
    return Math.min(z * z, MOST_SQUARES) / 2;
  }

  /** The price of going from one slot to another, but for what is passed over. */
  private double change(int from, int to) {
    byte a = slots.family()[from];
    byte b = slots.family()[to];
    if (a == b || a == Slots.BOTH || b == Slots.BOTH) {
      return 0;
    }
    return slots.beat()[from] == slots.beat()[to] ? DEAR : CHEAP;
  }

  /**
   * The costs of passing over slots, summed up from the first; a slot's own cost of being played.
   */
  private double[] passing(Occupancy occupancy) {
    double[] sum = new double[slots.size() + 1];
    for (int s = 0; s < slots.size(); s++) {
      sum[s + 1] = sum[s] + occupancy.passing(s);
    }
    return sum;
  }

  private int nearFirst(double time) {
    int at = slots.firstAtOrAfter(time) - NEAR / 2;
    return Math.clamp(at, 0, Math.max(0, slots.size() - NEAR));
  }

  private int near() {
    return Math.min(NEAR, slots.size());
  }

  /** What a path costs, for a lag, an occupancy and a spread that are given. */
  double cost(int[] path, double[] lag, Occupancy occupancy, double spread) {
    double[] passed = passing(occupancy);
    double sum = occupancy.playing(path[0]);
    for (int i = 0; i < n; i++) {
      sum += i == 0 ? 0 : step(i, path[i - 1], path[i], passed, occupancy);
      sum += timing(times[i] - lag[i] - slots.ms()[path[i]], spread);
    }
    return sum;
  }

  /** The first of the slots that are looked at near an event. */
  int firstNear(int event) {
    return first[event];
  }

  private double step(int i, int from, int to, double[] passed, Occupancy occupancy) {
    if (to > from) {
      return passed[to] - passed[from + 1] + occupancy.playing(to) + change(from, to);
    }
    if (to == from) {
      return sharesPitch[i] ? IMPOSSIBLE : TOGETHER;
    }
    return IMPOSSIBLE + 10.0 * (from - to);
  }

  /**
   * A first path: each slot near an event keeps the best way to it, with the lag met on that way.
   */
  private int[] track(double startLagMs, Occupancy occupancy, double spread) {
    int k = near();
    double[] passed = passing(occupancy);
    double[] cost = new double[k];
    double[] lag = new double[k];
    double[] nextCost = new double[k];
    double[] nextLag = new double[k];
    byte[] from = new byte[n * k];
    double variance = spread * spread;
    for (int i = 0; i < n; i++) {
      double seconds = i == 0 ? 0 : (times[i] - times[i - 1]) / 1000;
      double walked = variance + LagTrack.WALK_MS * LagTrack.WALK_MS * seconds;
      double gain = walked / (walked + spread * spread);
      double around = i == 0 ? startLagMs : lag[cheapest(cost)];
      int before = i == 0 ? 0 : first[i - 1];
      first[i] = nearFirst(times[i] - around);
      for (int c = 0; c < k; c++) {
        int to = first[i] + c;
        nextCost[c] = Double.POSITIVE_INFINITY;
        for (int p = 0; p < (i == 0 ? 1 : k); p++) {
          double known = i == 0 ? startLagMs : lag[p];
          double off = times[i] - slots.ms()[to] - known;
          double way =
              i == 0 ? occupancy.playing(to) : cost[p] + step(i, before + p, to, passed, occupancy);
          double total = way + timing(off, Math.sqrt(walked + spread * spread));
          if (total < nextCost[c]) {
            nextCost[c] = total;
            nextLag[c] = known + gain * Math.clamp(off, -2.5 * spread, 2.5 * spread);
            from[i * k + c] = (byte) p;
          }
        }
      }
      variance = (1 - gain) * walked;
      System.arraycopy(nextCost, 0, cost, 0, k);
      System.arraycopy(nextLag, 0, lag, 0, k);
    }
    return traced(from, cheapest(cost), k);
  }

  private int[] traced(byte[] from, int last, int k) {
    int[] path = new int[n];
    int c = last;
    for (int i = n - 1; i >= 0; i--) {
      path[i] = first[i] + c;
      c = from[i * k + c];
    }
    return path;
  }

  private static int cheapest(double[] cost) {
    int best = 0;
    for (int i = 1; i < cost.length; i++) {
      best = cost[i] < cost[best] ? i : best;
    }
    return best;
  }

  /** The best path for a lag, an occupancy and a spread that are given. */
  int[] viterbi(double[] lag, Occupancy occupancy, double spread) {
    int k = near();
    double[] passed = passing(occupancy);
    double[] cost = new double[k];
    double[] nextCost = new double[k];
    byte[] from = new byte[n * k];
    for (int i = 0; i < n; i++) {
      int before = i == 0 ? 0 : first[i - 1];
      first[i] = nearFirst(times[i] - lag[i]);
      for (int c = 0; c < k; c++) {
        int to = first[i] + c;
        double best = i == 0 ? occupancy.playing(to) : Double.POSITIVE_INFINITY;
        for (int p = 0; i > 0 && p < k; p++) {
          double way = cost[p] + step(i, before + p, to, passed, occupancy);
          if (way < best) {
            best = way;
            from[i * k + c] = (byte) p;
          }
        }
        nextCost[c] = best + timing(times[i] - lag[i] - slots.ms()[to], spread);
      }
      System.arraycopy(nextCost, 0, cost, 0, k);
    }
    return traced(from, cheapest(cost), k);
  }

  /**
   * How sure the slots of the likeliest reading are, all readings considered.
   *
   * @param readings as {@link #readings} gave them
   */
  public Doubts doubts(List<Reading> readings) {
    int[] chosen = readings.get(0).slot();
    int k = near();
    int width = k * readings.size();
    double[] seen = new double[n * width];
    int[] seenSlots = new int[n * width];
    for (int r = 0; r < readings.size(); r++) {
      addPosterior(readings.get(r), r * k, width, seenSlots, seen);
    }
    double[] doubt = new double[n];
    int[] other = new int[n];
    for (int i = 0; i < n; i++) {
      double sure = 0;
      double most = -1;
      other[i] = chosen[i];
      for (int c = i * width; c < (i + 1) * width; c++) {
        if (seenSlots[c] == chosen[i]) {
          sure += seen[c];
        } else {
          double together = together(seenSlots, seen, c, (i + 1) * width);
          other[i] = together > most ? seenSlots[c] : other[i];
          most = Math.max(most, together);
        }
      }
      doubt[i] = Math.clamp(1 - sure, 0, 1);
    }
    return new Doubts(other, doubt);
  }

  /** What the readings from here on give to one slot, taken together. */
  private static double together(int[] seenSlots, double[] seen, int from, int end) {
    double sum = 0;
    for (int c = from; c < end; c++) {
      sum += seenSlots[c] == seenSlots[from] ? seen[c] : 0;
    }
    return sum;
  }

  /** The forward-backward algorithm, scaled, weighted with the reading's own probability. */
  private void addPosterior(
      Reading reading, int offset, int width, int[] seenSlots, double[] seen) {
    int k = near();
    Occupancy occupancy = new Occupancy(slots);
    occupancy.learn(reading.slot());
    double[] passed = passing(occupancy);
    double[] forward = new double[n * k];
    double[] ways = new double[n * k * k];
    for (int i = 0; i < n; i++) {
      first[i] = nearFirst(times[i] - reading.lagMs()[i]);
      double total = 0;
      for (int c = 0; c < k; c++) {
        int to = first[i] + c;
        double off = times[i] - reading.lagMs()[i] - slots.ms()[to];
        double heard = Math.exp(-timing(off, reading.spreadMs()));
        double sum = i == 0 ? Math.exp(-occupancy.playing(to)) * heard : 0;
        for (int p = 0; i > 0 && p < k; p++) {
          double way = Math.exp(-step(i, first[i - 1] + p, to, passed, occupancy)) * heard;
          ways[(i * k + p) * k + c] = way;
          sum += forward[(i - 1) * k + p] * way;
        }
        forward[i * k + c] = sum;
        total += sum;
      }
      for (int c = 0; c < k; c++) {
        forward[i * k + c] /= total;
      }
    }
    double[] backward = new double[k];
    Arrays.fill(backward, 1);
    for (int i = n - 1; i >= 0; i--) {
      double total = 0;
      for (int c = 0; c < k; c++) {
        total += forward[i * k + c] * backward[c];
      }
      for (int c = 0; c < k; c++) {
        int at = i * width + offset + c;
        seen[at] = reading.weight() * forward[i * k + c] * backward[c] / total;
        seenSlots[at] = first[i] + c;
      }
      if (i > 0) {
        backward = stepBack(i, backward, ways);
      }
    }
  }

  private static double[] stepBack(int i, double[] backward, double[] ways) {
    int k = backward.length;
    double[] earlier = new double[k];
    double total = 0;
    for (int p = 0; p < k; p++) {
      for (int c = 0; c < k; c++) {
        earlier[p] += ways[(i * k + p) * k + c] * backward[c];
      }
      total += earlier[p];
    }
    for (int p = 0; p < k; p++) {
      earlier[p] /= total;
    }
    return earlier;
  }
}
