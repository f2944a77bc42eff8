package flailbeat.core.harmony;

import flailbeat.core.pitch.Fifths;
import flailbeat.core.pitch.KeySignature;
import java.util.Locale;
import java.util.Optional;

/**
 * Chords by their degree in a key: Roman numerals, large for a major third and small for a minor
 * one, with the figures of thoroughbass for inversions of triads and sevenths (common practice:
 * handbooks of harmony).
 */
public final class Figured {
  private static final String[] NUMERALS = {"I", "II", "III", "IV", "V", "VI", "VII"};

  /** Fifths above the tonic of the degrees of major. */
  private static final int[] MAJOR = {0, 2, 4, -1, 1, 3, 5};

  /** The same of natural minor. */
  private static final int[] MINOR = {0, 2, -3, -1, 1, -4, -2};

  private Figured() {}

  /** A chord in a key: {@code ii65}, {@code bVII}, {@code viio}, {@code V7}. */
  public static String numeral(Chord chord, KeySignature key) {
    Chord spelled = chord.in(Optional.of(key));
    int above = spelled.root() - key.tonicFifths();
    int[] degrees = key.minor() ? MINOR : MAJOR;
    int degree = degreeOf(above, degrees);
    int signs = Math.floorDiv(above - degrees[degree], 7);
    ChordKind kind = chord.kind();
    boolean small = kind.isMinor();
    String numeral = small ? NUMERALS[degree].toLowerCase(Locale.ROOT) : NUMERALS[degree];
    return (signs < 0 ? "b" : "#").repeat(Math.abs(signs)) + numeral + figures(spelled);
  }

  private static int degreeOf(int above, int... degrees) {
    for (int degree = 0; degree < degrees.length; degree++) {
      if (Math.floorMod(above - degrees[degree], 7) == 0) {
        return degree;
      }
    }
    throw new IllegalStateException("Seven letters meet every spelling");
  }

  private static String figures(Chord chord) {
    String quality =
        switch (chord.kind()) {
          case DIMINISHED, DIMINISHED_SEVENTH -> "\u00B0";
          case HALF_DIMINISHED -> "\u00F8";
          case AUGMENTED -> "+";
          default -> "";
        };
    int bass = bassDegree(chord);
    return switch (chord.kind()) {
      case MAJOR, MINOR, DIMINISHED, AUGMENTED -> quality + triad(bass, chord);
      case SEVENTH, MINOR_SEVENTH, HALF_DIMINISHED, DIMINISHED_SEVENTH ->
          quality + seventh(bass, chord);
      default -> {
        String symbol = chord.kind().symbol();
        String bare =
            chord.kind().isMinor() && symbol.startsWith("m") ? symbol.substring(1) : symbol;
        yield bare + (bass == 1 ? "" : "/" + Fifths.name(chord.bass()));
      }
    };
  }

  /** The number of the degree that is lowest; 0 for a bass that is foreign to the chord. */
  private static int bassDegree(Chord chord) {
    return chord.kind().degrees().stream()
        .filter(d -> Fifths.pitchClass(chord.root() + d.fifths()) == chord.bassClass())
        .mapToInt(Degree::number)
        .findFirst()
        .orElse(0);
  }

  private static String triad(int bass, Chord chord) {
    return switch (bass) {
      case 1 -> "";
      case 3 -> "6";
      case 5 -> "64";
      default -> "/" + Fifths.name(chord.bass());
    };
  }

  private static String seventh(int bass, Chord chord) {
    return switch (bass) {
      case 1 -> "7";
      case 3 -> "65";
      case 5 -> "43";
      case 7 -> "42";
      default -> "7/" + Fifths.name(chord.bass());
    };
  }
}
