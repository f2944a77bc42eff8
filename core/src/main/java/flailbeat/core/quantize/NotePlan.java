package flailbeat.core.quantize;

import flailbeat.core.model.Note;

/**
 * What quantizing would do to one note.
 *
 * @param note the note as it now stands
 * @param line the line chosen for it, a tick
 * @param otherLine the next nearest line
 * @param onset where it would stand
 * @param length how long it would be
 * @param outcome why it goes there
 * @param doubt the probability that {@code otherLine} was meant rather than {@code line}, 0 to 1
 * @param decided whether a person has decided on the line
 * @param meant where it was meant to end, where that is looked for
 */
public record NotePlan(
    Note note,
    long line,
    long otherLine,
    long onset,
    long length,
    Outcome outcome,
    double doubt,
    boolean decided,
    End meant) {
  /** What becomes of a note. */
  public enum Outcome {
    /** It goes towards its line. */
    TO_LINE,
    /** It stays as played, being outside the catch range. */
    OUT_OF_CATCH,
    /** It is near enough to its line to keep its place. */
    TIGHT,
    /** It stays as played, since a note of its pitch has the line already. */
    LINE_TAKEN
  }

  /** From this probability on a note is called doubtful. */
  public static final double DOUBTFUL = 0.12;

  public boolean isDoubtful() {
    return doubt >= DOUBTFUL;
  }

  /**
   * Where a note was meant to end.
   *
   * @param tick the end that was found, or decided on
   * @param other the likeliest end beside it
   * @param doubt the probability that another end was meant, 0 to 1; 0 where ends are not looked
   *     for
   * @param decided whether a person has decided on it
   */
  public record End(long tick, long other, double doubt, boolean decided) {
    /** One that nobody has looked for. */
    static End given(long tick) {
      return new End(tick, tick, 0, false);
    }

    public boolean isDoubtful() {
      return doubt >= DOUBTFUL;
    }
  }
}
