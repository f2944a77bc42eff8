package flailbeat.app.view.base;

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

  /** Whether the mouse holds something there that Esc takes back. */
  boolean isMouseBusy();

  /** Takes back what the mouse holds; says whether it held anything. */
  boolean cancelMouse();
}
