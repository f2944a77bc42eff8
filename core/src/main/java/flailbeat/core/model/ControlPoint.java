package flailbeat.core.model;

import flailbeat.core.model.control.Control;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.time.Ticks;
import java.util.Comparator;

/**
 * A controller's value from a tick on.
 *
 * @param tick 0 to {@link Ticks#LAST}
 */
public record ControlPoint(ControlId id, long tick, Control control)
    implements Timed<ControlPoint> {
  /** In order of tick, then age: what is set at one tick is set in the order in which it came. */
  public static final Comparator<ControlPoint> ORDER =
      (a, b) -> {
        int order = Long.compare(a.tick, b.tick);
        return order != 0 ? order : Long.compare(a.id.value(), b.id.value());
      };

  public ControlPoint {
    Ticks.require(tick);
  }

  @Override
  public long idNumber() {
    return id.value();
  }

  @Override
  public long end() {
    return tick + 1;
  }

  @Override
  public ControlPoint shifted(long ticks) {
    return at(tick + ticks);
  }

  /** The same at another time. */
  public ControlPoint at(long newTick) {
    return newTick == tick ? this : new ControlPoint(id, newTick, control);
  }
}
