package flailbeat.core.quantize.fit;

import flailbeat.core.quantize.lag.LagPrior;
import java.util.Arrays;

/**
 * Reads a phrase from one beginning: the probabilities of the slots, and from them lag, spread and
 * occupancy, in turn, until the likeliest slots stay the same.
 */
final class Reader {
  static final double FIRST_SPREAD_MS = 18;
  private static final int MOST_ROUNDS = 8;

  /** In a long performance there are fewer rounds: at most so many events in all. */
  private static final int MOST_IN_ALL = 6000;

  private static final double SPREAD_PRIOR = 6;

  /** A slip that is farther off than so many deviations makes the spread no wider. */
  private static final double FAR = 2.5;

  /** How much it counts that a spread is unusually wide, where readings are compared. */
  private static final double USUAL = 25;

  private static final double LEAST_SPREAD_MS = 4;

  /** Over so many events the lag in the beginning is taken: some four to eight bars. */
  private static final int BEGINNING = 64;

  private final double[] times;
  private final Slots slots;
  private final LagPrior prior;
  private final int n;
  private final Lattice lattice;
  private final Occupancy occupancy;
  private final Beside beside;
  private final double[] residuals;

  /** Poses the problem as {@link FitSolver} does; the lattice is that of the phrase. */
  Reader(double[] timesMs, Slots slots, Lattice lattice, LagPrior prior) {
    this.times = timesMs;
    this.slots = slots;
    this.lattice = lattice;
    this.prior = prior;
    this.n = timesMs.length;
    this.occupancy = new Occupancy(slots);
    this.beside = new Beside(slots);
    this.residuals = new double[n];
  }

  /** The first guess at the slots, from a lag at the beginning. */
  int[] firstPath(double lagMs) {
    lattice.forgetChords();
    return new FirstPath(times, slots, lattice).from(lagMs, occupancy, FIRST_SPREAD_MS);
  }

  /** Reads on from a first guess at the slots. */
  Reading readFrom(int[] path) {
    for (int i = 0; i < n; i++) {
      residuals[i] = times[i] - slots.ms()[path[i]];
    }
    double[] lag = smooth(FIRST_SPREAD_MS);
    double spread = spreadOf(lag);
    occupancy.learn(path);
    return read(path, lag, spread, true);
  }

  /**
   * Reads a long performance on from what its beginning says.
   *
   * @param weighed whether its evidence is wanted
   */
  Reading readOn(Reading beginning, boolean weighed) {
    double spread = beginning.spreadMs();
    int[] path = new int[n];
    double[] lag = LagTrack.pursue(times, slots, spread, beginning.lagMs()[0], path);
    occupancy.setLikeness(beginning.likeness());
    occupancy.learn(path);
    return read(path, lag, spread, weighed);
  }

  private Reading read(int[] begun, double[] firstLag, double firstSpread, boolean weighed) {
    int rounds = Math.clamp(MOST_IN_ALL / n, 0, MOST_ROUNDS);
    int[] path = begun;
    lattice.learnChords(path);
    double[] lag = firstLag;
    double spread = firstSpread;
    boolean settled = false;
    for (int round = 0; round < rounds && !settled; round++) {
      lattice.aim(lag, spread);
      Posterior posterior = lattice.posterior(occupancy);
      int[] next = posterior.likeliest();
      settled = Arrays.equals(path, next);
      path = next;
      lattice.learnChords(path);
      occupancy.learn(posterior, next);
      spread = expect(posterior, lag);
      lag = smooth(spread);
    }
    lattice.aim(lag, spread);
    Posterior posterior = lattice.posterior(occupancy);
    path = rounds == 0 ? likeliestMended(posterior) : lattice.viterbi(occupancy);
    double evidence = weighed ? evidence(posterior, path, lag) : 0;
    return new Reading(path, lag, spread, evidence, 1, posterior, occupancy.likeness());
  }

  /**
   * In a long performance each event takes its likeliest slot; only where these would be out of
   * order is the cheapest path looked for, between two events that are sure.
   */
  private int[] likeliestMended(Posterior posterior) {
    int[] path = posterior.likeliest();
    for (int i = 1; i < n; i++) {
      if (lattice.isOutOfOrder(path, i)) {
        int from = i - 1;
        while (from > 0 && !posterior.isSure(from, path[from])) {
          from--;
        }
        int to = i;
        while (to < n - 1 && (!posterior.isSure(to, path[to]) || lattice.isOutOfOrder(path, to))) {
          to++;
        }
        lattice.mend(path, from, to, occupancy);
      }
    }
    return path;
  }

  private double[] smooth(double spread) {
    return LagTrack.smooth(times, residuals, spread, prior.meanMs(), prior.walkedSpreadMs());
  }

  private double spreadOf(double[] lag) {
    double squares = 0;
    for (int i = 0; i < n; i++) {
      squares += (residuals[i] - lag[i]) * (residuals[i] - lag[i]);
    }
    return spreadOf(squares);
  }

  private double spreadOf(double squares) {
    double prior = SPREAD_PRIOR * FIRST_SPREAD_MS * FIRST_SPREAD_MS;
    return Math.max(LEAST_SPREAD_MS, Math.sqrt((squares + prior) / (n + SPREAD_PRIOR)));
  }

  /** How far each event is from its slots in the mean; gives the spread about the lag. */
  private double expect(Posterior posterior, double[] lag) {
    int near = posterior.near();
    double squares = 0;
    double most = FAR * FAR * posterior.spreadMs() * posterior.spreadMs();
    for (int i = 0; i < n; i++) {
      double sum = 0;
      for (int c = 0; c < near; c++) {
        double p = posterior.probability()[i * near + c];
        double r = times[i] - slots.ms()[posterior.first()[i] + c];
        sum += p * r;
        squares += p * Math.min((r - lag[i]) * (r - lag[i]), most);
      }
      residuals[i] = sum;
    }
    return spreadOf(squares);
  }

  /**
   * The logarithm of how well a reading explains the phrase: of what was heard, all paths
   * considered, with the occupancy that was learned from the whole replaced by what was to be
   * foretold of each slot.
   */
  private double evidence(Posterior posterior, int[] path, double[] lag) {
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
    double wide = Math.max(posterior.spreadMs(), FIRST_SPREAD_MS);
    double usual = FIRST_SPREAD_MS / wide;
    return posterior.evidence()
        + learned
        + occupancy.comparedEvidence()
        + beside.evidence(path)
        - USUAL * (Math.log(wide) + usual * usual / 2)
        - prior.cost(inTheBeginning(lag));
  }

  /** The mean over many events: at a single one it follows the errors of those around it. */
  private static double inTheBeginning(double[] lag) {
    return Arrays.stream(lag).limit(BEGINNING).average().orElseThrow();
  }
}
