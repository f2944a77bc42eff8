package flailbeat.core.step;

import flailbeat.core.time.Meter;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.NoteValue.Division;
import flailbeat.core.time.Ticks;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.numbers.fraction.BigFraction;

/**
 * How long a step is, exactly: a written note value or any fraction of a beat, plain, dotted (half
 * as long again) or a triplet (two thirds as long). What it comes to in ticks may be no whole
 * number: a third of a sixty-fourth is.
 *
 * @param parts so many, 1 or more
 * @param of of so many to a whole note, 1 or more; {@code 1} of {@code 8} is an eighth
 * @param division plain, dotted or a triplet
 */
public record StepLength(int parts, int of, Division division) {
  /** The shortest step: a ninety-sixth of a quarter note, 10 ticks. */
  private static final BigFraction SHORTEST = BigFraction.of(10);

  /** The longest: sixteen whole notes. */
  private static final BigFraction LONGEST = BigFraction.of(16L * Ticks.WHOLE);

  private static final int FINEST = 64;
  private static final Set<Division> DIVISIONS =
      EnumSet.of(Division.STRAIGHT, Division.DOTTED, Division.TRIPLET);
  private static final Pattern FRACTION = Pattern.compile("(\\d{1,4})\\s*/\\s*(\\d{1,4})");
  private static final Pattern DECIMAL = Pattern.compile("\\d{1,4}([.,]\\d{1,4})?");

  /** A quarter note. */
  public static final StepLength QUARTER = of(4);

  public StepLength {
    if (parts < 1 || of < 1 || !DIVISIONS.contains(division)) {
      throw new IllegalArgumentException(
          "A step cannot be " + parts + "/" + of + " of a whole note, " + division);
    }
    BigFraction ticks = ticks(parts, of, division);
    if (ticks.compareTo(SHORTEST) < 0 || ticks.compareTo(LONGEST) > 0) {
      throw new IllegalArgumentException(
          "A step is from 1/96 of a quarter note to 16 whole notes long");
    }
  }

  private static BigFraction ticks(int parts, int of, Division division) {
    return BigFraction.of(parts, of)
        .multiply(BigFraction.of(division.numerator(), division.divisor()))
        .multiply(Ticks.WHOLE);
  }

  /**
   * A plain note value.
   *
   * @param denominator 1, 2, 4, 8, 16, 32 or 64
   */
  public static StepLength of(int denominator) {
    return new StepLength(1, NoteValue.straight(denominator).denominator(), Division.STRAIGHT);
  }

  /** The written value that lasts so many ticks, plain, dotted or a triplet; empty for none. */
  public static Optional<StepLength> lasting(long ticks) {
    for (int denominator = 1; denominator <= FINEST; denominator *= 2) {
      for (Division division : DIVISIONS) {
        StepLength length = new StepLength(1, denominator, division);
        if (Step.tick(length.ticks()) == ticks) {
          return Optional.of(length);
        }
      }
    }
    return Optional.empty();
  }

  /**
   * Reads a fraction of a beat, such as {@code 2/5}, {@code 3/2} or {@code 0.75}.
   *
   * @throws IllegalArgumentException with a message fit for the person who typed it
   */
  public static StepLength parseBeats(String text, Meter meter) {
    BigFraction beats = fraction(text.strip());
    if (beats.signum() <= 0) {
      throw new IllegalArgumentException("A step is longer than nothing: write 1/3, 3/2 or 0.75");
    }
    BigFraction whole = beats.divide(meter.unit());
    try {
      return new StepLength(
          whole.getNumerator().intValueExact(),
          whole.getDenominator().intValueExact(),
          Division.STRAIGHT);
    } catch (ArithmeticException e) {
      throw new IllegalArgumentException("\"" + text + "\" is too fine for a step", e);
    }
  }

  private static BigFraction fraction(String text) {
    Matcher fraction = FRACTION.matcher(text);
    if (fraction.matches() && Integer.parseInt(fraction.group(2)) > 0) {
      return BigFraction.of(
          Integer.parseInt(fraction.group(1)), Integer.parseInt(fraction.group(2)));
    }
    if (DECIMAL.matcher(text).matches()) {
      BigDecimal value = new BigDecimal(text.replace(',', '.'));
      return BigFraction.of(value.unscaledValue(), BigInteger.TEN.pow(value.scale()));
    }
    throw new IllegalArgumentException(
        "\"" + text + "\" is no fraction of a beat: write 1/3, 3/2 or 0.75");
  }

  /** How long it is in ticks, exactly. */
  public BigFraction ticks() {
    return ticks(parts, of, division);
  }

  /** Whether it is a written note value, so that there is a symbol for it. */
  public boolean isWritten() {
    return parts == 1 && of <= FINEST && Integer.bitCount(of) == 1;
  }

  /** Dotted, or plain again. */
  public StepLength dotted() {
    return toggled(Division.DOTTED);
  }

  /** A triplet, or plain again. */
  public StepLength triplet() {
    return toggled(Division.TRIPLET);
  }

  private StepLength toggled(Division wanted) {
    return new StepLength(parts, of, division == wanted ? Division.STRAIGHT : wanted);
  }

  /** Half as long. */
  public StepLength shorter() {
    if (isWritten() && of == FINEST) {
      throw new IllegalArgumentException(
          "1/64 is the shortest note value; write a fraction of a" + " beat for a shorter step");
    }
    return parts % 2 == 0
        ? new StepLength(parts / 2, of, division)
        : new StepLength(parts, Math.multiplyExact(of, 2), division);
  }

  /** Twice as long. */
  public StepLength longer() {
    if (isWritten() && of == 1) {
      throw new IllegalArgumentException(
          "1/1 is the longest note value; write a number of beats" + " for a longer step");
    }
    return of % 2 == 0
        ? new StepLength(parts, of / 2, division)
        : new StepLength(Math.multiplyExact(parts, 2), of, division);
  }

  /** Its name in words: {@code 1/8}, {@code dotted 1/4}, {@code 1/8 triplet}. */
  @Override
  public String toString() {
    String plain = isWritten() ? "1/" + of : beats() + " of a quarter";
    return switch (division) {
      case DOTTED -> "dotted " + plain;
      case TRIPLET -> plain + " triplet";
      default -> plain;
    };
  }

  private String beats() {
    BigFraction quarters = BigFraction.of(parts, of).multiply(4);
    return quarters.getDenominator().equals(BigInteger.ONE)
        ? quarters.getNumerator().toString()
        : quarters.getNumerator() + "/" + quarters.getDenominator();
  }
}
