package flailbeat.core.quantize.fit;

import java.util.Arrays;

/**
 * What was put exactly, in the same part, beside what was played: which slots it stands on, and the
 * bars in which it thereby tells of every slot whether something is there.
 */
final class Anchors {
  private final Slots slots;
  private final boolean[] tells;
  private final int first;
  private final int end;
  private double[] ahead = {};
  private double[] aheadWeight = {};

  Anchors(Slots slots) {
    this.slots = slots;
    this.tells = new boolean[slots.size()];
    int from = slots.size();
    int to = 0;
    int bar = 0;
    while (bar < slots.size()) {
      int next = slots.barEnd(bar);
      if (isAnchored(bar, next)) {
        Arrays.fill(tells, bar, next, true);
        from = Math.min(from, bar);
        to = next;
      }
      bar = next;
    }
    first = from;
    end = to;
  }

  private boolean isAnchored(int from, int to) {
    for (int s = from; s < to; s++) {
      if (slots.anchored()[s]) {
        return true;
      }
    }
    return end > 0;
  }

  /** Whether there are any. */
  boolean any() {
    return end > 0;
  }

  /** The first slot of the first bar that has one. */
  int first() {
    return first;
  }

  /** The slot after the last bar that has one. */
  int end() {
    return end;
  }

  /** Whether a slot lies in a bar that has one. */
  boolean tells(int slot) {
    return tells[slot];
  }

  /** 1 where one stands, else 0. */
  double at(int slot) {
    return slots.anchored()[slot] ? 1 : 0;
  }

  /** Counts, for each place of the beat, how often one stands there, and how often one might. */
  void count(double[] counts, double[] chances) {
    for (int s = first; s < end; s++) {
      if (tells[s]) {
        counts[slots.place()[s]] += at(s);
        chances[slots.place()[s]]++;
      }
    }
  }

  /**
   * Looks from each slot of a stretch at the same place of its own bar and of those behind.
   *
   * @param memory how much less a bar says than one that lies a bar nearer
   */
  void lookAhead(int from, int to, double memory) {
    if (ahead.length == 0) {
      ahead = new double[slots.size()];
      aheadWeight = new double[slots.size()];
    }
    int barPlaces = Arrays.stream(slots.barPlace()).max().orElse(0) + 1;
    double[] sum = new double[barPlaces];
    double[] weight = new double[barPlaces];
    for (int s = Math.max(to, end) - 1; s >= from; s--) {
      int place = slots.barPlace()[s];
      sum[place] = memory * (sum[place] + at(s));
      weight[place] = memory * (weight[place] + (tells[s] ? 1 : 0));
      ahead[s] = sum[place];
      aheadWeight[s] = weight[place];
    }
  }

  /** How much of what was looked at stands there, by the weight of each bar. */
  double ahead(int slot) {
    return ahead[slot];
  }

  /** How much was looked at. */
  double aheadWeight(int slot) {
    return aheadWeight[slot];
  }
}
