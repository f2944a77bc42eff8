package flailbeat.core.quantize.fit;

/**
 * How probable each slot is for each event.
 *
 * @param first for each event, the first of the slots near it
 * @param near how many slots are near each
 * @param probability event by event, of each slot near it; sums to 1 for each event
 * @param spreadMs the spread that was taken to be true
 * @param evidence the logarithm of the probability of everything heard, all paths considered, up to
 *     a constant
 */
public record Posterior(
    int[] first, int near, double[] probability, double spreadMs, double evidence) {
  int size() {
    return first.length;
  }

  private static final double SURE = 0.99;

  /** Whether an event is next to certainly meant for a slot. */
  boolean isSure(int event, int slot) {
    return probability[event * near + slot - first[event]] >= SURE;
  }

  /** The likeliest slot of each event, seen alone. */
  int[] likeliest() {
    int[] result = new int[size()];
    for (int i = 0; i < result.length; i++) {
      int best = i * near;
      for (int j = best + 1; j < (i + 1) * near; j++) {
        best = probability[j] > probability[best] ? j : best;
      }
      result[i] = first[i] + best - i * near;
    }
    return result;
  }
}
