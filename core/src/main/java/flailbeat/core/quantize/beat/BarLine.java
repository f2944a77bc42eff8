package flailbeat.core.quantize.beat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Which beat begins the bar: common practice has it that longer, louder, lower and fuller notes
 * stand there, that phrases mostly begin there, and that what changes changes there.
 *
 * @param beat 0 up to the number of beats of a bar
 * @param weight the logarithm of how likely it is, up to a constant
 */
record BarLine(int beat, double weight) {
  private static final double LONGER = 0.5;
  private static final double LOUDER = 0.03;
  private static final double FULLER = 0.5;
  private static final double LOWER = 0.04;
  private static final double PLAYED = 0.3;

  /** Phrases begin on the bar line more often than not; if before it, then just before. */
  private static final double BEGINS = 1.6;

  private static final double BEGINS_JUST_BEFORE = 0.7;
  private static final double MOST_LONGER = 1.5;
  private static final double ON_BEAT = 0.05;

  /** All there may be. */
  static List<BarLine> of(Counted counted, List<Stroke> strokes, int beatsPerBar) {
    double[] weights = new double[beatsPerBar];
    double length = median(strokes.stream().mapToDouble(Stroke::lengthMs).toArray());
    double loud = strokes.stream().mapToInt(Stroke::velocity).average().orElse(0);
    double low = strokes.stream().mapToInt(Stroke::lowest).average().orElse(0);
    for (int i = 0; i < strokes.size(); i++) {
      double beat = counted.beat(i);
      if (Math.abs(beat - Math.rint(beat)) < ON_BEAT) {
        Stroke s = strokes.get(i);
        double longer = Math.log(Math.max(1, s.lengthMs()) / Math.max(1, length));
        weights[Math.floorMod((int) Math.rint(beat), beatsPerBar)] +=
            PLAYED
                + LONGER * Math.clamp(longer, -MOST_LONGER, MOST_LONGER)
                + LOUDER * (s.velocity() - loud)
                + FULLER * (s.notes() - 1)
                + LOWER * (low - s.lowest());
      }
    }
    double first = counted.beat(0);
    weights[Math.floorMod((int) Math.ceil(first - ON_BEAT), beatsPerBar)] +=
        Math.abs(first - Math.rint(first)) < ON_BEAT ? BEGINS : BEGINS_JUST_BEFORE;
    List<BarLine> result = new ArrayList<>();
    for (int beat = 0; beat < beatsPerBar; beat++) {
      result.add(new BarLine(beat, weights[beat]));
    }
    return result;
  }

  private static double median(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    return sorted[sorted.length / 2];
  }
}
