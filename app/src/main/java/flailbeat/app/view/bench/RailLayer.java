package flailbeat.app.view.bench;

import flailbeat.app.control.Palette;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;

/** The piano on its side, at the left of the roll. */
final class RailLayer extends Layer {
  private final Palette palette;
  private final Viewport viewport;

  RailLayer(Region owner, Palette palette, Viewport viewport) {
    super(owner);
    this.palette = palette;
    this.viewport = viewport;
  }

  @Override
  void draw(GraphicsContext g) {
    new GridPainter(palette, viewport.scale(), viewport.width(), getHeight()).rail(g, getWidth());
  }
}
