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
 * its place ({@link Occupancy}, {@link Lattice}); what is played comes a lag, which drifts slowly
 * ({@link LagTrack}), and a normal error late.
 *
 * <p>The probabilities of the slots are found by the forward-backward algorithm, and lag, spread
 * and occupancy from them, in turn (expectation-maximisation: A. P. Dempster, N. M. Laird, D. B.
 * Rubin, Journal of the Royal Statistical Society B 39(1), 1977; from memory), until the likeliest
 * slots stay the same, {@value #MOST_ROUNDS} times at most; then the cheapest path is taken
 * (Viterbi). This begins from several lags: none, the calibrated one, half a slot either way. What
 * comes of them are <em>readings</em> of the whole phrase; they are compared by their evidence,
 * with a prior on the lag at the beginning. A long performance goes on from the readings of its
 * beginning. O(n) for n events.
 */
public final class FitSolver {
  private static final int MOST_ROUNDS = 8;
  private static final int LONG = 500;
  private static final int BEGINNING = 250;

  /** In a long performance, so small a part of the events may still change at the end. */
  private static final double SETTLED = 0.001;

  /** A reading of the beginning that is less likely leads nowhere. */
  private static final double HOPEFUL = 0.001;

  private static final double FARTHEST_START_MS = 90;
  private static final double START_STEP_MS = 30;
  private static final double FIRST_SPREAD_MS = 18;
  private static final double SPREAD_PRIOR = 6;

  /** How much it counts that a spread is unusual, where readings are compared. */
  private static final double USUAL = 25;

  /** The model is not the player: what the evidence says between readings is taken by half. */
  private static final double CAUTION = 0.5;

  /** A lag farther than so from what is known is rarer than a normal error would be. */
  private static final double RARE_MS = 70;

  private static final double RARE_SPREAD_MS = 15;
  private static final double LEAST_SPREAD_MS = 4;

  private final double[] times;
  private final boolean[] sharesPitch;
  private final Slots slots;
  private final double priorLagMs;
  private final double priorLagSpreadMs;
  private final int n;
  private final Lattice lattice;

  /** Where to begin: a lag, and what is known of the spread and of the slots played on. */
  private record Start(double lagMs, double spreadMs, int[] path) {
    static Start at(double lagMs) {
      return new Start(lagMs, FIRST_SPREAD_MS, new int[0]);
    }
  }

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
    this.lattice = new Lattice(times, this.sharesPitch, slots);
  }

  /** The readings, the likeliest first; those that are next to impossible are left out. */
  public List<Reading> readings() {
    List<Reading> found = new ArrayList<>();
    List<int[]> begun = new ArrayList<>();
    for (Start start : starts()) {
      Occupancy occupancy = new Occupancy(slots);
      if (start.path().length > 0) {
        occupancy.learn(start.path());
      }
      int[] path =
          new FirstPath(times, slots, lattice).from(start.lagMs(), occupancy, start.spreadMs());
      if (begun.stream().noneMatch(p -> Arrays.equals(p, path))) {
        begun.add(path);
        Reading reading = read(path, occupancy, start.spreadMs());
        if (found.stream().noneMatch(r -> Arrays.equals(r.slot(), reading.slot()))) {
          found.add(reading);
        }
      }
    }
    return weighed(found);
  }

  private static List<Reading> weighed(List<Reading> found) {
    found.sort(Comparator.comparingDouble(Reading::evidence).reversed());
    double best = found.get(0).evidence();
    double sum = found.stream().mapToDouble(r -> Math.exp(CAUTION * (r.evidence() - best))).sum();
    return found.stream()
        .map(r -> r.withWeight(Math.exp(CAUTION * (r.evidence() - best)) / sum))
        .filter(r -> r.weight() > 1e-4)
        .toList();
  }

  /** In a long performance, its beginning says which starts lead to readings that are likely. */
  private List<Start> starts() {
    if (n > LONG) {
      FitSolver beginning =
          new FitSolver(
              Arrays.copyOf(times, BEGINNING),
              Arrays.copyOf(sharesPitch, BEGINNING),
              slots.upTo(times[BEGINNING - 1] + 2 * FARTHEST_START_MS),
              priorLagMs,
              priorLagSpreadMs);
      return beginning.readings().stream()
          .filter(r -> r.weight() > HOPEFUL)
          .map(r -> new Start(r.lagMs()[0], r.spreadMs(), r.slot()))
          .toList();
    }
    double gap = slots.medianGap();
    return DoubleStream.concat(
            DoubleStream.of(priorLagMs, gap / 2, -gap / 2),
            DoubleStream.iterate(
                -FARTHEST_START_MS, v -> v <= FARTHEST_START_MS, v -> v + START_STEP_MS))
        .mapToObj(Start::at)
        .toList();
  }

  private Reading read(int[] begun, Occupancy occupancy, double firstSpread) {
    int[] path = begun;
    double[] residuals = new double[n];
    for (int i = 0; i < n; i++) {
      residuals[i] = times[i] - slots.ms()[path[i]];
    }
    double[] lag = LagTrack.smooth(times, residuals, firstSpread, priorLagMs, priorLagSpreadMs);
    double spread = spreadOf(path, lag);
    occupancy.learn(path);
    Posterior posterior = null;
    for (int round = 0; round < MOST_ROUNDS; round++) {
      lattice.aim(lag, spread);
      posterior = lattice.posterior(occupancy);
      int[] next = posterior.likeliest();
      occupancy.learn(posterior, next);
      spread = expect(posterior, lag, residuals);
      lag = LagTrack.smooth(times, residuals, spread, priorLagMs, priorLagSpreadMs);
      int changed = changed(path, next);
      path = next;
      if (changed == 0 || n > LONG && changed < n * SETTLED) {
        break;
      }
    }
    lattice.aim(lag, spread);
    posterior = lattice.posterior(occupancy);
    path = lattice.viterbi(occupancy);
    return new Reading(path, lag, spread, evidence(posterior, path, lag, occupancy), 1, posterior);
  }

  private static int changed(int[] path, int[] next) {
    int changed = 0;
    for (int i = 0; i < path.length; i++) {
      changed += path[i] == next[i] ? 0 : 1;
    }
    return changed;
  }

  private double spreadOf(int[] path, double[] lag) {
    double squares = SPREAD_PRIOR * FIRST_SPREAD_MS * FIRST_SPREAD_MS;
    for (int i = 0; i < n; i++) {
      double r = times[i] - slots.ms()[path[i]] - lag[i];
      squares += r * r;
    }
    return Math.max(LEAST_SPREAD_MS, Math.sqrt(squares / (n + SPREAD_PRIOR)));
  }

  /** How far each event is from its slots in the mean, and the spread about the lag. */
  private double expect(Posterior posterior, double[] lag, double[] residuals) {
    int near = posterior.near();
    double squares = SPREAD_PRIOR * FIRST_SPREAD_MS * FIRST_SPREAD_MS;
    for (int i = 0; i < n; i++) {
      double sum = 0;
      for (int c = 0; c < near; c++) {
        double p = posterior.probability()[i * near + c];
        double r = times[i] - slots.ms()[posterior.first()[i] + c];
        sum += p * r;
        squares += p * (r - lag[i]) * (r - lag[i]);
      }
      residuals[i] = sum;
    }
    return Math.max(LEAST_SPREAD_MS, Math.sqrt(squares / (n + SPREAD_PRIOR)));
  }

  /**
   * The logarithm of how well a reading explains the phrase: of what was heard, all paths
   * considered, with the occupancy that was learned replaced by all occupancies there might be.
   */
  private double evidence(Posterior posterior, int[] path, double[] lag, Occupancy occupancy) {
    int near = posterior.near();
    double learned = occupancy.passed(path[0] + 1, Math.max(path[0] + 1, path[n - 1]));
    for (int i = 0; i < n; i++) {
      for (int c = 0; c < near; c++) {
        int slot = posterior.first()[i] + c;
        double p = posterior.probability()[i * near + c];
        boolean within = i > 0 && i < n - 1;
        learned += p * occupancy.playing(slot);
        learned -= within ? p * occupancy.passed(slot, slot + 1) : 0;
      }
    }
    double spread = posterior.spreadMs();
    double usual = FIRST_SPREAD_MS / spread;
    return posterior.evidence()
        + learned
        + occupancy.evidence()
        - USUAL * (Math.log(spread) + usual * usual / 2)
        - unlikely(lag[0]);
  }

  /** How unlikely a lag is before anything is heard: normal, but for the rare ones beyond. */
  private double unlikely(double lag) {
    double off = Math.abs(lag - priorLagMs);
    double z = off / priorLagSpreadMs;
    double beyond = Math.max(0, off - RARE_MS) / RARE_SPREAD_MS;
    return (z * z + beyond * beyond) / 2;
  }

  /**
   * How sure the slots of the likeliest reading are, all readings considered.
   *
   * @param readings as {@link #readings} gave them
   */
  public Doubts doubts(List<Reading> readings) {
    int[] chosen = readings.get(0).slot();
    double[] doubt = new double[n];
    int[] other = new int[n];
    int most = readings.stream().mapToInt(r -> r.posterior().near()).sum();
    int[] seenSlots = new int[most];
    double[] seen = new double[most];
    for (int i = 0; i < n; i++) {
      int count = 0;
      double sure = 0;
      for (Reading reading : readings) {
        Posterior posterior = reading.posterior();
        for (int c = 0; c < posterior.near(); c++) {
          int slot = posterior.first()[i] + c;
          double p = reading.weight() * posterior.probability()[i * posterior.near() + c];
          if (slot == chosen[i]) {
            sure += p;
          } else {
            count = add(seenSlots, seen, count, slot, p);
          }
        }
      }
      int best = 0;
      for (int j = 1; j < count; j++) {
        best = seen[j] > seen[best] ? j : best;
      }
      other[i] = count == 0 ? chosen[i] : seenSlots[best];
      doubt[i] = Math.clamp(1 - sure, 0, 1);
    }
    return new Doubts(other, doubt);
  }

  /** Adds a slot's probability to what is known of it; gives the number of slots known. */
  private static int add(int[] slots, double[] sums, int count, int slot, double p) {
    for (int j = 0; j < count; j++) {
      if (slots[j] == slot) {
        sums[j] += p;
        return count;
      }
    }
    slots[count] = slot;
    sums[count] = p;
    return count + 1;
  }
}
