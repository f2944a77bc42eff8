package flailbeat.core.quantize.beat;

import java.util.Arrays;
import java.util.List;

/**
 * A phrase that has been counted through: which place each event has, and from these when each beat
 * comes. The beats are a smooth curve through the events: for each, a line is fitted to the events
 * near it, those that are nearer counting more (W. S. Cleveland, Journal of the American
 * Statistical Association 74, 1979; from memory). O(n + b w) for b beats with w events near each.
 */
final class Counted {
  /** Within so many beats an event counts. */
  private static final double REACH = 5;

  /** No beat is so many times as long as most, or as short. */
  private static final double SLOWER = 2.5;

  private final double[] beats;
  private final double[] ms;
  private final double reach;

  Counted(Pulse pulse, List<Stroke> strokes) {
    reach = REACH;
    int n = strokes.size();
    int[] places = pulse.places();
    beats = new double[n];
    ms = new double[n];
    for (int i = 0; i < n; i++) {
      beats[i] = (double) places[i] / pulse.division().parts();
      ms[i] = strokes.get(i).ms();
    }
  }

  /**
   * Of events whose places are known.
   *
   * @param beats the place of each, in order
   * @param ms when each comes
   * @param reach within so many beats an event counts
   */
  Counted(double[] beats, double[] ms, double reach) {
    this.reach = reach;
    this.beats = beats;
    this.ms = ms;
  }

  /** The place of an event, in beats; the first event lies in beat 0. */
  double beat(int event) {
    return beats[event];
  }

  double meanBeatMs() {
    int last = beats.length - 1;
    return (ms[last] - ms[0]) / Math.max(0.25, beats[last] - beats[0]);
  }

  /** The guess whose bars begin at a beat, 0 up to the number of beats of a bar. */
  BeatGuess from(int barBeat, int beatsPerBar) {
    int first = barBeat == 0 ? 0 : barBeat - beatsPerBar;
    int last = Math.max(first + beatsPerBar, (int) Math.floor(beats[beats.length - 1]) + 1);
    double[] times = new double[last - first + 1];
    for (int b = first; b <= last; b++) {
      times[b - first] = timeOf(b);
    }
    return new BeatGuess(rising(times), beatsPerBar, 0);
  }

  /** Each a millisecond at least after the one before; the array itself. */
  static double[] rising(double... ms) {
    for (int i = 1; i < ms.length; i++) {
      ms[i] = Math.max(ms[i], ms[i - 1] + 1);
    }
    return ms;
  }

  private int firstFrom(double beat) {
    int at = Arrays.binarySearch(beats, beat);
    return at < 0 ? -at - 1 : at;
  }

  /** When a place comes, by the events near it. */
  double timeOf(double beat) {
    double inner = Math.clamp(beat, beats[0], beats[beats.length - 1]);
    double w = 0;
    double wx = 0;
    double wy = 0;
    double wxx = 0;
    double wxy = 0;
    for (int i = firstFrom(inner - reach); i < beats.length && beats[i] < inner + reach; i++) {
      double away = Math.abs(beats[i] - inner) / reach;
      if (away < 1) {
        double cube = 1 - away * away * away;
        double weight = cube * cube * cube;
        double x = beats[i] - beat;
        w += weight;
        wx += weight * x;
        wy += weight * ms[i];
        wxx += weight * x * x;
        wxy += weight * x * ms[i];
      }
    }
    if (w == 0) {
      return inRest(beat);
    }
    double apart = w * wxx - wx * wx;
    double usual = meanBeatMs();
    double slope = apart < 1e-9 * w * w ? usual : (w * wxy - wx * wy) / apart;
    double bounded = Math.clamp(slope, usual / SLOWER, usual * SLOWER);
    return (wy - bounded * wx) / w;
  }

  /** In a long rest the beats go evenly from what comes before it to what comes after. */
  private double inRest(double beat) {
    int after = Math.clamp(firstFrom(beat), 1, beats.length - 1);
    double share = (beat - beats[after - 1]) / (beats[after] - beats[after - 1]);
    return ms[after - 1] + share * (ms[after] - ms[after - 1]);
  }
}
