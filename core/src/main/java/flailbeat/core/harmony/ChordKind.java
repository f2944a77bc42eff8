package flailbeat.core.harmony;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What a chord is above its root: its quality and tensions. The symbols are those of lead sheets
 * (common practice); the degrees those of handbooks of harmony.
 */
public enum ChordKind {
  MAJOR("", "major", "1 3 5", 0),
  MINOR("m", "minor", "1 b3 5", 0),
  DIMINISHED("dim", "diminished", "1 b3 b5", 0.9),
  AUGMENTED("aug", "augmented", "1 3 #5", 1.2),
  SUSPENDED_FOURTH("sus4", "suspended fourth", "1 4 5", 0.7),
  SUSPENDED_SECOND("sus2", "suspended second", "1 2 5", 0.9),
  FIFTH("5", "fifth alone", "1 5", 0.6),
  SIXTH("6", "sixth", "1 3 5 6", 0.8),
  MINOR_SIXTH("m6", "minor sixth", "1 b3 5 6", 0.9),
  SEVENTH("7", "seventh", "1 3 5 b7", 0.2),
  MAJOR_SEVENTH("maj7", "major seventh", "1 3 5 7", 0.3),
  MINOR_SEVENTH("m7", "minor seventh", "1 b3 5 b7", 0.3),
  MINOR_MAJOR_SEVENTH("mMaj7", "minor with major seventh", "1 b3 5 7", 1.2),
  HALF_DIMINISHED("m7b5", "half-diminished", "1 b3 b5 b7", 0.6),
  DIMINISHED_SEVENTH("dim7", "diminished seventh", "1 b3 b5 bb7", 0.8),
  AUGMENTED_SEVENTH("7#5", "seventh with raised fifth", "1 3 #5 b7", 1.4),
  AUGMENTED_MAJOR_SEVENTH("maj7#5", "major seventh with raised fifth", "1 3 #5 7", 1.6),
  SEVENTH_FLAT_FIFTH("7b5", "seventh with lowered fifth", "1 3 b5 b7", 1.4),
  SEVENTH_SUSPENDED("7sus4", "seventh, suspended fourth", "1 4 5 b7", 0.9),
  ADDED_NINTH("add9", "added ninth", "1 3 5 9", 0.8),
  MINOR_ADDED_NINTH("madd9", "minor, added ninth", "1 b3 5 9", 0.9),
  ADDED_ELEVENTH("add11", "added eleventh", "1 3 5 11", 1.4),
  MINOR_ADDED_ELEVENTH("madd11", "minor, added eleventh", "1 b3 5 11", 1.4),
  SIXTH_NINTH("69", "sixth and ninth", "1 3 5 6 9", 1.1),
  MINOR_SIXTH_NINTH("m69", "minor sixth and ninth", "1 b3 5 6 9", 1.3),
  NINTH("9", "ninth", "1 3 5 b7 9", 0.6),
  MAJOR_NINTH("maj9", "major ninth", "1 3 5 7 9", 0.7),
  MINOR_NINTH("m9", "minor ninth", "1 b3 5 b7 9", 0.7),
  MINOR_MAJOR_NINTH("mMaj9", "minor with major seventh and ninth", "1 b3 5 7 9", 1.6),
  SEVENTH_FLAT_NINTH("7b9", "seventh, lowered ninth", "1 3 5 b7 b9", 0.9),
  SEVENTH_SHARP_NINTH("7#9", "seventh, raised ninth", "1 3 5 b7 #9", 1.0),
  NINTH_SUSPENDED("9sus4", "ninth, suspended fourth", "1 4 5 b7 9", 1.0),
  SEVENTH_SHARP_ELEVENTH("7#11", "seventh, raised eleventh", "1 3 5 b7 #11", 1.3),
  MAJOR_SEVENTH_SHARP_ELEVENTH("maj7#11", "major seventh, raised eleventh", "1 3 5 7 #11", 1.2),
  NINTH_SHARP_ELEVENTH("9#11", "ninth, raised eleventh", "1 3 5 b7 9 #11", 1.4),
  MAJOR_NINTH_SHARP_ELEVENTH("maj9#11", "major ninth, raised eleventh", "1 3 5 7 9 #11", 1.4),
  ELEVENTH("11", "eleventh", "1 (3) 5 b7 9 11", 1.3),
  MINOR_ELEVENTH("m11", "minor eleventh", "1 b3 5 b7 9 11", 1.0),
  SEVENTH_FLAT_THIRTEENTH("7b13", "seventh, lowered thirteenth", "1 3 (5) b7 b13", 1.5),
  THIRTEENTH("13", "thirteenth", "1 3 5 b7 9 (11) 13", 1.0),
  MINOR_THIRTEENTH("m13", "minor thirteenth", "1 b3 5 b7 9 (11) 13", 1.4),
  MAJOR_THIRTEENTH("maj13", "major thirteenth", "1 3 5 7 9 (11) 13", 1.3),
  THIRTEENTH_FLAT_NINTH("13b9", "thirteenth, lowered ninth", "1 3 5 b7 b9 13", 1.5),
  THIRTEENTH_SUSPENDED("13sus4", "thirteenth, suspended fourth", "1 4 5 b7 9 13", 1.5);

  private final String symbol;
  private final String words;
  private final List<Degree> degrees;
  private final double rarity;
  private final int bits;

  ChordKind(String symbol, String words, String degrees, double rarity) {
    this.symbol = symbol;
    this.words = words;
    this.degrees = Arrays.stream(degrees.split(" ")).map(Degree::parse).toList();
    this.rarity = rarity;
    this.bits = this.degrees.stream().mapToInt(Degree::bit).reduce(0, (a, b) -> a | b);
  }

  /** What stands behind the root: {@code m7b5}. */
  public String symbol() {
    return symbol;
  }

  /** What it is called in words. */
  public String words() {
    return words;
  }

  /** Its degrees, from the root up. */
  public List<Degree> degrees() {
    return degrees;
  }

  /** The degree of a number, raised or lowered as it is here. */
  public Optional<Degree> degree(int number) {
    return degrees.stream().filter(d -> d.number() == number).findFirst();
  }

  /** How much rarer it is than a plain triad, as a logarithm (from experience). */
  double rarity() {
    return rarity;
  }

  /** Its pitch classes above the root, a bit each. */
  int bits() {
    return bits;
  }

  /** Whether its third is minor. */
  public boolean isMinor() {
    return degree(3).filter(d -> d.semitones() == 3).isPresent();
  }
}
