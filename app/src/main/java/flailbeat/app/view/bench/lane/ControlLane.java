package flailbeat.app.view.bench.lane;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.hand.Stroke;
import flailbeat.app.view.bench.surface.RollScale;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.edit.shapes.Curve;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.session.bench.LaneActions;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.LongStream;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * The values of a controller as a line of steps, to be drawn over: free, straight or bent. With
 * Ctrl and Alt, or the right button, what is passed over is erased.
 */
final class ControlLane extends Lane {
  private static final double LINE = 2;
  private static final double JOINS = 6;

  private final Controller controller;
  private final StretchGrip grip;

  ControlLane(On bench, LaneActions.Shown shown) {
    super(bench, shown);
    this.controller = shown.controller().orElseThrow();
    this.grip = new StretchGrip(this, controller);
  }

  private double yOf(double value) {
    return yOfShare(value / controller.most());
  }

  @Override
  protected void draw(GraphicsContext g) {
    ground(g);
    double rest = yOf(controller.atRest());
    Hairline.across(g, palette.color(Ink.RULE), yOf(controller.most() / 2.0), 0, getWidth());
    TickRange sight = viewport.inSight(0);
    Columns columns = new Columns((int) getWidth());
    Gesture now = gesture.get();
    Track track = shownTrack();
    Last last = new Last();
    last.value = ControlEdits.valueBefore(track, controller, sight.start()).orElse(-1);
    RollScale scale = viewport.scale();
    forEachValue(
        track,
        now,
        sight,
        (tick, value) -> {
          last.value = tick < sight.start() ? value : last.value;
          columns.put(scale.xOf(tick), value);
        });
    int value = last.value;
    double x = 0;
    for (int column = 0; column < columns.count(); column++) {
      if (columns.isSet(column)) {
        step(g, x, column, value, rest);
        int low = Math.min(columns.low[column], value < 0 ? columns.low[column] : value);
        int high = Math.max(columns.high[column], value);
        riser(g, column, low, high);
        x = column;
        value = columns.last[column];
      }
    }
    step(g, x, getWidth(), value, rest);
    grip.draw(g);
  }

  /** What held before what is in sight. */
  private static final class Last {
    private int value;
  }

  /** Shows the values in sight, with what is being drawn. */
  private void forEachValue(Track track, Gesture now, TickRange sight, ControlEdits.Values to) {
    boolean draws =
        now.edit().orElse(null) instanceof ControlDrawn drawn
            && drawn.controller().equals(controller)
            && !drawn.isNothing();
    if (draws) {
      ControlDrawn drawn = (ControlDrawn) now.edit().orElseThrow();
      ControlEdits.forEachWith(drawn, track, controller, sight, to);
    } else {
      ControlEdits.forEach(track, controller, sight, to);
    }
  }

  /** What is set in each column of pixels: however many points there are, so few are drawn. */
  private static final class Columns {
    private final int[] low;
    private final int[] high;
    private final int[] last;

    Columns(int count) {
      low = new int[count];
      high = new int[count];
      last = new int[count];
      Arrays.fill(last, -1);
    }

    int count() {
      return last.length;
    }

    boolean isSet(int column) {
      return last[column] >= 0;
    }

    void put(double x, int value) {
      int column = (int) Math.floor(x);
      if (column >= 0 && column < last.length) {
        low[column] = isSet(column) ? Math.min(low[column], value) : value;
        high[column] = isSet(column) ? Math.max(high[column], value) : value;
        last[column] = value;
      }
    }
  }

  /** A value from one place to another; where nothing was said, it rests, faintly. */
  private void step(GraphicsContext g, double from, double to, int value, double rest) {
    if (to <= from && value >= 0) {
      return;
    }
    if (value < 0) {
      Hairline.across(g, palette.color(Ink.INK_SOFT, 0.5), rest, from, to);
      return;
    }
    double y = yOf(value);
    double ground = controller.kind() == Controller.BEND.kind() ? rest : getHeight();
    g.setFill(palette.color(Ink.WHEAT, 0.22));
    g.fillRect(from, Math.min(y, ground), to - from, Math.abs(ground - y));
    g.setFill(palette.color(Ink.WHEAT));
    g.fillRect(from, y - LINE / 2, to - from, LINE);
  }

  private void riser(GraphicsContext g, double x, int low, int high) {
    g.setFill(palette.color(Ink.WHEAT));
    g.fillRect(x, yOf(high), 1, yOf(low) - yOf(high));
  }

  @Override
  public void hover(MouseEvent e, boolean isOver) {
    super.hover(e, isOver);
    setCursor(isOver && grip.isAt(e) ? Cursor.MOVE : Cursor.CROSSHAIR);
  }

  @Override
  protected Gesture pressed(MouseEvent e) {
    if (e.getButton() == MouseButton.SECONDARY || e.isShortcutDown() && e.isAltDown()) {
      return erasing(tickAt(e), tickAt(e));
    }
    if (e.getButton() != MouseButton.PRIMARY) {
      return new Gesture.None();
    }
    Optional<Gesture> held = grip.press(e);
    return held.isPresent()
        ? held.get()
        : sketch(Stroke.at(joined(tickAt(e)), shareAt(e) * controller.most()));
  }

  /**
   * A stroke that begins right behind another goes on from it: between them nothing is heard of
   * what was set again where that ended.
   */
  private long joined(long tick) {
    long near = Math.round(JOINS / viewport.scale().pixelsPerTick());
    TickRange before = new TickRange(Math.max(0, tick - near), tick + 1);
    List<ControlPoint> there = ControlEdits.points(session.document().track(), controller, before);
    return there.isEmpty() ? tick : there.getLast().tick();
  }

  @Override
  public Gesture drag(Gesture held, MouseEvent e) {
    return switch (held) {
      case Gesture.Sketch sketch ->
          sketch(sketch.stroke().to(tickAt(e), shareAt(e) * controller.most(), e));
      case Gesture.Wipe wipe -> erasing(wipe.fromTick(), tickAt(e));
      case Gesture.Stretch stretch -> grip.drag(stretch, e);
      default -> held;
    };
  }

  private Gesture erasing(long from, long to) {
    TickRange range = new TickRange(Math.min(from, to), Math.max(from, to));
    ControlDrawn erased =
        new ControlDrawn(session.document().track().id(), controller, range, List.of());
    return new Gesture.Wipe(from, erased);
  }

  private Gesture sketch(Stroke stroke) {
    boolean steps = session.lanes().kept().steps();
    ControlDrawn drawn = steps ? inSteps(stroke.curve()) : inLine(stroke.curve());
    return new Gesture.Sketch(stroke, drawn);
  }

  private ControlDrawn inLine(Curve curve) {
    return drawn(
        curve.start(),
        curve.end() + ControlEdits.FINEST_TICKS,
        ControlEdits.line(curve, controller));
  }

  /** One value to each line of the grid that is passed, each holding up to the next. */
  private ControlDrawn inSteps(Curve curve) {
    GridLines lines = session.drawing().lines(viewport.scale().pixelsPerTick());
    List<Long> at = new ArrayList<>();
    long next = lines.atOrBefore(curve.start());
    while (next <= curve.end()) {
      at.add(next);
      next = lines.after(next);
    }
    LongStream ticks = at.stream().mapToLong(t -> t);
    return drawn(at.getFirst(), next, ControlEdits.following(curve, controller, ticks, 0));
  }

  private ControlDrawn drawn(long from, long to, List<NewControl> values) {
    return new ControlDrawn(
        session.document().track().id(),
        controller,
        new TickRange(from, Math.min(Ticks.LAST, to)),
        values);
  }
}
