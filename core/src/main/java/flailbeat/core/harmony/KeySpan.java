package flailbeat.core.harmony;

import flailbeat.core.time.TickRange;
import java.util.List;

/**
 * A key that holds for a while.
 *
 * @param range whole bars
 * @param readings which it may be, the likeliest first; never none
 */
public record KeySpan(TickRange range, List<KeyReading> readings) {
  public KeySpan {
    readings = List.copyOf(readings);
  }

  /** The likeliest. */
  public KeyReading key() {
    return readings.getFirst();
  }
}
