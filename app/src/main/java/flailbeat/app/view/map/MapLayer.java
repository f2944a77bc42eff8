package flailbeat.app.view.map;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.control.Pixels;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.hand.SongMouse;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.session.Session;
import flailbeat.core.time.TickRange;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;

/** The lanes of the large map with their clips, as they will be when the mouse lets go. */
final class MapLayer extends Layer {
  private final Session session;
  private final Palette palette;
  private final SongMouse mouse;
  private final Supplier<LaneScale> scale;
  private final Pixels pixels = new Pixels();
  private final NoteMarks.Kept marks = new NoteMarks.Kept();

  MapLayer(
      Region owner, Session session, Palette palette, SongMouse mouse, Supplier<LaneScale> scale) {
    super(owner);
    this.session = session;
    this.palette = palette;
    this.mouse = mouse;
    this.scale = scale;
  }

  @Override
  protected void draw(GraphicsContext g) {
    Song song = shown();
    MapPainter painter =
        new MapPainter(palette, pixels, marks, scale.get(), getWidth(), getHeight());
    painter.ground(g, song, session.song().tracks().indexOf(session.document().track()));
    painter.clips(g, song, selected(song), new LinkLetters(song), density());
    session.runControl().looping().range().ifPresent(r -> loop(g, r));
    box(g);
  }

  /**
   * The song as it will be; an edit that cannot be done is not shown, and told when it is tried.
   */
  private Song shown() {
    try {
      return mouse.gesture().isOnMap() ? mouse.gesture().applyTo(session.song()) : session.song();
    } catch (IllegalArgumentException e) {
      return session.song();
    }
  }

  /** What is selected; while copies hang on the mouse, these. */
  private Set<ClipId> selected(Song song) {
    Set<ClipId> result = new HashSet<>(session.document().selection().clips());
    if (result.isEmpty()) {
      session.document().clip().ifPresent(c -> result.add(c.id()));
    }
    if (song != session.song() && mouse.gesture() instanceof Gesture.LayClips) {
      result.clear();
      long known = session.song().nextId();
      song.tracks().stream()
          .flatMap(t -> t.clips().stream())
          .filter(c -> c.id().value() >= known)
          .forEach(c -> result.add(c.id()));
    }
    return result;
  }

  private void loop(GraphicsContext g, TickRange loop) {
    boolean on = session.runControl().looping().isOn();
    double from = scale.get().xOf(loop.start());
    g.setFill(palette.color(Ink.WHEAT, on ? 0.09 : 0.03));
    g.fillRect(from, 0, scale.get().xOf(loop.end()) - from, getHeight());
  }

  private void box(GraphicsContext g) {
    Optional<double[]> corners =
        switch (mouse.gesture()) {
          case Gesture.BoxClips b ->
              Optional.of(new double[] {b.fromX(), b.fromY(), b.toX(), b.toY()});
          case Gesture.NewClip n -> newClip(n.range());
          default -> Optional.empty();
        };
    corners.ifPresent(
        c -> {
          double x = Math.min(c[0], c[2]);
          double y = Math.min(c[1], c[3]);
          double w = Math.abs(c[2] - c[0]);
          double h = Math.abs(c[3] - c[1]);
          g.setFill(palette.color(Ink.WHEAT, 0.12));
          g.fillRect(x, y, w, h);
          g.setStroke(palette.color(Ink.WHEAT));
          g.strokeRect(Math.floor(x) + 0.5, Math.floor(y) + 0.5, w, h);
        });
  }

  private Optional<double[]> newClip(TickRange range) {
    int lane = session.song().tracks().indexOf(session.document().track());
    double top = scale.get().laneTop(lane);
    return Optional.of(
        new double[] {
          scale.get().xOf(range.start()),
          top + 4,
          scale.get().xOf(range.end()),
          top + scale.get().laneHeight() - 5
        });
  }
}
