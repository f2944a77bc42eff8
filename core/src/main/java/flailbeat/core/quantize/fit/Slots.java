package flailbeat.core.quantize.fit;

import flailbeat.core.work.InOrder;
import java.util.Arrays;

/**
 * Where notes may stand, in order of time.
 *
 * @param ms when each comes
 * @param place which place of the beat each is, from 0
 * @param weight for each place, how strong it is: 1 on the beat, less off it
 * @param barPlace which place of the bar each is, from 0
 * @param beat the number of the beat that each lies in
 * @param family what each belongs to alone: {@value #BOTH} to every division, {@value #STRAIGHT} to
 *     straight ones, {@value #TRIPLET} to triplets, and so on
 * @param anchored whether a note stands there that was put and not played: that much is certain
 * @param beside whether another part has an onset there, which is in place
 */
public record Slots(
    double[] ms,
    int[] place,
    double[] weight,
    int[] barPlace,
    int[] beat,
    byte[] family,
    boolean[] anchored,
    boolean[] beside) {
  /** It belongs to every division. */
  public static final byte BOTH = 0;

  /** It belongs to straight divisions alone. */
  public static final byte STRAIGHT = 1;

  /** It belongs to triplets alone. */
  public static final byte TRIPLET = 2;

  /** It belongs to fifths alone. */
  public static final byte FIFTHS = 3;

  /** It belongs to sevenths alone. */
  public static final byte SEVENTHS = 4;

  /** With no anchors, and nothing beside. */
  public Slots(
      double[] ms, int[] place, double[] weight, int[] barPlace, int[] beat, byte[] family) {
    this(ms, place, weight, barPlace, beat, family, new boolean[ms.length], new boolean[ms.length]);
  }

  int size() {
    return ms.length;
  }

  /** The first slot of the bar after that of a slot. */
  int barEnd(int slot) {
    int s = slot + 1;
    while (s < size() && barPlace[s] > barPlace[s - 1]) {
      s++;
    }
    return s;
  }

  /** Whether there are slots that belong to different divisions alone. */
  boolean isMixed() {
    byte only = BOTH;
    for (byte f : family) {
      if (f != BOTH && only != BOTH && f != only) {
        return true;
      }
      only = f == BOTH ? only : f;
    }
    return false;
  }

  /** Those that begin before a time, and at least a few. */
  Slots upTo(double time) {
    int end = Math.min(size(), Math.max(from(0, time), 16));
    return new Slots(
        Arrays.copyOf(ms, end),
        Arrays.copyOf(place, end),
        weight,
        Arrays.copyOf(barPlace, end),
        Arrays.copyOf(beat, end),
        Arrays.copyOf(family, end),
        Arrays.copyOf(anchored, end),
        Arrays.copyOf(beside, end));
  }

  /** The median time from one to the next, in ms. */
  double medianGap() {
    return InOrder.medianGap(ms);
  }

  /**
   * The first slot at or after a time; {@link #size()} when there is none.
   *
   * @param near a slot from which to look: the nearer, the quicker
   */
  int from(int near, double time) {
    int at = Math.clamp(near, 0, size());
    if (at < size() && ms[at] < time) {
      int step = 1;
      while (at + step < size() && ms[at + step] < time) {
        at += step;
        step *= 2;
      }
      return InOrder.firstAtLeast(ms, at + 1, Math.min(at + step, size()), time);
    }
    while (at > 0 && ms[at - 1] >= time) {
      at--;
    }
    return at;
  }

  /** The slot nearest to a time, sought from one that is not far. */
  int nearest(int near, double time) {
    int at = from(near, time);
    if (at == size() || at > 0 && time - ms[at - 1] < ms[at] - time) {
      at--;
    }
    return at;
  }
}
