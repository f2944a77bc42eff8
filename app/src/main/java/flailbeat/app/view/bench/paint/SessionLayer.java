package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.session.Session;
import javafx.scene.layout.Region;

/** A layer that draws what a session has, where a viewport looks. */
abstract class SessionLayer extends Layer {
  final Session session;
  final Palette palette;
  final Viewport viewport;

  SessionLayer(Region owner, Session session, Palette palette, Viewport viewport) {
    super(owner);
    this.session = session;
    this.palette = palette;
    this.viewport = viewport;
  }
}
