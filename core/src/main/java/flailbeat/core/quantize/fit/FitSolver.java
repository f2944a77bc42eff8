package flailbeat.core.quantize.fit;

import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.work.Progress;
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
 * its place ({@link Occupancy}, {@link Ways}); what is played comes a lag, which drifts slowly
 * ({@link LagTrack}), and a normal error late ({@link Gaussian}).
 *
 * <p>The probabilities of the slots are found by the forward-backward algorithm ({@link Lattice}),
 * and lag, spread and occupancy from them, in turn (expectation-maximisation: A. P. Dempster, N. M.
 * Laird, D. B. Rubin, Journal of the Royal Statistical Society B 39(1), 1977; from memory), until
 * the likeliest slots stay the same ({@link Reader}); then the cheapest path is taken (Viterbi).
 * This begins from several lags: none, the calibrated one, half a slot either way. What comes of
 * them are <em>readings</em> of the whole phrase, and those a slot beside the likeliest; they are
 * compared by their evidence, with a prior on the lag in the beginning. A long performance goes on
 * from the readings of its beginning. O(n + m) for n events and m slots.
 */
public final class FitSolver {
  private static final int LONG = 500;
  private static final int BEGINNING = 200;

  /** A reading of the beginning that is less likely leads nowhere. */
  private static final double HOPEFUL = 0.01;

  private static final double FARTHEST_START_MS = 90;
  private static final double START_STEP_MS = 45;

  /** The model is not the player: what the evidence says between readings is taken with caution. */
  private static final double CAUTION = 0.75;

  private static final double LEAST_WEIGHT = 1e-4;

  private final double[] times;
  private final boolean[] sharesPitch;
  private final Slots slots;
  private final LagPrior prior;
  private final Progress progress;
  private final int n;
  private final Lattice lattice;

  /**
   * Poses the problem.
   *
   * @param timesMs of the events, in order; at least one; not copied
   * @param sharesPitch for each event, whether it has a pitch in common with the one before; not
   *     copied
   * @param prior what is known of the person's lag
   */
  public FitSolver(double[] timesMs, boolean[] sharesPitch, Slots slots, LagPrior prior) {
    this(timesMs, sharesPitch, slots, prior, Progress.NONE);
  }

  /** The same, which tells how far it is. */
  public FitSolver(
      double[] timesMs, boolean[] sharesPitch, Slots slots, LagPrior prior, Progress progress) {
    this.progress = progress;
    this.times = timesMs;
    this.sharesPitch = sharesPitch;
    this.slots = slots;
    this.prior = prior;
    this.n = timesMs.length;
    this.lattice = new Lattice(times, sharesPitch, slots, n > LONG);
  }

  /** The readings, the likeliest first; those that are next to impossible are left out. */
  public List<Reading> readings() {
    return weighed(n > LONG ? onFromBeginning() : fromLags());
  }

  /**
   * How sure the slots of the likeliest reading are, if the whole is meant where it says: readings
   * that put the whole elsewhere are a doubt of their own.
   *
   * @param readings as {@link #readings} gave them
   */
  public Doubts doubts(List<Reading> readings) {
    Reading best = readings.getFirst();
    List<Reading> within = readings.stream().filter(r -> r.slotsFrom(best) == 0).toList();
    double sum = within.stream().mapToDouble(Reading::weight).sum();
    return Doubts.of(within.stream().map(r -> r.withWeight(r.weight() / sum)).toList());
  }

  private Reader reader() {
    return new Reader(times, slots, lattice, prior);
  }

  private List<Reading> fromLags() {
    List<Reading> found = new ArrayList<>();
    List<int[]> begun = new ArrayList<>();
    double gap = slots.medianGap();
    DoubleStream lags =
        DoubleStream.concat(
            DoubleStream.of(prior.meanMs(), gap / 2, -gap / 2),
            DoubleStream.iterate(
                -FARTHEST_START_MS, v -> v <= FARTHEST_START_MS, v -> v + START_STEP_MS));
    double[] starts = lags.toArray();
    for (int i = 0; i < starts.length; i++) {
      progress.at((double) i / starts.length);
      double lag = starts[i];
      Reader reader = reader();
      int[] path = reader.firstPath(lag);
      if (begun.stream().noneMatch(p -> Arrays.equals(p, path))) {
        begun.add(path);
        Reading reading = reader.readFrom(path);
        if (found.stream().noneMatch(r -> Arrays.equals(r.slot(), reading.slot()))) {
          found.add(reading);
        }
      }
    }
    addBesides(found);
    return found;
  }

  /** A slot earlier and a slot later than the likeliest are weighed in any case. */
  private void addBesides(List<Reading> found) {
    Reading best = found.stream().max(Comparator.comparingDouble(Reading::evidence)).orElseThrow();
    for (int later : new int[] {-1, 1}) {
      int[] path = Arrays.stream(best.slot()).map(s -> s + later).toArray();
      boolean exists = path[0] >= 0 && path[n - 1] < slots.size();
      if (exists && found.stream().noneMatch(r -> r.slotsFrom(best) == later)) {
        found.add(reader().readFrom(path));
      }
    }
  }

  /** Its beginning says which readings of a long performance are likely. */
  private List<Reading> onFromBeginning() {
    FitSolver beginning =
        new FitSolver(
            Arrays.copyOf(times, BEGINNING),
            Arrays.copyOf(sharesPitch, BEGINNING),
            slots.upTo(times[BEGINNING - 1] + 2 * FARTHEST_START_MS),
            prior,
            progress.part(0, 0.1));
    List<Reading> likely = beginning.readings().stream().filter(r -> r.weight() > HOPEFUL).toList();
    List<Reading> found = new ArrayList<>();
    List<Integer> goesOn = new ArrayList<>();
    for (Reading reading : likely) {
      progress.at(0.1 + 0.9 * found.size() / likely.size());
      if (goesOn.stream().noneMatch(offset -> offset == offsetAtEnd(reading))) {
        goesOn.add(offsetAtEnd(reading));
        found.add(reader().readOn(reading, likely.size() > 1));
      }
    }
    return found;
  }

  /** Readings that agree on where the beginning ends go on alike. */
  private static int offsetAtEnd(Reading reading) {
    return reading.slot()[BEGINNING - 1];
  }

  private static List<Reading> weighed(List<Reading> found) {
    found.sort(Comparator.comparingDouble(Reading::evidence).reversed());
    double best = found.get(0).evidence();
    double sum = found.stream().mapToDouble(r -> Math.exp(CAUTION * (r.evidence() - best))).sum();
    return found.stream()
        .map(r -> r.withWeight(Math.exp(CAUTION * (r.evidence() - best)) / sum))
        .filter(r -> r.weight() > LEAST_WEIGHT)
        .toList();
  }
}
