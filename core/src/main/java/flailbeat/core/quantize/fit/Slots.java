package flailbeat.core.quantize.fit;

/**
 * Where notes may stand, in order of time.
 *
 * @param ms when each comes
 * @param place which place of the beat each is, from 0
 * @param weight for each place, how strong it is: 1 on the beat, less off it
 * @param barPlace which place of the bar each is, from 0
 * @param beat the number of the beat that each lies in
 * @param family what each belongs to alone: {@value #BOTH} to every division, {@value #STRAIGHT} to
 *     straight ones, {@value #TRIPLET} to triplets
 */
public record Slots(
    double[] ms, int[] place, double[] weight, int[] barPlace, int[] beat, byte[] family) {
  /** It belongs to every division. */
  public static final byte BOTH = 0;

  /** It belongs to straight divisions alone. */
  public static final byte STRAIGHT = 1;

  /** It belongs to triplets alone. */
  public static final byte TRIPLET = 2;

  int size() {
    return ms.length;
  }

  /** The first slot at or after a time; {@link #size()} when there is none. */
  int firstAtOrAfter(double time) {
    int low = 0;
    int high = ms.length;
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (ms[mid] < time) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low;
  }
}
