package flailbeat.app.view.bench.lane;

import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * A bar along the upper edge of a controller's lane over the loop, by which what the controller
 * does there is taken hold of: dragged sideways it moves, with Ctrl a copy does; dragged up or down
 * it becomes larger or smaller.
 */
final class StretchGrip {
  private static final double HEIGHT = 10;

  /** Above it a lane's own height is dragged. */
  private static final double TOP = 3;

  private static final double SLOP = 4;
  private static final double PERCENT_PER_PIXEL = 1;
  private static final double WHOLE = 100;
  private static final double MOST = 400;

  private final Lane lane;
  private final Controller of;

  StretchGrip(Lane lane, Controller of) {
    this.lane = lane;
    this.of = of;
  }

  private Optional<TickRange> range() {
    return lane.session.runControl().looping().range();
  }

  void draw(GraphicsContext g) {
    range()
        .ifPresent(
            r -> {
              double from = lane.viewport.scale().xOf(r.start());
              double width = lane.viewport.scale().xOf(r.end()) - from;
              g.setFill(lane.palette.color(Ink.WHEAT, 0.35));
              g.fillRect(from, TOP, width, HEIGHT - TOP - 1);
              g.setFill(lane.palette.color(Ink.WHEAT));
              g.fillRect(from, TOP, 2, HEIGHT - TOP - 1);
              g.fillRect(from + width - 2, TOP, 2, HEIGHT - TOP - 1);
            });
  }

  /** Whether the mouse is on it. */
  boolean isAt(MouseEvent e) {
    return e.getY() <= HEIGHT && range().filter(r -> r.contains(lane.tickAt(e))).isPresent();
  }

  /** Takes hold of it, if the mouse is there. */
  Optional<Gesture> press(MouseEvent e) {
    return e.getButton() == MouseButton.PRIMARY && isAt(e)
        ? range().map(r -> new Gesture.Stretch(e.getX(), e.getY(), r, nothing(), ""))
        : Optional.empty();
  }

  private ControlDrawn nothing() {
    return new ControlDrawn(track(), of, new TickRange(0, 0), List.of());
  }

  private TrackId track() {
    return lane.session.document().track().id();
  }

  /** The mouse is dragged: the farther of the two ways counts. */
  Gesture drag(Gesture.Stretch held, MouseEvent e) {
    double dx = e.getX() - held.fromX();
    double dy = held.fromY() - e.getY();
    if (Math.abs(dx) < SLOP && Math.abs(dy) < SLOP) {
      return with(held, nothing(), "");
    }
    return Math.abs(dx) >= Math.abs(dy) || of.isSwitch()
        ? moved(held, dx, e)
        : scaled(held, Math.clamp(WHOLE + dy * PERCENT_PER_PIXEL, 0, MOST));
  }

  private Gesture moved(Gesture.Stretch held, double dx, MouseEvent e) {
    Song song = lane.session.song();
    long wanted = held.range().start() + Math.round(dx / lane.viewport.scale().pixelsPerTick());
    boolean free = e.isAltDown() == lane.session.drawing().kept().snaps();
    GridLines lines = lane.session.drawing().lines(lane.viewport.scale().pixelsPerTick());
    long to = Math.max(0, free ? wanted : lines.nearest(wanted));
    long by = to - held.range().start();
    boolean copies = e.isShortcutDown();
    ControlDrawn drawn =
        copies
            ? ControlDrawn.copied(song, track(), of, held.range(), by)
            : ControlDrawn.moved(song, track(), of, held.range(), by);
    String says = (copies ? "copy to " : "move to ") + song.meters().positionAt(to);
    return with(held, drawn, says);
  }

  private Gesture scaled(Gesture.Stretch held, double percent) {
    ControlDrawn drawn =
        ControlDrawn.scaled(lane.session.song(), track(), of, held.range(), percent);
    return with(held, drawn, String.format(Locale.ROOT, "%.0f %%", percent));
  }

  private static Gesture with(Gesture.Stretch held, ControlDrawn drawn, String says) {
    return new Gesture.Stretch(held.fromX(), held.fromY(), held.range(), drawn, says);
  }
}
