package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Pixels;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.session.Session;
import java.util.function.Supplier;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.ImageView;
import javafx.scene.layout.Region;

/** The notes, with what the mouse is doing to them. */
public final class NotesLayer extends Layer {
  private final Session session;
  private final Palette palette;
  private final Viewport viewport;
  private final Supplier<Gesture> gesture;
  private final Pixels pixels = new Pixels();
  private final ImageView picture = new ImageView();
  private final Crowds crowds = new Crowds();

  public NotesLayer(
      Region owner,
      Session session,
      Palette palette,
      Viewport viewport,
      Supplier<Gesture> gesture) {
    super(owner);
    this.session = session;
    this.palette = palette;
    this.viewport = viewport;
    this.gesture = gesture;
    setMouseTransparent(true);
    picture.setMouseTransparent(true);
  }

  /** The notes themselves; what marks them is drawn on the layer, which lies above. */
  public ImageView picture() {
    return picture;
  }

  @Override
  protected void draw(GraphicsContext g) {
    RollPainter painter = new RollPainter(session, palette, g, viewport, pixels, crowds, density());
    Gesture now = gesture.get();
    painter.draw(now);
    boolean tries =
        now instanceof Gesture.ShownChore trial
            && new TrialMarks(session, palette, g, viewport).draw(trial.shown());
    if (picture.getImage() != pixels.image()) {
      picture.setImage(pixels.image());
      picture.setFitWidth(pixels.size().getWidth());
      picture.setFitHeight(pixels.size().getHeight());
    }
    setVisible(painter.hasMarks() || tries);
  }
}
