package flailbeat.core.pitch;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What is known of a pitch given as a MIDI note number, 0 to 127. */
public final class Pitch {
  public static final int LOWEST = 0;
  public static final int HIGHEST = 127;
  public static final int MIDDLE_C = 60;
  public static final int OCTAVE = 12;

  private static final String[] NAMES = {
    "C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"
  };

  /** A pitch or, where it would leave the 128 there are, the same note in the nearest octave. */
  public static int folded(int pitch) {
    int result = pitch;
    while (result > HIGHEST) {
      result -= OCTAVE;
    }
    while (result < LOWEST) {
      result += OCTAVE;
    }
    return result;
  }

  /**
   * The note of a pitch class that is nearest to a pitch, six semitones below rather than above.
   */
  public static int nearest(int pitchClass, int to) {
    return to + Math.floorMod(pitchClass - to + OCTAVE / 2, OCTAVE) - OCTAVE / 2;
  }

  /** The highest note of a pitch class that lies below a pitch. */
  public static int below(int pitchClass, int pitch) {
    return pitch - 1 - Math.floorMod(pitch - 1 - pitchClass, OCTAVE);
  }

  /** From A to G, over C. */
  private static final int[] LETTERS = {9, 11, 0, 2, 4, 5, 7};

  private static final Pattern NAME = Pattern.compile("([A-Ga-g])(#{0,2}|b{0,2})(-?\\d{1,2})");
  private static final int BLACK = 0b0101_0100_1010;
  private static final int A4 = 69;

  private Pitch() {}

  public static boolean isValid(int pitch) {
    return pitch >= LOWEST && pitch <= HIGHEST;
  }

  /**
   * Returns the pitch.
   *
   * @throws IllegalArgumentException outside 0 to 127
   */
  public static int require(int pitch) {
    if (!isValid(pitch)) {
      throw new IllegalArgumentException("A MIDI note number goes from 0 to 127, not " + pitch);
    }
    return pitch;
  }

  /** The name without its octave: {@code F#}. */
  public static String className(int pitch) {
    return NAMES[Math.floorMod(pitch, OCTAVE)];
  }

  /** The name with its octave: {@code F#4}. */
  public static String name(int pitch, OctaveNames octaves) {
    return className(pitch) + octaves.octaveOf(pitch);
  }

  /**
   * The pitch of a name with its octave, sharp or flat or twice that: {@code F#4}, {@code gb4}.
   *
   * @throws IllegalArgumentException for what is none, in words for the person
   */
  public static int parse(String name, OctaveNames octaves) {
    Matcher found = NAME.matcher(name.strip());
    if (!found.matches()) {
      throw new IllegalArgumentException("A pitch such as F#4 or Bb3, or its number");
    }
    int letter = LETTERS[Character.toUpperCase(found.group(1).charAt(0)) - 'A'];
    int sign = found.group(2).startsWith("b") ? -found.group(2).length() : found.group(2).length();
    int octave = Integer.parseInt(found.group(3)) - octaves.octaveOf(0);
    int pitch = letter + sign + OCTAVE * octave;
    if (!isValid(pitch)) {
      throw new IllegalArgumentException("Pitches go from 0 to 127");
    }
    return pitch;
  }

  /** Whether it is a black key of the piano. */
  public static boolean isBlack(int pitch) {
    return (BLACK >> Math.floorMod(pitch, OCTAVE) & 1) == 1;
  }

  /** Its frequency in hertz in equal temperament, A4 being 440 Hz (ISO 16:1975). */
  public static double frequency(int pitch) {
    return 440 * Math.pow(2, (pitch - A4) / 12.0);
  }
}
