package flailbeat.core.step;

/**
 * The last steps, again and again.
 *
 * @param steps how many of them, 1 to {@value StepPlace#KEPT}
 * @param times how often, 1 to {@value #MOST_TIMES}; {@link #TO_THE_END} up to the end of the clip
 * @param semitones how much higher each time; negative is lower, -24 to 24
 */
public record PatternFill(int steps, int times, int semitones) {
  /** Up to the end of the clip. */
  public static final int TO_THE_END = 0;

  private static final int MOST_TIMES = 999;
  private static final int MOST_SEMITONES = 24;

  public PatternFill {
    require("The steps of a pattern", steps, 1, StepPlace.KEPT);
    require("A pattern's times", times, TO_THE_END, MOST_TIMES);
    require("The semitones of a pattern", semitones, -MOST_SEMITONES, MOST_SEMITONES);
  }

  private static void require(String what, int value, int least, int most) {
    if (value < least || value > most) {
      throw new IllegalArgumentException(
          what + " go from " + least + " to " + most + ", not " + value);
    }
  }

  /** The last four, up to the end of the clip. */
  public static PatternFill standard() {
    return new PatternFill(4, TO_THE_END, 0);
  }
}
