package flailbeat.core.pitch;

/**
 * Notes as they are spelled, as numbers on the line of fifths: C is 0, G 1, F -1, C sharp 7, C flat
 * -7. What sounds alike and is spelled otherwise has another number: they lie twelve apart.
 */
public final class Fifths {
  /** Letters by fifths, from F over C to B; beyond them with sharps or flats. */
  private static final String LETTERS = "FCGDAEB";

  /** The place of C among the letters. */
  private static final int C = 1;

  private static final int SEMITONES = 7;

  private Fifths() {}

  /** What it sounds: 0 for C to 11 for B. */
  public static int pitchClass(int fifths) {
    return Math.floorMod(fifths * SEMITONES, Pitch.OCTAVE);
  }

  /** Its name: {@code F#}, {@code Bb}, {@code Cbb}. */
  public static String name(int fifths) {
    int at = fifths + C;
    int signs = Math.floorDiv(at, LETTERS.length());
    char letter = LETTERS.charAt(Math.floorMod(at, LETTERS.length()));
    return letter + (signs < 0 ? "b" : "#").repeat(Math.abs(signs));
  }

  /**
   * The number of a letter with its sharps or flats.
   *
   * @param letter A to G
   * @param sharps how many sharps; flats are negative
   */
  public static int of(char letter, int sharps) {
    int at = LETTERS.indexOf(letter);
    if (at < 0) {
      throw new IllegalArgumentException("Notes are called A to G, not " + letter);
    }
    return at - C + LETTERS.length() * sharps;
  }

  /** The spelling of a pitch that lies in the twelve fifths from a lowest one up. */
  public static int spelled(int pitch, int lowest) {
    int wanted = Math.floorMod(pitch, Pitch.OCTAVE);
    int fifths = lowest;
    while (pitchClass(fifths) != wanted) {
      fifths++;
    }
    return fifths;
  }
}
