package flailbeat.core.quantize.beat;

/**
 * What is known of one event of a phrase: a note or a chord.
 *
 * @param ms when it was struck
 * @param lengthMs how long it was held
 * @param velocity of the loudest note
 * @param notes how many it has
 * @param lowest the lowest pitch
 */
public record Stroke(double ms, double lengthMs, int velocity, int notes, int lowest) {
  /** The same with a further note. */
  public Stroke with(double heldMs, int loudness, int pitch) {
    return new Stroke(
        ms,
        Math.max(lengthMs, heldMs),
        Math.max(velocity, loudness),
        notes + 1,
        Math.min(lowest, pitch));
  }
}
