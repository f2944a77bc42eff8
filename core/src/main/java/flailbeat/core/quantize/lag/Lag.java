package flailbeat.core.quantize.lag;

import com.fasterxml.jackson.annotation.JsonIgnore;

/** What is done about a player who is late or early throughout, before lines are chosen. */
public sealed interface Lag {
  /** Nothing: lines are chosen by the times as played. */
  record Off() implements Lag {}

  /**
   * It is found from the notes, and taken out first.
   *
   * @param prior what is known of the person's lag beforehand
   */
  record Auto(@JsonIgnore LagPrior prior) implements Lag {
    /** With the offset that was calibrated taken off, most of it is gone. */
    private static final LagPrior CALIBRATED = new LagPrior(0, 20, LagPrior.Source.ANYBODY);

    public Auto {
      prior = prior == null ? LagPrior.UNKNOWN : prior;
    }

    /** Where nothing is known beforehand. */
    public Auto() {
      this(LagPrior.UNKNOWN);
    }

    /** Where the person's own offset was taken off when it was recorded: little is expected. */
    public static Auto calibrated() {
      return new Auto(CALIBRATED);
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
