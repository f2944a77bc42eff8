package flailbeat.app.command;

import java.util.function.BooleanSupplier;

/**
 * What has to be there for a command to have something to do.
 *
 * @param isMet whether it is there now
 * @param otherwise what to do first where it is not, such as "select notes first"
 * @param ofHand whether it is done to the notes in hand
 */
public record Need(BooleanSupplier isMet, String otherwise, boolean ofHand) {
  /** Nothing. */
  public static final Need NOTHING = new Need(() -> true, "", false);

  /** One that is not about the notes in hand. */
  public static Need of(BooleanSupplier isMet, String otherwise) {
    return new Need(isMet, otherwise, false);
  }
}
