package flailbeat.core.time;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A written note value, such as an eighth or a dotted quarter.
 *
 * @param denominator 1, 2, 4, 8, 16, 32 or 64
 * @param division plain, triplet (two thirds as long) or dotted (half as long again)
 */
public record NoteValue(int denominator, Division division) {
  /** How the plain value is divided. */
  public enum Division {
    STRAIGHT("", 1, 1),
    TRIPLET("T", 2, 3),
    DOTTED("D", 3, 2);

    private final String suffix;
    private final int numerator;
    private final int divisor;

    Division(String suffix, int numerator, int divisor) {
      this.suffix = suffix;
      this.numerator = numerator;
      this.divisor = divisor;
    }
  }

  private static final int FINEST = 64;
  private static final Pattern FORM = Pattern.compile("1/(\\d{1,2})([TD]?)");

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
   * Reads {@code 1/8}, {@code 1/8T} or {@code 1/8D}.
   *
   * @throws IllegalArgumentException with a message fit for the person who typed it
   */
  public static NoteValue parse(String text) {
    Matcher m = FORM.matcher(text.strip().toUpperCase(Locale.ROOT));
    if (!m.matches()) {
      throw new IllegalArgumentException(
          "\"" + text + "\" is not a note value; write 1/16, 1/8T (triplet) or 1/4D (dotted)");
    }
    Division division =
        switch (m.group(2)) {
          case "T" -> Division.TRIPLET;
          case "D" -> Division.DOTTED;
          default -> Division.STRAIGHT;
        };
    return new NoteValue(Integer.parseInt(m.group(1)), division);
  }

  /** Its length in ticks: always a whole number, from 40 to 5760. */
  public long ticks() {
    return (long) Ticks.WHOLE / denominator * division.numerator / division.divisor;
  }

  @Override
  public String toString() {
    return "1/" + denominator + division.suffix;
  }
}
