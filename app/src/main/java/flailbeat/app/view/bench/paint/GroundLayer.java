package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.session.Session;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;

/** The rows and lines under the notes. */
public final class GroundLayer extends SessionLayer {
  public GroundLayer(Region owner, Session session, Palette palette, Viewport viewport) {
    super(owner, session, palette, viewport);
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
