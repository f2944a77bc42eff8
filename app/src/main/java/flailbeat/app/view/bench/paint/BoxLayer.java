package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.surface.Layer;
import java.util.function.Supplier;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;

/** The box that the mouse draws round notes. */
public final class BoxLayer extends Layer {
  private final Palette palette;
  private final Supplier<Gesture> gesture;

  public BoxLayer(Region owner, Palette palette, Supplier<Gesture> gesture) {
    super(owner);
    this.palette = palette;
    this.gesture = gesture;
    setMouseTransparent(true);
  }

  @Override
  protected boolean isNeeded() {
    return gesture.get() instanceof Gesture.Box;
  }

  @Override
  protected void draw(GraphicsContext g) {
    if (gesture.get() instanceof Gesture.Box box) {
      double x = Math.min(box.fromX(), box.toX());
      double y = Math.min(box.fromY(), box.toY());
      double w = Math.abs(box.toX() - box.fromX());
      double h = Math.abs(box.toY() - box.fromY());
      g.setFill(palette.color(Ink.WHEAT, 0.14));
      g.fillRect(x, y, w, h);
      g.setStroke(palette.color(Ink.WHEAT));
      g.strokeRect(x + 0.5, y + 0.5, w, h);
    }
  }
}
