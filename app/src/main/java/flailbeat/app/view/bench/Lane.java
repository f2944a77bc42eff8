package flailbeat.app.view.bench;

import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/**
 * A strip under the roll that shows one thing of its notes or controllers over the same stretch of
 * time. What the mouse does in it is a gesture like any on the bench.
 */
abstract class Lane extends Layer {
  /** How high it stands. */
  static final double HEIGHT = 64;

  Lane(Region owner) {
    super(owner);
  }

  /** What it is called, as its rail says. */
  abstract String title();

  /** The mouse is pressed in it. */
  abstract Gesture press(MouseEvent e);

  /** The mouse is dragged from there; a gesture of something else stays as it is. */
  abstract Gesture drag(Gesture gesture, MouseEvent e);

  @Override
  abstract void draw(GraphicsContext g);
}
