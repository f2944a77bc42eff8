package flailbeat.core.pitch;

/**
 * A key as it is written: by its sharps or flats.
 *
 * @param sharps -7 (seven flats) to 7
 * @param minor whether it is the minor key of them
 */
public record KeySignature(int sharps, boolean minor) {
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
    return Fifths.pitchClass(tonicFifths());
  }

  /** Its tonic as it is spelled, on the line of fifths. */
  public int tonicFifths() {
    return minor ? sharps + MINOR_TONIC : sharps;
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
    return Fifths.name(fifths(pitch));
  }

  /** The same as a number on the line of fifths. */
  public int fifths(int pitch) {
    return Fifths.spelled(pitch, sharps - LOWEST);
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
