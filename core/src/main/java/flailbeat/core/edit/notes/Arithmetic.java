package flailbeat.core.edit.notes;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What was typed into a field for a number: another number, or what is to be done to each.
 *
 * @param value the number, the summand or the factor
 */
public record Arithmetic(Kind kind, double value) {
  /** What is done. */
  public enum Kind {
    SET,
    ADD,
    MULTIPLY
  }

  private static final String NUMBER = "\\d{1,12}(?:[.,]\\d{1,9})?";
  private static final Pattern TYPED =
      Pattern.compile("(=?-?|[+*/x]?)\\s*(" + NUMBER + ")\\s*(%?)");

  /**
   * Reads what was typed: {@code 64} and {@code =-5} set, {@code +10} and {@code -10} add, {@code
   * *0.9}, {@code /2} and {@code 90%} multiply.
   *
   * @throws IllegalArgumentException for anything else, in words for the person
   */
  public static Arithmetic parse(String typed) {
    Matcher found = TYPED.matcher(typed.strip().toLowerCase(Locale.ROOT));
    if (!found.matches()) {
      throw nonsense();
    }
    String sign = found.group(1);
    double number = Double.parseDouble(found.group(2).replace(',', '.'));
    if (!found.group(3).isEmpty()) {
      if (!sign.isEmpty()) {
        throw nonsense();
      }
      return new Arithmetic(Kind.MULTIPLY, number / 100);
    }
    return switch (sign) {
      case "+" -> new Arithmetic(Kind.ADD, number);
      case "-" -> new Arithmetic(Kind.ADD, -number);
      case "*", "x" -> new Arithmetic(Kind.MULTIPLY, number);
      case "/" -> {
        if (number == 0) {
          throw new IllegalArgumentException("Nothing can be divided by 0");
        }
        yield new Arithmetic(Kind.MULTIPLY, 1 / number);
      }
      case "=-" -> new Arithmetic(Kind.SET, -number);
      default -> new Arithmetic(Kind.SET, number);
    };
  }

  private static IllegalArgumentException nonsense() {
    return new IllegalArgumentException("A number, or a change such as +10, -10, *0.9, /2 or 90%");
  }

  /** Done to a number, before it is rounded. */
  public double applyTo(double number) {
    return switch (kind) {
      case SET -> value;
      case ADD -> number + value;
      case MULTIPLY -> number * value;
    };
  }
}
