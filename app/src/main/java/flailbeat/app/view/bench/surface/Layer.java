package flailbeat.app.view.bench.surface;

import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/**
 * A picture that is drawn when something about it has changed, once a frame at most: whoever
 * changes something marks it, and its owner draws it as it is laid out.
 */
public abstract class Layer extends Canvas {
  private final Region owner;
  private boolean marked = true;

  public Layer(Region owner) {
    this.owner = owner;
  }

  /** Has it drawn anew with the next frame. */
  public final void mark() {
    marked = true;
    owner.requestLayout();
  }

  /** Takes another size, if it is another. */
  public final void size(double width, double height) {
    if (getWidth() != width || getHeight() != height) {
      setWidth(width);
      setHeight(height);
      marked = true;
    }
  }

  /** Called by the owner as it is laid out; says whether it was drawn. */
  public final boolean drawIfMarked() {
    boolean draws = marked && getWidth() > 0 && getHeight() > 0;
    if (draws) {
      marked = false;
      setVisible(isNeeded());
    }
    if (draws && isVisible()) {
      GraphicsContext g = getGraphicsContext2D();
      g.clearRect(0, 0, getWidth(), getHeight());
      draw(g);
    }
    return draws;
  }

  /** How many pixels the screen has to one of the window's. */
  protected final double density() {
    return getScene() == null || getScene().getWindow() == null
        ? 1
        : getScene().getWindow().getOutputScaleX();
  }

  /** Whether there is anything to draw: an empty picture takes as long to show as a full one. */
  protected boolean isNeeded() {
    return true;
  }

  /** Draws what is in sight, on an empty ground. */
  protected abstract void draw(GraphicsContext g);

  /** Has nothing of a region drawn beyond its bounds. */
  public static void clip(Region region) {
    Rectangle shape = new Rectangle();
    shape.widthProperty().bind(region.widthProperty());
    shape.heightProperty().bind(region.heightProperty());
    region.setClip(shape);
  }
}
