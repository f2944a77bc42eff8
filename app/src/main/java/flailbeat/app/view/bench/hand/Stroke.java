package flailbeat.app.view.bench.hand;

import flailbeat.core.edit.shapes.Curve;
import javafx.scene.input.MouseEvent;

/**
 * What the mouse draws over a lane: free as the hand goes, or from where it was pressed to where it
 * is, straight with Shift, and bent with Ctrl (late; with Shift as well, early).
 *
 * @param fromTick where it was pressed, and {@code fromValue} likewise
 * @param last where the hand was last
 */
public record Stroke(long fromTick, double fromValue, long last, Curve curve) {
  private static final double BEND = 0.5;

  public static Stroke at(long tick, double value) {
    return new Stroke(tick, value, tick, Curve.at(tick, value));
  }

  /** A straight line from where it began to where it ends, at another value there. */
  public Stroke withEnd(double value) {
    return new Stroke(
        fromTick, fromValue, last, Curve.between(fromTick, fromValue, last, value, 0));
  }

  /** The hand has gone on. */
  public Stroke to(long tick, double value, MouseEvent e) {
    boolean bent = e.isShortcutDown();
    if (!bent && !e.isShiftDown()) {
      return new Stroke(fromTick, fromValue, tick, curve.to(last, tick, value));
    }
    double bend = !bent ? 0 : e.isShiftDown() ? -BEND : BEND;
    return new Stroke(
        fromTick, fromValue, tick, Curve.between(fromTick, fromValue, tick, value, bend));
  }
}
