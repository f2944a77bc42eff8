package flailbeat.core.quantize;

import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * How early or late one place of the bar is played.
 *
 * @param place from the bar's start, 0 to 1
 * @param meanMs in the mean; negative is early
 * @param notes how many were played there
 */
public record SlotTiming(double place, double meanMs, int notes) {
  /** Of the notes of a plan, by the places of their lines, in order. O(n log n). */
  public static List<SlotTiming> of(QuantizePlan plan, MeterMap meters) {
    Map<Double, double[]> sums = new TreeMap<>();
    List<NotePlan> notes = plan.notes();
    for (int i = 0; i < notes.size(); i++) {
      if (!notes.get(i).note().played().isPerformed()) {
        continue;
      }
      TickRange bar = meters.barRangeAt(notes.get(i).line());
      double place = (double) (notes.get(i).line() - bar.start()) / bar.length();
      double[] sum = sums.computeIfAbsent(place, p -> new double[2]);
      sum[0] += plan.deviationMs(i);
      sum[1]++;
    }
    List<SlotTiming> result = new ArrayList<>();
    sums.forEach((place, sum) -> result.add(new SlotTiming(place, sum[0] / sum[1], (int) sum[1])));
    return result;
  }
}
