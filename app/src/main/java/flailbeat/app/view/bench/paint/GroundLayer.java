package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.session.Session;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;

/** The rows and lines under the notes. */
public final class GroundLayer extends Layer {
  private final Session session;
  private final Palette palette;
  private final Viewport viewport;

  public GroundLayer(Region owner, Session session, Palette palette, Viewport viewport) {
    super(owner);
    this.session = session;
    this.palette = palette;
    this.viewport = viewport;
  }

  @Override
  protected void draw(GraphicsContext g) {
    new RowPainter(palette, viewport.scale(), getWidth(), getHeight())
        .rows(g, session.rows().areOfKit());
    double width = viewport.scale().pixelsPerTick();
    new TimeLines(palette, viewport.scale(), getWidth(), getHeight())
        .lines(
            g,
            session.drawing().lines(width),
            session.drawing().step(width),
            session.song().meters());
  }
}
