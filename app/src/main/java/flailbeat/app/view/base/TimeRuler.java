package flailbeat.app.view.base;

import java.util.function.DoubleUnaryOperator;
import javafx.scene.Node;

/**
 * Says which tick stands where across the window.
 *
 * @param along what time is measured along, from left to right
 * @param tickAt the tick at a place of it
 * @param placeOf the place of a tick
 */
public record TimeRuler(Node along, DoubleUnaryOperator tickAt, DoubleUnaryOperator placeOf) {
  /** The tick that stands at a place of the window across. */
  public double tickAtScene(double sceneX) {
    return tickAt.applyAsDouble(along.sceneToLocal(sceneX, 0).getX());
  }

  /** Where a tick stands across the window. */
  public double sceneX(long tick) {
    return along.localToScene(placeOf.applyAsDouble(tick), 0).getX();
  }
}
