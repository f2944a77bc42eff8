package flailbeat.app.view.bench.surface;

import flailbeat.core.time.TickRange;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * What of the song is in sight, and how large: shared by the roll, its ruler, its rail and the
 * lanes under it, so that they scroll and zoom as one.
 */
public final class Viewport {
  private static final double TURN_AT = 0.96;
  private static final double TURN_TO = 0.04;

  private static final int MOST_EARLIER = 20;

  private final Deque<RollScale> earlier = new ArrayDeque<>();
  private final List<Runnable> listeners = new ArrayList<>();
  private RollScale scale = RollScale.initial();
  private double width;
  private double height;

  /** Says who is told when something else is in sight. */
  public void onChange(Runnable listener) {
    listeners.add(listener);
  }

  public RollScale scale() {
    return scale;
  }

  public double width() {
    return width;
  }

  public double height() {
    return height;
  }

  public boolean hasSize() {
    return width > 0 && height > 0;
  }

  /** The roll has another size; what is at its upper left stays there. */
  public void resize(double newWidth, double newHeight) {
    if (newWidth != width || newHeight != height) {
      width = newWidth;
      height = newHeight;
      scale = scale.withTop(scale.topRow(), height);
      tell();
    }
  }

  /**
   * The same, in height by so much as something under the roll took of it: what is in the middle
   * stays there.
   */
  public void resize(double newWidth, double newHeight, double taken) {
    boolean keeps = taken != 0 && hasSize();
    resize(newWidth, newHeight);
    if (keeps) {
      change(s -> s.withTop(s.topRow() - taken / 2 / s.rowHeight(), newHeight));
    }
  }

  /** Scrolls or zooms, as far as the piano's 128 notes and the song's start allow. */
  public void change(UnaryOperator<RollScale> change) {
    RollScale wanted = change.apply(scale);
    RollScale changed = wanted.withTop(wanted.topRow(), height);
    if (!changed.equals(scale)) {
      scale = changed;
      tell();
    }
  }

  private void tell() {
    listeners.forEach(Runnable::run);
  }

  /**
   * Shows something else altogether, from which {@link #back} leads back to what is in sight now.
   */
  public void turn(UnaryOperator<RollScale> change) {
    earlier.addLast(scale);
    if (earlier.size() > MOST_EARLIER) {
      earlier.removeFirst();
    }
    change(change);
  }

  /** Shows again what was in sight before it was last turned; nothing where it never was. */
  public void back() {
    RollScale before = earlier.pollLast();
    if (before != null) {
      change(s -> before.withRows(s.rows()));
    }
  }

  /** Zooms in time about the middle. */
  public void zoom(double factor) {
    change(s -> s.zoomTime(factor, width / 2));
  }

  /** Turns the page when a tick that moves on comes near its end, or is not on it. */
  public void follow(long tick) {
    double x = scale.xOf(tick);
    if (tick >= 0 && (x > width * TURN_AT || x < 0)) {
      turnTo(tick);
    }
  }

  public boolean isInSight(long tick) {
    double x = scale.xOf(tick);
    return x >= 0 && x <= width;
  }

  /** Turns to the page that a tick is on, if it is not in sight. */
  public void bringIntoSight(long tick) {
    if (!isInSight(tick)) {
      turnTo(tick);
    }
  }

  private void turnTo(long tick) {
    change(s -> s.withOrigin(tick - width * TURN_TO / s.pixelsPerTick()));
  }

  /** Puts the row of a pitch in the middle of what is in sight. */
  public void centrePitch(int pitch) {
    double rows = height / scale.rowHeight();
    change(s -> s.withTop(s.rows().of(pitch) + rows / 2, height));
  }

  /** Puts a tick in the middle of what is in sight. */
  public void centreTick(double tick) {
    change(s -> s.withOrigin(tick - width / 2 / s.pixelsPerTick()));
  }

  /** Whether a pitch's row is wholly in sight, with so many rows to spare. */
  public boolean shows(int pitch, double spareRows) {
    double y = scale.yOf(pitch);
    double spare = spareRows * scale.rowHeight();
    return y >= spare && y + scale.rowHeight() <= height - spare;
  }

  /** The stretch that is in sight, with so many ticks on either side. */
  public TickRange inSight(long around) {
    long from = (long) Math.max(0, scale.tickAt(0) - around);
    return new TickRange(from, Math.max(from, (long) scale.tickAt(width) + 1 + around));
  }
}
