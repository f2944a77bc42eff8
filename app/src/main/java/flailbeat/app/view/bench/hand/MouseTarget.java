package flailbeat.app.view.bench.hand;

import javafx.scene.Cursor;
import javafx.scene.input.MouseEvent;

/** A part of the window that says what the mouse does on it, as gestures. */
public interface MouseTarget {
  /** The mouse is pressed on it. */
  Gesture press(MouseEvent e);

  /** The mouse is dragged from there; a gesture of something else stays as it is. */
  Gesture drag(Gesture gesture, MouseEvent e);

  /** The mouse is over it, or no longer. */
  default void hover(MouseEvent e, boolean isOver) {
    // Most look the same then.
  }

  /** What the pointer looks like at a place. */
  default Cursor cursorAt(double x, double y) {
    return Cursor.DEFAULT;
  }

  /** Whether a press changes nothing in the song, so that it may be made at any time. */
  default boolean onlyLooks(MouseEvent e) {
    return false;
  }
}
