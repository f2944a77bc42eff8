package flailbeat.core.quantize.fit;

import java.util.List;

/**
 * How sure each event's slot is.
 *
 * @param other the slot that is likeliest but for the one chosen
 * @param doubt the probability that another slot was meant, 0 to 1
 */
public record Doubts(int[] other, double[] doubt) {
  /** The model is not the player: its odds are taken with caution, nearer to even. */
  private static final double TEMPER = 0.8;

  /** What is surer than this is sure, with caution or without. */
  private static final double SURE = 0.998;

  /**
   * How sure the slots of the likeliest reading are, all readings considered. O(n) for n events.
   *
   * @param readings at least one, the likeliest first
   */
  static Doubts of(List<Reading> readings) {
    int n = readings.get(0).slot().length;
    Doubts result = new Doubts(new int[n], new double[n]);
    Candidates candidates = new Candidates(readings);
    boolean alone = readings.size() == 1;
    for (int i = 0; i < n; i++) {
      if (!alone || !result.isSure(i, readings.get(0))) {
        candidates.weigh(i);
        result.other[i] = candidates.other;
        result.doubt[i] = candidates.doubt;
      }
    }
    return result;
  }

  /** Most events are sure beyond doubt: these need no weighing. */
  private boolean isSure(int i, Reading reading) {
    Posterior posterior = reading.posterior();
    int chosen = reading.slot()[i] - posterior.first()[i];
    int at = i * posterior.near();
    double[] p = posterior.probability();
    if (p[at + chosen] < SURE || posterior.near() == 1) {
      return false;
    }
    int runnerUp = chosen == 0 ? 1 : 0;
    for (int c = 0; c < posterior.near(); c++) {
      runnerUp = c != chosen && p[at + c] > p[at + runnerUp] ? c : runnerUp;
    }
    other[i] = posterior.first()[i] + runnerUp;
    doubt[i] = 1 - p[at + chosen];
    return true;
  }

  /** The slots that one event may be meant for, of all readings, with their probabilities. */
  private static final class Candidates {
    private final List<Reading> readings;
    private final int[] slots;
    private final double[] sums;
    private int count;
    int other;
    double doubt;

    Candidates(List<Reading> readings) {
      this.readings = readings;
      int most = readings.stream().mapToInt(r -> r.posterior().near()).sum();
      slots = new int[most];
      sums = new double[most];
    }

    void weigh(int i) {
      int chosen = readings.get(0).slot()[i];
      count = 0;
      for (Reading reading : readings) {
        add(i, reading);
      }
      int best = -1;
      double sure = 0;
      for (int j = 0; j < count; j++) {
        if (slots[j] == chosen) {
          sure = sums[j];
        } else if (best < 0 || sums[j] > sums[best]) {
          best = j;
        }
      }
      other = best < 0 ? chosen : slots[best];
      doubt = Math.clamp(1 - sure, 0, 1);
    }

    private void add(int i, Reading reading) {
      Posterior posterior = reading.posterior();
      int near = posterior.near();
      double all = 0;
      for (int c = 0; c < near; c++) {
        all += Math.pow(posterior.probability()[i * near + c], TEMPER);
      }
      for (int c = 0; c < near; c++) {
        double p = Math.pow(posterior.probability()[i * near + c], TEMPER) / all;
        add(posterior.first()[i] + c, reading.weight() * p);
      }
    }

    private void add(int slot, double p) {
      for (int j = 0; j < count; j++) {
        if (slots[j] == slot) {
          sums[j] += p;
          return;
        }
      }
      slots[count] = slot;
      sums[count++] = p;
    }
  }
}
