package flailbeat.core.quantize.fit;

import java.util.Arrays;

/** Where in the beat a part's own metre may lie. */
final class Metres {
  /** How probable it is, before anything is heard, that a part's beat is the song's off-beat. */
  private static final double OFF_BEAT = 0.30;

  /** How probable it is that its beat lies anywhere else; shared by all such places. */
  private static final double ELSEWHERE = 0.06;

  private Metres() {}

  /**
   * How likely the metre is to lie so many places of the beat later than it is written: half a beat
   * is usual in off-beat playing, anything else is rare.
   */
  static double[] weights(int places, boolean mixed) {
    if (mixed || places == 1) {
      return new double[] {1};
    }
    double[] weights = new double[places];
    boolean hasHalf = places % 2 == 0 && places > 2;
    int others = places - (hasHalf ? 2 : 1);
    Arrays.fill(weights, ELSEWHERE / others);
    weights[0] = 1 - ELSEWHERE - (hasHalf ? OFF_BEAT : 0);
    if (hasHalf) {
      weights[places / 2] = OFF_BEAT;
    }
    return weights;
  }
}
