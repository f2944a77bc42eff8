package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Looping;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;

/** Bar numbers, the loop, and the mark at the place. */
public final class RulerLayer extends SessionLayer {
  public static final double HEIGHT = 22;

  public RulerLayer(Region owner, Session session, Palette palette, Viewport viewport) {
    super(owner, session, palette, viewport);
  }

  @Override
  protected void draw(GraphicsContext g) {
    TimeLines painter = new TimeLines(palette, viewport.scale(), getWidth(), getHeight());
    painter.ruler(g, session.song().meters(), HEIGHT);
    Looping looping = session.runControl().looping();
    looping.range().ifPresent(r -> painter.loop(g, r, looping.isOn(), HEIGHT));
    double x = viewport.scale().xOf(session.runControl().playStartTicks());
    g.setFill(palette.color(Ink.WHEAT));
    g.fillPolygon(
        new double[] {x - 6, x + 6, x}, new double[] {HEIGHT - 9, HEIGHT - 9, HEIGHT - 1}, 3);
  }
}
