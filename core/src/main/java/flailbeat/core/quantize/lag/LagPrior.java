package flailbeat.core.quantize.lag;

import java.util.List;

/**
 * What is expected of the lag in the beginning of a phrase, before it is heard: normal, but rarer
 * than that beyond {@value #RARE_MS} ms; where it was learned from a person, mixed with a tenth of
 * what is expected of anybody, since what was learned may be stale.
 *
 * @param meanMs late when positive
 * @param spreadMs the standard deviation
 * @param source whose lag it is
 */
public record LagPrior(double meanMs, double spreadMs, Source source) {
  /** Whose lag is expected. */
  public enum Source {
    /** Nobody's in particular. */
    ANYBODY,
    /** It was given: nothing is to be found. */
    GIVEN,
    /** The person's, as it was in songs before. */
    PERSON,
    /** That of other parts of the song, or of passes before. */
    PARTS
  }

  /** Before anything is known: a little late, since a computer's keys and sound take time. */
  private static final double USUAL_MS = 10;

  /** Half of all people are within 15 ms of that; 60 or 80 ms is rare, but is still believed. */
  private static final double USUAL_SPREAD_MS = 22;

  /** Where a lag is followed through a phrase, it is held by less: it goes where it is heard. */
  private static final double WALKED_SPREAD_MS = 36;

  /** Nothing is known. */
  public static final LagPrior UNKNOWN = new LagPrior(USUAL_MS, USUAL_SPREAD_MS, Source.ANYBODY);

  /** However often somebody was heard, nobody is surer than this. */
  public static final double LEAST_SPREAD_MS = 12;

  /** How far the lags of one person's parts are from one another, as a standard deviation. */
  public static final double PARTS_MS = 10;

  private static final double STALE = 0.1;

  /** A lag farther than so from what is known is rarer than a normal error would be. */
  private static final double RARE_MS = 70;

  private static final double RARE_SPREAD_MS = 7;

  public LagPrior {
    if (!(spreadMs > 0) || !Double.isFinite(meanMs)) {
      throw new IllegalArgumentException("A lag of " + meanMs + " ms, give or take " + spreadMs);
    }
  }

  /** Learned from what a person played. */
  public static LagPrior known(double meanMs, double spreadMs) {
    return learned(meanMs, spreadMs, Source.PERSON);
  }

  private static LagPrior learned(double meanMs, double spreadMs, Source source) {
    return new LagPrior(meanMs, Math.max(LEAST_SPREAD_MS, spreadMs), source);
  }

  /** One that was given, give or take so much. */
  public static LagPrior given(double meanMs, double spreadMs) {
    return new LagPrior(meanMs, spreadMs, Source.GIVEN);
  }

  /** Whether it was learned from playing, the person's own or that beside it. */
  public boolean learned() {
    return source == Source.PERSON || source == Source.PARTS;
  }

  /** What all parts of a song that are looked at together speak for. */
  public static LagPrior shared(double meanMs) {
    return learned(meanMs, PARTS_MS, Source.PARTS);
  }

  /**
   * What is to be expected of the lag of a part by who played others of the same song so late: not
   * known better than these agree.
   *
   * @param lagsMs of one part at least
   */
  public static LagPrior ofParts(List<Double> lagsMs) {
    double mean = lagsMs.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
    double squares = PARTS_MS * PARTS_MS;
    for (double lag : lagsMs) {
      squares += (lag - mean) * (lag - mean);
    }
    double n = lagsMs.size();
    return learned(mean, Math.sqrt(squares / n * (1 + 1 / n)), Source.PARTS);
  }

  /** How unlikely a lag is: the negative logarithm of its density, up to a constant. */
  public double cost(double lagMs) {
    if (!learned()) {
      return plainCost(lagMs);
    }
    double own = (1 - STALE) / spreadMs * Math.exp(-plainCost(lagMs));
    double anybodys = STALE / UNKNOWN.spreadMs * Math.exp(-UNKNOWN.plainCost(lagMs));
    return -Math.log(own + anybodys + Double.MIN_NORMAL) - Math.log(spreadMs);
  }

  private double plainCost(double lagMs) {
    double off = Math.abs(lagMs - meanMs);
    double z = off / spreadMs;
    double beyond = Math.max(0, off - RARE_MS) / RARE_SPREAD_MS;
    return (z * z + beyond * beyond) / 2;
  }

  /** How far the lag may be from its mean where it is followed. */
  public double walkedSpreadMs() {
    return WALKED_SPREAD_MS;
  }
}
