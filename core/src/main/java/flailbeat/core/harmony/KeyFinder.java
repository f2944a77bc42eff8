package flailbeat.core.harmony;

import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.pitch.Scale;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Finds the key of music from how long each pitch class sounds. What speaks for a key:
 *
 * <ul>
 *   <li>the correlation with the profiles of C. Krumhansl and E. Kessler (Psychological Review 89,
 *       1982), as in C. Krumhansl, Cognitive Foundations of Musical Pitch, 1990; long notes count
 *       less than in proportion; for Mixolydian the two sevenths of major are exchanged, for Dorian
 *       the two sixths of minor;
 *   <li>how much of what sounds is its tonic, and how little is foreign to it;
 *   <li>that the first bass note is its tonic or fifth, and the last its tonic.
 * </ul>
 *
 * <p>How much each weighs was fitted (a multinomial logit) to 70 % of some 2,900 tunes of three
 * printed collections, and is rounded; docs/chords.md has what others come to. O(1) beside the
 * sums.
 */
public final class KeyFinder {
  private static final double[] MAJOR = {
    6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88
  };
  private static final double[] MINOR = {
    6.33, 2.68, 3.52, 5.38, 2.60, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17
  };

  private static final double CORRELATION = 6;
  private static final double TONIC = 7;
  private static final double FOREIGN = 7;
  private static final double FIRST_IS_TONIC = 0.5;
  private static final double FIRST_IS_FIFTH = 0.8;
  private static final double LAST_IS_TONIC = 2;

  /** A little that is foreign weighs nearly as much as much of it. */
  private static final double HOW_FOREIGN = 0.25;

  private static final int FIFTH = 7;
  private static final int MINOR_SIXTH = 8;
  private static final int MAJOR_SIXTH = 9;
  private static final int MINOR_SEVENTH = 10;
  private static final int MAJOR_SEVENTH = 11;

  /** Those that are told apart. */
  static final List<Scale> MODES =
      List.of(Scale.MAJOR, Scale.NATURAL_MINOR, Scale.DORIAN, Scale.MIXOLYDIAN);

  private KeyFinder() {}

  /** How well durations fit a key, -1 to 1; 0 where all are alike. */
  static double correlation(double[] durations, int tonic, Scale mode) {
    double[] profile = profile(tonic, mode);
    double meanOfProfile = Arrays.stream(profile).average().orElseThrow();
    double mean = Arrays.stream(durations).average().orElseThrow();
    double product = 0;
    double square = 0;
    double squareOfProfile = 0;
    for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
      double a = durations[pitch] - mean;
      double b = profile[pitch] - meanOfProfile;
      product += a * b;
      square += a * a;
      squareOfProfile += b * b;
    }
    return square == 0 ? 0 : product / Math.sqrt(square * squareOfProfile);
  }

  /** The profile of a key, C first. */
  static double[] profile(int tonic, Scale mode) {
    double[] degrees = isMinor(mode) ? MINOR : MAJOR;
    double[] result = new double[Pitch.OCTAVE];
    for (int above = 0; above < Pitch.OCTAVE; above++) {
      result[(tonic + above) % Pitch.OCTAVE] = degrees[asInMajorOrMinor(above, mode)];
    }
    return result;
  }

  static boolean isMinor(Scale mode) {
    return mode == Scale.NATURAL_MINOR || mode == Scale.DORIAN;
  }

  /** Semitones above the tonic, with the degree exchanged that tells a mode from major or minor. */
  static int asInMajorOrMinor(int above, Scale mode) {
    int first =
        switch (mode) {
          case DORIAN -> MINOR_SIXTH;
          case MIXOLYDIAN -> MINOR_SEVENTH;
          default -> Pitch.OCTAVE;
        };
    return above == first ? first + 1 : above == first + 1 ? first : above;
  }

  /**
   * How foreign a pitch is to a mode, 0 to 1: minor has its leading note, and now and then more.
   */
  private static double foreign(int above, Scale mode) {
    if (new Key(0, mode).has(above)) {
      return 0;
    }
    if (mode == Scale.NATURAL_MINOR) {
      return above == MAJOR_SEVENTH ? 0.3 : above == MAJOR_SIXTH ? 0.7 : 1;
    }
    return 1;
  }

  /** How rare a mode is: the logarithm of its likelihood beside major. */
  static double rarity(Scale mode) {
    return switch (mode) {
      case MAJOR -> 0;
      case NATURAL_MINOR -> 0.5;
      default -> 2;
    };
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
    double all = Arrays.stream(durations).sum();
    if (all <= 0) {
      return List.of();
    }
    double[] levelled = Arrays.stream(durations).map(Math::sqrt).toArray();
    double[] foreign = Arrays.stream(durations).map(d -> Math.pow(d / all, HOW_FOREIGN)).toArray();
    List<KeyReading> fits = new ArrayList<>();
    double most = Double.NEGATIVE_INFINITY;
    for (int tonic = 0; tonic < Pitch.OCTAVE; tonic++) {
      for (Scale mode : MODES) {
        double fit =
            CORRELATION * correlation(levelled, tonic, mode)
                + TONIC * durations[tonic] / all
                - FOREIGN * foreign(foreign, tonic, mode)
                + (tonic == firstBass ? FIRST_IS_TONIC : 0)
                + ((tonic + FIFTH) % Pitch.OCTAVE == firstBass ? FIRST_IS_FIFTH : 0)
                + (tonic == lastBass ? LAST_IS_TONIC : 0)
                - rarity(mode);
        fits.add(new KeyReading(new Key(tonic, mode), fit));
        most = Math.max(most, fit);
      }
    }
    double top = most;
    double sum = fits.stream().mapToDouble(r -> Math.exp(r.share() - top)).sum();
    return fits.stream()
        .map(r -> new KeyReading(r.key(), Math.exp(r.share() - top) / sum))
        .sorted(Comparator.comparingDouble(KeyReading::share).reversed())
        .toList();
  }

  private static double foreign(double[] weights, int tonic, Scale mode) {
    double result = 0;
    for (int above = 0; above < Pitch.OCTAVE; above++) {
      result += weights[(tonic + above) % Pitch.OCTAVE] * foreign(above, mode);
    }
    return result;
  }
}
