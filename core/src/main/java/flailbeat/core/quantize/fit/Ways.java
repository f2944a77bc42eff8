package flailbeat.core.quantize.fit;

/**
 * How probable it is to go on from the slots near one event to those near the next: past the slots
 * between, each of which might have been played on, but was not. What comes from all slots behind
 * goes along together, so that an event costs O(k + gap) for k slots near it.
 *
 * <p>Events keep their order. Two may share a slot, which is rare; when they share a pitch as well
 * it is next to impossible.
 */
abstract class Ways {
  /** Two events that are no chord may share a slot; so probable is it. */
  static final double TOGETHER_COSTS = 4.5;

  static final double TOGETHER = Math.exp(-TOGETHER_COSTS);

  /** Two notes of one pitch never do, where there is any other way. */
  static final double ONE_PITCH_COSTS = 60;

  static final double ONE_PITCH = Math.exp(-ONE_PITCH_COSTS);

  /** A rest of more slots than so is passed in one step. */
  private static final int LONG_REST = 64;

  final int near;
  final Occupancy occupancy;
  double[] played = {};

  Ways(int near, Occupancy occupancy) {
    this.near = near;
    this.occupancy = occupancy;
  }

  static Ways of(Slots slots, int near, Occupancy occupancy) {
    return slots.isMixed() ? new MixedWays(slots, near, occupancy) : new PlainWays(near, occupancy);
  }

  /** Takes over what the occupancy has learned. */
  void refresh() {
    played = occupancy.probabilities();
  }

  /** Where, in a long rest, to go on after the slots near the event before. */
  final int resumeAt(int from, int to) {
    return to - from - near > LONG_REST ? to : from + near;
  }

  /** The logarithm of what was left out in a long rest. */
  final double leftOut(int from, int to) {
    int end = from + near;
    return resumeAt(from, to) == end ? 0 : -occupancy.passed(end, to);
  }

  /**
   * Carries the probabilities of an event's slots on to those of the next.
   *
   * @param p the probabilities; those of the first event begin at {@code at}, and the others are
   *     written behind them
   * @param from the first slot near the one event
   * @param to the first slot near the next, not before {@code from}
   * @param stays how probable it is that both share a slot
   */
  abstract void forward(double[] p, int at, int from, int to, double stays);

  /**
   * Carries back what is yet to come.
   *
   * @param coming for each slot near the later event, how probable what comes from there is
   * @param back the same for each slot near the earlier one; written
   */
  abstract void backward(double[] coming, double[] back, int from, int to, double stays);

  /**
   * As {@link #forward}, but with the best way alone.
   *
   * @param best of the slots near the earlier event
   * @param next of those near the next; written
   * @param origin which of the earlier slots each is best reached from; written at {@code at}
   */
  abstract void best(
      double[] best, double[] next, byte[] origin, int at, int from, int to, double stays);
}
