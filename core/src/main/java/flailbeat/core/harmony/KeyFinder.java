package flailbeat.core.harmony;

import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.pitch.Scale;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Finds the key of music from how long each pitch class sounds: the correlation with the profiles
 * of C. Krumhansl and E. Kessler (Psychological Review 89, 1982), as in C. Krumhansl, Cognitive
 * Foundations of Musical Pitch, 1990. Long notes count less than in proportion, and to that comes
 * what the first and the last bass note say of the tonic (both from tunes with known keys). Of a
 * major key with a lowered seventh it is said that it is Mixolydian, of a minor one with a raised
 * sixth that it is Dorian, where the other degree hardly sounds. O(1) beside the sums.
 */
public final class KeyFinder {
  private static final double[] MAJOR = {
    6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88
  };
  private static final double[] MINOR = {
    6.33, 2.68, 3.52, 5.38, 2.60, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17
  };

  /**
   * What a correlation that is larger by 1 adds to the logarithm of the likelihood: on 64 tunes
   * with this the mean share told is as large as the share of keys that are right.
   */
  private static final double STEEPNESS = 8;

  /**
   * What the first and the last bass note add to the correlation of keys of which they are tonic.
   */
  private static final double END_BASS = 0.1;

  /** What a mode other than major and minor takes from it. */
  private static final double RARE_MODE = 0.2;

  /** So many times as long as the degree that a mode has not must that sound which it has. */
  private static final double MODE_RATIO = 6;

  private KeyFinder() {}

  /** How well durations fit a key, -1 to 1; 0 where all are alike. */
  static double correlation(double[] durations, int tonic, boolean minor) {
    double[] profile = minor ? MINOR : MAJOR;
    double meanOfProfile = Arrays.stream(profile).average().orElseThrow();
    double mean = Arrays.stream(durations).average().orElseThrow();
    double product = 0;
    double square = 0;
    double squareOfProfile = 0;
    for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
      double a = durations[pitch] - mean;
      double b = profile[Math.floorMod(pitch - tonic, Pitch.OCTAVE)] - meanOfProfile;
      product += a * b;
      square += a * a;
      squareOfProfile += b * b;
    }
    return square == 0 ? 0 : product / Math.sqrt(square * squareOfProfile);
  }

  /** The profile of a key, C first. */
  static double[] profile(int tonic, boolean minor) {
    double[] result = new double[Pitch.OCTAVE];
    for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
      result[pitch] = (minor ? MINOR : MAJOR)[Math.floorMod(pitch - tonic, Pitch.OCTAVE)];
    }
    return result;
  }

  /**
   * The keys that music may be in, the likeliest first; none where nothing sounds.
   *
   * @param durations of the twelve pitch classes, C first, in any unit
   * @param firstBass the pitch class of the lowest note that sounds first; -1 where it says
   *     nothing, as in the middle of a piece
   * @param lastBass likewise of those that sound last
   */
  public static List<KeyReading> keys(double[] durations, int firstBass, int lastBass) {
    if (Arrays.stream(durations).sum() <= 0) {
      return List.of();
    }
    double[] levelled = Arrays.stream(durations).map(Math::sqrt).toArray();
    List<KeyReading> result = new ArrayList<>();
    double sum = 0;
    for (int tonic = 0; tonic < Pitch.OCTAVE; tonic++) {
      for (boolean minor : new boolean[] {false, true}) {
        Scale mode = mode(durations, tonic, minor);
        double fit =
            correlation(levelled, tonic, minor)
                + (tonic == firstBass ? END_BASS : 0)
                + (tonic == lastBass ? END_BASS : 0)
                - (mode == Scale.DORIAN || mode == Scale.MIXOLYDIAN ? RARE_MODE : 0);
        double likely = Math.exp(STEEPNESS * fit);
        result.add(new KeyReading(new Key(tonic, mode), likely));
        sum += likely;
      }
    }
    double all = sum;
    result.replaceAll(r -> new KeyReading(r.key(), r.share() / all));
    result.sort(Comparator.comparingDouble(KeyReading::share).reversed());
    return List.copyOf(result);
  }

  private static Scale mode(double[] durations, int tonic, boolean minor) {
    double lowered = durations[(tonic + (minor ? 8 : 10)) % Pitch.OCTAVE];
    double raised = durations[(tonic + (minor ? 9 : 11)) % Pitch.OCTAVE];
    if (minor) {
      return raised > MODE_RATIO * lowered ? Scale.DORIAN : Scale.NATURAL_MINOR;
    }
    return lowered > MODE_RATIO * raised ? Scale.MIXOLYDIAN : Scale.MAJOR;
  }
}
