package flailbeat.core.quantize;

/** What is done about a player who is late or early throughout, before lines are chosen. */
public sealed interface Lag {
  /** Nothing: lines are chosen by the times as played. */
  record Off() implements Lag {}

  /**
   * It is found from the notes, and taken out first.
   *
   * @param calibrated whether the person's own offset was taken off when it was recorded, so that
   *     little is to be expected
   */
  record Auto(boolean calibrated) implements Lag {
    /** Where nothing is known beforehand. */
    public Auto() {
      this(false);
    }
  }

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
