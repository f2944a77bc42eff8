package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.session.Session;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;

/** The piano on its side, at the left of the roll; for a kit, the names of its drums. */
public final class RailLayer extends SessionLayer {
  public RailLayer(Region owner, Session session, Palette palette, Viewport viewport) {
    super(owner, session, palette, viewport);
  }

  @Override
  protected void draw(GraphicsContext g) {
    RowPainter painter = new RowPainter(palette, viewport.scale(), viewport.width(), getHeight());
    if (session.rows().areOfKit()) {
      painter.drums(
          g,
          getWidth(),
          session.rows().used()::contains,
          p -> session.soundedKeys().drumOrPitch(session.document().track(), p));
    } else {
      painter.rail(g, getWidth());
    }
  }
}
