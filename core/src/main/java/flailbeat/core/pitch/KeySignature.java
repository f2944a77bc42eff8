package flailbeat.core.pitch;

/**
 * A key as it is written: by its sharps or flats.
 *
 * @param sharps -7 (seven flats) to 7
 * @param minor whether it is the minor key of them
 */
public record KeySignature(int sharps, boolean minor) {
  /** Names of notes by fifths, from F over C to B; beyond them with sharps or flats. */
  private static final String FIFTHS = "FCGDAEB";

  /** The fifth of C among {@link #FIFTHS}. */
  private static final int C = 1;

  private static final int SEMITONES_OF_A_FIFTH = 7;

  /** How far a tonic of minor lies from that of the major key of the same signature, in fifths. */
  private static final int MINOR_TONIC = 3;

  /** The lowest of the twelve notes that are spelled, in fifths below the tonic of major. */
  private static final int LOWEST = 3;

  public KeySignature {
    if (sharps < -7 || sharps > 7) {
      throw new IllegalArgumentException("A key has 7 sharps or flats at most");
    }
  }

  /** The pitch class of its tonic, 0 for C. */
  public int tonic() {
    int fifths = minor ? sharps + MINOR_TONIC : sharps;
    return Math.floorMod(fifths * SEMITONES_OF_A_FIFTH, Pitch.OCTAVE);
  }

  /** The key: major, or natural minor. */
  public Key key() {
    return new Key(tonic(), minor ? Scale.NATURAL_MINOR : Scale.MAJOR);
  }

  /**
   * The name of a pitch without its octave, spelled as is usual in this key: its own notes, raised
   * ones sharp up to the raised fifth of major (the leading note of minor), the others flat.
   */
  public String className(int pitch) {
    int lowest = sharps - LOWEST;
    for (int fifths = lowest; fifths < lowest + Pitch.OCTAVE; fifths++) {
      if (Math.floorMod(fifths * SEMITONES_OF_A_FIFTH - pitch, Pitch.OCTAVE) == 0) {
        return name(fifths);
      }
    }
    throw new IllegalStateException("Twelve fifths meet every pitch");
  }

  private static String name(int fifths) {
    int at = fifths + C;
    int signs = Math.floorDiv(at, FIFTHS.length());
    String letter = FIFTHS.substring(Math.floorMod(at, FIFTHS.length())).substring(0, 1);
    return letter + (signs < 0 ? "b" : "#").repeat(Math.abs(signs));
  }

  /** The name of a pitch with its octave, spelled as {@link #className} does. */
  public String name(int pitch, OctaveNames octaves) {
    String name = className(pitch);
    int octave = octaves.octaveOf(pitch);
    boolean isHighC = name.startsWith("C") && name.contains("b");
    boolean isLowB = name.startsWith("B") && name.contains("#");
    return name + (isHighC ? octave + 1 : isLowB ? octave - 1 : octave);
  }

  /** What it is called, such as {@code Eb major}. */
  @Override
  public String toString() {
    return className(tonic()) + (minor ? " minor" : " major");
  }
}
