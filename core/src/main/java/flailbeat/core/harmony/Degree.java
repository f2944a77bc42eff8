package flailbeat.core.harmony;

import flailbeat.core.pitch.Fifths;
import flailbeat.core.pitch.Pitch;

/**
 * A degree of a chord above its root, such as {@code b3} or {@code #11}.
 *
 * @param number 1 to 13: a third is 3
 * @param fifths how far from the root it is spelled on the line of fifths
 * @param optional whether the chord is called the same without it
 */
public record Degree(int number, int fifths, boolean optional) {
  /** Degrees of the major scale from the root on, by fifths. */
  private static final int[] MAJOR = {0, 2, 4, -1, 1, 3, 5};

  private static final int SHARP = 7;

  /** The root itself. */
  static final Degree ROOT = parse("1");

  /** Reads one: {@code b3}; in brackets where it is optional. */
  static Degree parse(String text) {
    boolean optional = text.startsWith("(");
    String bare = optional ? text.substring(1, text.length() - 1) : text;
    int at = 0;
    int sharps = 0;
    while (!Character.isDigit(bare.charAt(at))) {
      sharps += bare.charAt(at) == '#' ? 1 : -1;
      at++;
    }
    int number = Integer.parseInt(bare.substring(at));
    return new Degree(number, MAJOR[(number - 1) % MAJOR.length] + sharps * SHARP, optional);
  }

  /** Semitones above the root: within an octave up to the seventh, in the next from the ninth. */
  public int semitones() {
    return Fifths.pitchClass(fifths) + (isTension() ? Pitch.OCTAVE : 0);
  }

  /** Its bit among the twelve pitch classes above the root. */
  int bit() {
    return 1 << Fifths.pitchClass(fifths);
  }

  /** Whether it lies above the seventh: a ninth, eleventh or thirteenth. */
  public boolean isTension() {
    return number > 7;
  }

  /** Whether it is the plain fifth, which is left out more often than any. */
  boolean isPerfectFifth() {
    return number == 5 && fifths == 1;
  }
}
