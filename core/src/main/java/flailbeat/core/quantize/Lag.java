package flailbeat.core.quantize;

/** What is done about a player who is late or early throughout, before lines are chosen. */
public sealed interface Lag {
  /** Nothing: lines are chosen by the times as played. */
  record Off() implements Lag {}

  /** The median deviation is taken out first. */
  record Auto() implements Lag {}

  /**
   * A given lag is taken out first.
   *
   * @param value milliseconds, positive when late; at most a second either way
   */
  record Millis(double value) implements Lag {
    public Millis {
      if (!(Math.abs(value) <= 1000)) {
        throw new IllegalArgumentException("A lag goes from -1000 to 1000 ms, not " + value);
      }
    }
  }
}
