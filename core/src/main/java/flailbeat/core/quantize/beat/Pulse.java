package flailbeat.core.quantize.beat;

import java.util.ArrayList;
import java.util.List;

/**
 * A way to count along: each event has a place, in parts of a beat, and the parts come at a period
 * that varies slowly. Followed as a Kalman filter over the time of the last place and the period
 * (R. E. Kalman, Journal of Basic Engineering 82(1), 1960; from memory); for what comes next, the
 * nearest places are tried.
 */
final class Pulse {
  /** How much the period changes from one part to the next, relatively, as a deviation. */
  private static final double WANDER = 0.0035;

  private static final double NOISE_MS = 20;
  private static final double FIRST_UNCERTAINTY = 0.03;

  /** Nothing counts more than an event this many deviations off: it may be a slip. */
  private static final double FARTHEST_SQUARES = 20;

  private final Division division;
  private final Pulse before;
  private final int place;
  private final double timeMs;
  private final double periodMs;
  private final double timeVariance;
  private final double covariance;
  private final double periodVariance;
  private final double score;
  private final double placing;
  private final int count;
  private final double firstMs;
  private final int firstPlace;

  private Pulse(
      Division division,
      Pulse before,
      int place,
      double timeMs,
      double periodMs,
      double timeVariance,
      double covariance,
      double periodVariance,
      double score,
      double placing) {
    this.division = division;
    this.before = before;
    this.place = place;
    this.timeMs = timeMs;
    this.periodMs = periodMs;
    this.timeVariance = timeVariance;
    this.covariance = covariance;
    this.periodVariance = periodVariance;
    this.score = score;
    this.placing = placing;
    this.count = before == null ? 1 : before.count + 1;
    this.firstMs = before == null ? timeMs : before.firstMs;
    this.firstPlace = before == null ? place : before.firstPlace;
  }

  /**
   * Begins to count with an event.
   *
   * @param place its place in the beat
   * @param periodMs from one part of a beat to the next
   */
  static Pulse begin(Division division, int place, double timeMs, double periodMs) {
    double chance = Math.log(division.chance(place));
    double uncertain = FIRST_UNCERTAINTY * periodMs;
    return new Pulse(
        division,
        null,
        place,
        timeMs,
        periodMs,
        NOISE_MS * NOISE_MS,
        0,
        uncertain * uncertain,
        chance,
        chance);
  }

  /** The ways to count on to another event: as the place that is nearest, or one beside it. */
  List<Pulse> on(double eventMs) {
    int nearest = Math.max(1, (int) Math.round((eventMs - timeMs) / periodMs));
    List<Pulse> result = new ArrayList<>();
    for (int parts = Math.max(1, nearest - 1); parts <= nearest + 1; parts++) {
      result.add(on(eventMs, parts));
    }
    return result;
  }

  private Pulse on(double eventMs, int parts) {
    double wander = WANDER * periodMs;
    double pv = periodVariance + wander * wander * parts;
    double cov = covariance + parts * periodVariance;
    double tv = timeVariance + 2 * parts * covariance + parts * parts * pv;
    double expected = timeMs + parts * periodMs;
    double off = eventMs - expected;
    double seen = tv + NOISE_MS * NOISE_MS;
    double gain = tv / seen;
    double periodGain = cov / seen;
    double squares = off * off / seen;
    double likelihood = -(Math.min(squares, FARTHEST_SQUARES) + Math.log(seen)) / 2;
    double passing = division.passing(place, place + parts);
    double trusted = squares > FARTHEST_SQUARES ? 0.1 : 1;
    return new Pulse(
        division,
        this,
        place + parts,
        expected + trusted * gain * off,
        periodMs + trusted * periodGain * off,
        (1 - trusted * gain) * tv,
        (1 - trusted * gain) * cov,
        Math.max(1e-6, pv - trusted * periodGain * cov),
        score + likelihood + passing,
        placing + passing);
  }

  Division division() {
    return division;
  }

  /** The logarithm of how probable all that was heard is, up to a constant. */
  double score() {
    return score;
  }

  /**
   * The same, with the chances of the places of the beat taken from the phrase itself: each place
   * as what was heard before foretells it.
   */
  double weighed() {
    return score - placing + division.evidence(places());
  }

  /** How long a beat was in the mean. */
  double meanBeatMs() {
    return (timeMs - firstMs) * division.parts() / Math.max(1, place - firstPlace);
  }

  /** The places of all events, in order. */
  int[] places() {
    int[] places = new int[count];
    Pulse at = this;
    for (int i = count - 1; i >= 0; i--) {
      places[i] = at.place;
      at = at.before;
    }
    return places;
  }
}
