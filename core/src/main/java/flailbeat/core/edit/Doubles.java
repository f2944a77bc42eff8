package flailbeat.core.edit;

import flailbeat.core.pitch.Pitch;
import java.util.Arrays;
import java.util.function.IntUnaryOperator;

/**
 * Keys that were struck twice and meant once. A pitch that is struck again within {@value
 * #DOUBLE_MS} ms was struck once, since no hand repeats a key within some 60 ms. Where a part has
 * more that come {@value #DOUBLE_MS} to {@value #REPEATED_MS} ms apart, strokes are so wide of
 * their time that those nearer to one another are no doubles either: then {@value #SURE_DOUBLE_MS}
 * ms count. Asked stroke by stroke, in order.
 */
public final class Doubles {
  /** How far apart one pitch may be struck twice, and be meant once. */
  private static final double DOUBLE_MS = 30;

  /** So far apart it surely was, however wide of their time strokes are. */
  private static final double SURE_DOUBLE_MS = 12;

  /** Hardly any hand repeats a key sooner. */
  private static final double REPEATED_MS = 70;

  private final double[] first = new double[Pitch.HIGHEST + 1];
  private final double[] last = new double[Pitch.HIGHEST + 1];
  private final double withinMs;

  /**
   * Those of a part. O(n).
   *
   * @param ms when each note is struck, in order
   * @param pitch of each by its number
   */
  public Doubles(double[] ms, IntUnaryOperator pitch) {
    forget();
    int near = 0;
    int farther = 0;
    for (int i = 0; i < ms.length; i++) {
      double apart = ms[i] - last[pitch.applyAsInt(i)];
      near += apart > SURE_DOUBLE_MS && apart <= DOUBLE_MS ? 1 : 0;
      farther += apart > DOUBLE_MS && apart <= REPEATED_MS ? 1 : 0;
      last[pitch.applyAsInt(i)] = ms[i];
    }
    withinMs = near > farther ? DOUBLE_MS : SURE_DOUBLE_MS;
    forget();
  }

  /** Whether a stroke belongs to one that came before; else it is one that others may belong to. */
  public boolean isDouble(int pitch, double ms) {
    boolean again = ms - first[pitch] <= withinMs || ms - last[pitch] <= SURE_DOUBLE_MS;
    last[pitch] = ms;
    first[pitch] = again ? first[pitch] : ms;
    return again;
  }

  /** Whether a pitch was struck since all was forgotten. */
  boolean wasStruck(int pitch) {
    return first[pitch] > Double.NEGATIVE_INFINITY;
  }

  /** Forgets all strokes, to begin anew with one. */
  void beginWith(int pitch, double ms) {
    forget();
    first[pitch] = ms;
    last[pitch] = ms;
  }

  private void forget() {
    Arrays.fill(first, Double.NEGATIVE_INFINITY);
    Arrays.fill(last, Double.NEGATIVE_INFINITY);
  }
}
