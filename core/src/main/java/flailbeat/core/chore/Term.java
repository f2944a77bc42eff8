package flailbeat.core.chore;

import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.pitch.Pitch;
import java.math.BigDecimal;

/**
 * A plain condition on a note.
 *
 * @param not whether it holds where it would not
 * @param from the value that it is compared with; of a range the lower bound
 * @param to the upper bound of a range; else it means nothing
 */
public record Term(Measure of, boolean not, Relation is, double from, double to) {
  /**
   * A condition.
   *
   * @throws IllegalArgumentException for values beyond what is measured, with a message for the
   *     person
   */
  public Term {
    if (of == null || is == null) {
      throw new IllegalArgumentException("A condition says what is measured, and how");
    }
    require(of, from);
    if (is == Relation.BETWEEN) {
      require(of, to);
      if (to < from) {
        throw new IllegalArgumentException(
            "A range of " + of.title() + " begins with its lower bound");
      }
    }
    if (of == Measure.CHANCE && is != Relation.BELOW) {
      throw new IllegalArgumentException("A chance is so many of 100: it has no other comparison");
    }
  }

  private static void require(Measure of, double value) {
    if (!(value >= of.least() && value <= of.most())) {
      throw new IllegalArgumentException(
          "The "
              + of.title()
              + " goes from "
              + plain(of.least())
              + " to "
              + plain(of.most())
              + ", not "
              + plain(value));
    }
  }

  /** A condition to begin with. */
  public static Term starting(Measure of) {
    Relation is =
        switch (of) {
          case PLACE, CHORD -> Relation.IS;
          case OFF_LINE, LATE, OFF_SCALE -> Relation.ABOVE;
          default -> Relation.BELOW;
        };
    return new Term(of, false, is, of.standard(), of.most());
  }

  /** Whether it holds of what was measured. */
  boolean holds(double value) {
    double near = of.nearly();
    boolean meets =
        switch (is) {
          case BELOW -> value < from - near;
          case ABOVE -> near > 0 ? value >= from + near : value > from;
          case IS -> near > 0 ? value >= from - near && value < from + near : value == from;
          case BETWEEN -> value >= from - near && (near > 0 ? value < to + near : value <= to);
        };
    return meets != not;
  }

  /** It in words: "velocity is not below 20". */
  public String inWords(OctaveNames octaves) {
    if (of == Measure.CHANCE) {
      return "in " + plain(not ? 100 - from : from) + " of 100 cases";
    }
    String unit = of.unit().isEmpty() ? "" : " " + of.unit();
    String values =
        is == Relation.BETWEEN
            ? text(from, octaves) + " to " + text(to, octaves)
            : text(from, octaves);
    String how = is == Relation.IS ? "" : is.title() + " ";
    return of.title() + " is " + (not ? "not " : "") + how + values + unit;
  }

  /** A value of it, as it is typed. */
  public String text(double value, OctaveNames octaves) {
    return of == Measure.PITCH ? Pitch.name((int) value, octaves) : plain(value);
  }

  /**
   * What was typed, as a value of a measure.
   *
   * @throws IllegalArgumentException for what is none, with a message for the person
   */
  public static double parse(Measure of, String text, OctaveNames octaves) {
    if (of == Measure.PITCH) {
      return Pitch.parse(text, octaves);
    }
    try {
      return new BigDecimal(text.strip().replace(',', '.')).doubleValue();
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("A number, such as " + plain(of.standard()), e);
    }
  }

  private static String plain(double value) {
    return value == Math.rint(value) && Math.abs(value) < 1e15
        ? String.valueOf((long) value)
        : String.valueOf(value);
  }
}
