package flailbeat.app.view.base;

import flailbeat.core.time.TickRange;
import java.util.function.LongConsumer;
import javafx.scene.layout.Region;

/** What can stand in the middle of the window: the bench is one, others show the song otherwise. */
public interface MiddleView {
  /** By this it is found: lower-case letters. */
  String name();

  /** What is put into the window. */
  Region node();

  /** Called for each frame while it stands there, with the tick that is heard. */
  void showPosition(long tick);

  /** How much height it needs besides the two fifths of the window that it is always left. */
  default double besides() {
    return 0;
  }

  /** Shows all of what it is about. */
  void fit();

  /** Zooms in time about the middle; above 1 things get larger. */
  void zoom(double factor);

  /** Shows a stretch of the song. */
  void show(TickRange range);

  /** Goes back to what was in sight before it was zoomed to something else. */
  void zoomBack();

  /** Does something at the line nearest to the mouse; says so where it is not over it. */
  void atMouse(LongConsumer action);

  /** Which tick stands where. */
  TimeRuler time();

  /** Whether the mouse holds something there that Esc takes back. */
  boolean isMouseBusy();

  /** Takes back what the mouse holds; says whether it held anything. */
  boolean cancelMouse();
}
