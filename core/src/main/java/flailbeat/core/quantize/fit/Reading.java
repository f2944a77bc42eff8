package flailbeat.core.quantize.fit;

import java.util.Arrays;

/**
 * One way to understand a whole phrase.
 *
 * @param slot the slot of each event
 * @param lagMs how late the player was at each event; negative is early
 * @param spreadMs the standard deviation about that
 * @param evidence the logarithm of how well it explains the phrase, up to a constant
 * @param weight its probability among the readings, 0 to 1
 * @param posterior how probable each slot is by this reading
 * @param likeness how the bars resemble one another
 */
public record Reading(
    int[] slot,
    double[] lagMs,
    double spreadMs,
    double evidence,
    double weight,
    Posterior posterior,
    Occupancy.Likeness likeness) {
  Reading withWeight(double value) {
    return new Reading(slot, lagMs, spreadMs, evidence, value, posterior, likeness);
  }

  /** How many slots later it reads the phrase as a whole than another: the median of its events. */
  public int slotsFrom(Reading other) {
    int[] apart = new int[slot.length];
    for (int i = 0; i < apart.length; i++) {
      apart[i] = slot[i] - other.slot[i];
    }
    Arrays.sort(apart);
    return apart.length == 0 ? 0 : apart[apart.length / 2];
  }

  /** The lag of the phrase as a whole: the mean over its events. */
  public double meanLagMs() {
    double sum = 0;
    for (double lag : lagMs) {
      sum += lag;
    }
    return lagMs.length == 0 ? 0 : sum / lagMs.length;
  }
}
