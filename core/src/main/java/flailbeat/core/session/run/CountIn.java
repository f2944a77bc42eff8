package flailbeat.core.session.run;

import flailbeat.core.time.Meter;
import java.util.List;
import java.util.Locale;

/**
 * How much is counted before a recording begins.
 *
 * @param count 0 for none, up to 8
 */
public record CountIn(int count, Unit unit) {
  /** What is counted. */
  public enum Unit {
    BEATS,
    BARS
  }

  /** It begins at once. */
  public static final CountIn NONE = new CountIn(0, Unit.BARS);

  private static final int MOST = 8;

  public CountIn {
    if (count < 0 || count > MOST) {
      throw new IllegalArgumentException("A count-in has 0 to 8 beats or bars, not " + count);
    }
  }

  /** Those that are offered. */
  public static List<CountIn> choices() {
    return List.of(
        NONE,
        new CountIn(1, Unit.BEATS),
        new CountIn(2, Unit.BEATS),
        new CountIn(3, Unit.BEATS),
        new CountIn(1, Unit.BARS),
        new CountIn(2, Unit.BARS));
  }

  /** How long it is in a meter. */
  public long ticks(Meter meter) {
    return count * (unit == Unit.BARS ? meter.ticksPerBar() : meter.ticksPerBeat());
  }

  @Override
  public String toString() {
    String name = unit.name().toLowerCase(Locale.ROOT);
    return count == 0
        ? "none"
        : count + " " + (count == 1 ? name.substring(0, name.length() - 1) : name);
  }
}
