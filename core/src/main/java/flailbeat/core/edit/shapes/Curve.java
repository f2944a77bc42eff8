package flailbeat.core.edit.shapes;

import flailbeat.core.edit.NewControl;
import java.util.Arrays;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.function.Consumer;

/**
 * A line through points of time and value, straight from each to the next: what is drawn over a
 * controller or over velocities. Immutable.
 */
public final class Curve {
  /** Into how many straight pieces a bent curve is laid. */
  private static final int PIECES = 48;

  private final NavigableMap<Long, Double> points;

  /** The same points, to be looked up for a great many ticks. */
  private final long[] ticks;

  private final double[] values;

  private Curve(NavigableMap<Long, Double> points) {
    this.points = points;
    ticks = new long[points.size()];
    values = new double[ticks.length];
    int at = 0;
    for (Map.Entry<Long, Double> point : points.entrySet()) {
      ticks[at] = point.getKey();
      values[at++] = point.getValue();
    }
  }

  /** One point. */
  public static Curve at(long tick, double value) {
    return new Curve(new TreeMap<>(Map.of(tick, value)));
  }

  /**
   * From one point to another, straight or bent.
   *
   * @param bend 0 for a straight line; above it changes late, below it changes early, -1 to 1
   */
  public static Curve between(long from, double fromValue, long to, double toValue, double bend) {
    if (from > to) {
      return between(to, toValue, from, fromValue, -bend);
    }
    NavigableMap<Long, Double> points = new TreeMap<>();
    double power = Math.pow(4, Math.clamp(bend, -1, 1));
    int pieces = bend == 0 || to == from ? 1 : PIECES;
    for (int i = 0; i <= pieces; i++) {
      double share = (double) i / pieces;
      double value = fromValue + (toValue - fromValue) * Math.pow(share, power);
      points.put(Math.round(from + (to - from) * share), value);
    }
    return new Curve(points);
  }

  /**
   * Drawn on to another point: what was drawn before between the last point and this one, when the
   * hand goes back, is drawn over.
   *
   * @param last where the hand was before, in ticks
   */
  public Curve to(long last, long tick, double value) {
    NavigableMap<Long, Double> more = new TreeMap<>(points);
    long low = Math.min(last, tick);
    long high = Math.max(last, tick);
    double begun = valueAt(last);
    more.subMap(low, true, high, true).clear();
    more.put(last, begun);
    more.put(tick, value);
    return new Curve(more);
  }

  public long start() {
    return ticks[0];
  }

  /** The tick of its last point. */
  public long end() {
    return ticks[ticks.length - 1];
  }

  /** Its value at a tick; before its first point and after its last what these have. */
  public double valueAt(long tick) {
    int found = Arrays.binarySearch(ticks, tick);
    if (found >= 0) {
      return values[found];
    }
    int after = -found - 1;
    if (after == 0 || after == ticks.length) {
      return values[after == 0 ? 0 : after - 1];
    }
    double share = (double) (tick - ticks[after - 1]) / (ticks[after] - ticks[after - 1]);
    return values[after - 1] + (values[after] - values[after - 1]) * share;
  }

  /** Whether a tick lies within it, its ends among it. */
  public boolean contains(long tick) {
    return tick >= start() && tick <= end();
  }

  /** A straight piece of it. */
  record Piece(long from, double fromValue, long to, double toValue) {
    double valueAt(long tick) {
      return fromValue + (toValue - fromValue) * (tick - from) / (to - from);
    }

    /**
     * The first tick after a value was set, on a raster from {@code start} on, at which the piece
     * is farther from it than allowed; {@link #to()} or later where it never is.
     */
    long crossing(NewControl set, double most, long start) {
      double value = set.control().value();
      long first = Math.max(from, set.tick() + 1);
      if (first < to && Math.abs(valueAt(onRaster(first, start)) - value) > most) {
        return onRaster(first, start);
      }
      double slope = (toValue - fromValue) / (to - from);
      if (slope == 0) {
        return to;
      }
      double reached = from + (value + Math.signum(slope) * most - fromValue) / slope;
      return onRaster(Math.max(first, (long) Math.floor(Math.min(reached, to)) + 1), start);
    }

    private static long onRaster(long tick, long start) {
      return start
          + Math.ceilDiv(tick - start, ControlEdits.FINEST_TICKS) * ControlEdits.FINEST_TICKS;
    }
  }

  void forEachPiece(Consumer<Piece> each) {
    Map.Entry<Long, Double> before = null;
    for (Map.Entry<Long, Double> point : points.entrySet()) {
      if (before != null) {
        each.accept(
            new Piece(before.getKey(), before.getValue(), point.getKey(), point.getValue()));
      }
      before = point;
    }
  }
}
