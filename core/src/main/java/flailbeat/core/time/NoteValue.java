package flailbeat.core.time;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A written note value, such as an eighth or a dotted quarter, or a part of one.
 *
 * @param denominator 1, 2, 4, 8, 16, 32 or 64
 * @param division plain, triplet (two thirds as long), dotted (half as long again), or a fifth or a
 *     seventh of it
 */
public record NoteValue(int denominator, Division division) {
  /** How the plain value is divided. */
  public enum Division {
    STRAIGHT("", 1, 1),
    TRIPLET("T", 2, 3),
    DOTTED("D", 3, 2),
    FIFTH(":5", 1, 5),
    SEVENTH(":7", 1, 7);

    private final String suffix;
    private final int numerator;
    private final int divisor;

    Division(String suffix, int numerator, int divisor) {
      this.suffix = suffix;
      this.numerator = numerator;
      this.divisor = divisor;
    }

    /** How many {@link #divisor()}ths of the plain value it is long. */
    public int numerator() {
      return numerator;
    }

    public int divisor() {
      return divisor;
    }

    private static Division of(String suffix) {
      for (Division division : values()) {
        if (division.suffix.equals(suffix)) {
          return division;
        }
      }
      throw new IllegalArgumentException("There is no division " + suffix);
    }
  }

  // Written out, for the sake of the start: see Instrument.
  @Override
  public boolean equals(Object other) {
    return other instanceof NoteValue v && v.denominator == denominator && v.division == division;
  }

  @Override
  public int hashCode() {
    return denominator * Division.values().length + division.ordinal();
  }

  private static final int FINEST = 64;
  private static final Pattern FORM = Pattern.compile("1/(\\d{1,3})(T|D|:5|:7|)");

  public NoteValue {
    if (denominator < 1 || denominator > FINEST || Integer.bitCount(denominator) != 1) {
      throw new IllegalArgumentException(
          "A note value is 1/1, 1/2, 1/4, 1/8, 1/16, 1/32 or 1/64, not 1/" + denominator);
    }
  }

  public static NoteValue straight(int denominator) {
    return new NoteValue(denominator, Division.STRAIGHT);
  }

  public static NoteValue triplet(int denominator) {
    return new NoteValue(denominator, Division.TRIPLET);
  }

  /**
   * Reads {@code 1/8}, {@code 1/8T}, {@code 1/8D}, {@code 1/4:5} or {@code 1/4:7}.
   *
   * @throws IllegalArgumentException with a message fit for the person who typed it
   */
  public static NoteValue parse(String text) {
    Matcher m = FORM.matcher(text.strip().toUpperCase(Locale.ROOT));
    if (!m.matches()) {
      throw new IllegalArgumentException(
          "\""
              + text
              + "\" is not a note value; write 1/16, 1/8T (triplet), 1/4D (dotted),"
              + " 1/4:5 (five in a quarter) or 1/4:7");
    }
    return new NoteValue(Integer.parseInt(m.group(1)), Division.of(m.group(2)));
  }

  /** Its length in ticks, 9 to 5760: whole, but for sevenths, which are rounded. */
  public long ticks() {
    return tickOf(1);
  }

  /** Where so many of them in a row end, in ticks, rounded. */
  public long tickOf(long step) {
    long whole = step * Ticks.WHOLE * division.numerator;
    long parts = (long) denominator * division.divisor;
    return Math.floorDiv(2 * whole + parts, 2 * parts);
  }

  /** How many of them begin within a length of ticks. */
  public long stepsIn(long length) {
    long parts = (long) denominator * division.divisor;
    long whole = (long) Ticks.WHOLE * division.numerator;
    return Math.ceilDiv(length * parts, whole);
  }

  @Override
  public String toString() {
    return "1/" + denominator + division.suffix;
  }
}
