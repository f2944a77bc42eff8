package flailbeat.core.quantize.ends;

import flailbeat.core.quantize.ends.Releases.Kind;
import java.util.Arrays;

/**
 * How a part is played: how often each articulation is, what share of a note's written length it
 * sounds for, how late keys come up, and how often notes fill the time up to the next.
 */
final class PartHabit {
  /** How a single note is played. */
  enum Articulation {
    /** For as long as it is written. */
    LEGATO(1, 0, 0),
    /** Let go somewhat early. */
    DETACHED(0.8, 0.07, 0.05),
    /** Let go half way. */
    STACCATO(0.5, 0.1, 0.06);

    private final double usualShare;
    private final double shareSpread;
    private final double uneven;

    /**
     * An articulation.
     *
     * @param usualShare of the written length
     * @param shareSpread how far players are from that, as a standard deviation
     * @param uneven how far a player's notes are from one another, by their lengths
     */
    Articulation(double usualShare, double shareSpread, double uneven) {
      this.usualShare = usualShare;
      this.shareSpread = shareSpread;
      this.uneven = uneven;
    }
  }

  static final Articulation[] ARTICULATIONS = Articulation.values();
  private static final Kind[] KINDS = Kind.values();

  /** Keys come up a little late, give or take this. */
  private static final double USUAL_LATE_MS = 5;

  private static final double LATE_SPREAD_MS = 15;

  private static final double USUAL_SPREAD_MS = 22;
  private static final double SPREAD_PRIOR = 8;
  private static final double LEAST_SPREAD_MS = 6;

  /** Of so many notes each articulation is expected beforehand, in a part of one habit. */
  private static final double[] HABIT = {12, 0.15};

  /** So many notes are expected to fill the time, to be followed by a rest, and so on. */
  private static final double[] EXPECTED = {9, 0.6, 0.5, 0.1};

  private final double[] articulation = new double[ARTICULATIONS.length];
  private final double[] share = new double[ARTICULATIONS.length];
  private final double[] kind = new double[KINDS.length];
  private final double[] articulationPrior = new double[ARTICULATIONS.length];
  private double lateMs = USUAL_LATE_MS;
  private double spreadMs = USUAL_SPREAD_MS;

  // What was counted in the round under way.
  private final double[] articulationCount = new double[ARTICULATIONS.length];
  private final double[] kindCount = new double[KINDS.length];
  private final double[][] sums = new double[ARTICULATIONS.length][2];
  private double lateSum;
  private double lateWeight;
  private double squares;
  private double squareCount;

  /** As somebody plays who has a habit, before a note is heard. */
  PartHabit(Articulation habit) {
    for (Articulation a : ARTICULATIONS) {
      articulationPrior[a.ordinal()] = a == habit ? HABIT[0] : HABIT[1];
      share[a.ordinal()] = a.usualShare;
    }
    startCount();
    setShares();
  }

  private void startCount() {
    System.arraycopy(articulationPrior, 0, articulationCount, 0, articulationCount.length);
    System.arraycopy(EXPECTED, 0, kindCount, 0, kindCount.length);
    for (double[] sum : sums) {
      Arrays.fill(sum, 0);
    }
    lateSum = 0;
    lateWeight = 0;
    squares = SPREAD_PRIOR * USUAL_SPREAD_MS * USUAL_SPREAD_MS;
    squareCount = SPREAD_PRIOR;
  }

  private void setShares() {
    divide(articulationCount, articulation);
    divide(kindCount, kind);
  }

  private static void divide(double[] counts, double[] into) {
    double sum = Arrays.stream(counts).sum();
    for (int i = 0; i < counts.length; i++) {
      into[i] = counts[i] / sum;
    }
  }

  /** How likely an articulation is. */
  double probability(Articulation of) {
    return articulation[of.ordinal()];
  }

  /** How likely a kind of end is, where all are possible. */
  double probability(Kind of) {
    return kind[of.ordinal()];
  }

  private double spread(Articulation of, double writtenMs) {
    double uneven = of.uneven * writtenMs;
    return Math.sqrt(spreadMs * spreadMs + uneven * uneven);
  }

  /**
   * How well an articulation foretells a release: its density.
   *
   * @param writtenMs how long the note would be
   * @param soundedMs how long it was held, from where it was meant to begin
   */
  double density(Articulation of, double writtenMs, double soundedMs) {
    double spread = spread(of, writtenMs);
    double z = (soundedMs - share[of.ordinal()] * writtenMs - lateMs) / spread;
    return Math.exp(-z * z / 2) / spread;
  }

  /** Counts a note that was held so, in part. */
  void count(Articulation of, Kind kindOfEnd, double writtenMs, double soundedMs, double part) {
    int a = of.ordinal();
    articulationCount[a] += part;
    kindCount[kindOfEnd.ordinal()] += part;
    double precision = part / Math.pow(spread(of, writtenMs), 2);
    double off = soundedMs - share[a] * writtenMs - lateMs;
    sums[a][0] += precision * writtenMs * (soundedMs - lateMs);
    sums[a][1] += precision * writtenMs * writtenMs;
    lateSum += precision * (off + lateMs);
    lateWeight += precision;
    double relative = of.uneven * writtenMs / spreadMs;
    squares += part * off * off / (1 + relative * relative);
    squareCount += part;
  }

  /** Takes over what was counted, and begins to count anew. */
  void learn() {
    setShares();
    for (Articulation a : ARTICULATIONS) {
      if (a.shareSpread > 0) {
        double prior = 1 / (a.shareSpread * a.shareSpread);
        double[] sum = sums[a.ordinal()];
        share[a.ordinal()] = (sum[0] + prior * a.usualShare) / (sum[1] + prior);
      }
    }
    double prior = 1 / (LATE_SPREAD_MS * LATE_SPREAD_MS);
    lateMs = (lateSum + prior * USUAL_LATE_MS) / (lateWeight + prior);
    spreadMs = Math.max(LEAST_SPREAD_MS, Math.sqrt(squares / squareCount));
    startCount();
  }

  /** How unlikely it is that somebody plays so: the negative logarithm, up to a constant. */
  double cost() {
    double late = (lateMs - USUAL_LATE_MS) / LATE_SPREAD_MS;
    double cost = late * late / 2;
    for (Articulation a : ARTICULATIONS) {
      if (a.shareSpread > 0) {
        double z = (share[a.ordinal()] - a.usualShare) / a.shareSpread;
        cost += z * z / 2;
      }
      cost -= articulationPrior[a.ordinal()] * Math.log(articulation[a.ordinal()]);
    }
    for (int i = 0; i < kind.length; i++) {
      cost -= EXPECTED[i] * Math.log(kind[i]);
    }
    double usual = USUAL_SPREAD_MS / spreadMs;
    return cost + SPREAD_PRIOR * (Math.log(spreadMs) + usual * usual / 2);
  }
}
