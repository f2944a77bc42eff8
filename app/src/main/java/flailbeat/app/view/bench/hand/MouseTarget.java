package flailbeat.app.view.bench.hand;

import flailbeat.core.model.Song;
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

  /** The mouse has let go, and what it held was carried out on a song that was another before. */
  default void dropped(Gesture done, Song before) {
    // Most need do no more.
  }

  /** Whether a press changes nothing in the song: then it may be made while a chore is shown. */
  default boolean onlyLooks(MouseEvent e) {
    return false;
  }
}
