package flailbeat.core.quantize.beat;

import flailbeat.core.time.Meter;
import java.util.Arrays;
import java.util.Optional;

/**
 * One way to hear the beat of a phrase.
 *
 * @param beatMs when each beat comes, in order, from the first bar line at or before the phrase to
 *     the first beat after it; at least two
 * @param beatsPerBar how many beats make a bar: every such beat, from the first on, is a bar line
 * @param probability among those found, 0 to 1
 * @param meter that was heard; empty where that of the song is taken for granted
 * @param bpm the tempo in the mean, in what is counted a minute: quarters, in 6/8 and 9/8 dotted
 *     ones
 */
public record BeatGuess(
    double[] beatMs, int beatsPerBar, double probability, Optional<Meter> meter, double bpm) {
  private static final double MS_PER_MINUTE = 60_000;

  /** One whose meter is taken for granted. */
  public BeatGuess(double[] beatMs, int beatsPerBar, double probability) {
    this(
        beatMs,
        beatsPerBar,
        probability,
        Optional.empty(),
        MS_PER_MINUTE * (beatMs.length - 1) / (beatMs[beatMs.length - 1] - beatMs[0]));
  }

  /** How long a beat is in the mean. */
  public double meanBeatMs() {
    return (beatMs[beatMs.length - 1] - beatMs[0]) / (beatMs.length - 1);
  }

  /** How much the tempo varies: the fastest beat's over the slowest's, in per cent. */
  public double variationPercent() {
    double least = Double.MAX_VALUE;
    double most = 0;
    for (int i = 1; i < beatMs.length; i++) {
      double length = beatMs[i] - beatMs[i - 1];
      least = Math.min(least, length);
      most = Math.max(most, length);
    }
    return 100 * (most / least - 1);
  }

  /** How many beats from the first to a moment; before and after, as at the ends. */
  public double beatsAt(double ms) {
    int at = Arrays.binarySearch(beatMs, ms);
    int i = Math.clamp(at >= 0 ? at : -at - 2, 0, beatMs.length - 2);
    return i + (ms - beatMs[i]) / (beatMs[i + 1] - beatMs[i]);
  }

  /** The same at its tempo in the mean throughout. */
  public BeatGuess even() {
    double[] even = new double[beatMs.length];
    for (int i = 0; i < even.length; i++) {
      even[i] = beatMs[0] + i * meanBeatMs();
    }
    return new BeatGuess(even, beatsPerBar, probability, meter, bpm);
  }

  BeatGuess withProbability(double value) {
    return new BeatGuess(beatMs, beatsPerBar, value, meter, bpm);
  }
}
