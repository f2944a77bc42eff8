package flailbeat.core.quantize.lag;

/**
 * The lag of some notes.
 *
 * @param removedMs what was taken out before lines were chosen; negative is early
 * @param expected what was expected of it
 */
public record FoundLag(double removedMs, LagPrior expected) {
  /** None is. */
  public static final FoundLag NONE = of(0);

  /** One of which nothing was expected. */
  public static FoundLag of(double removedMs) {
    return new FoundLag(removedMs, LagPrior.UNKNOWN);
  }
}
