package flailbeat.app.view.bench.lane;

import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.edit.shapes.PedalBars;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.session.bench.LaneActions;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Optional;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * A pedal: bars over the time in which it is down, each with two edges to be dragged. Where there
 * is none, a drag draws one; twice a click, or the right button, takes one away.
 */
final class PedalLane extends Lane {
  private static final double REACH = 5;
  private static final double ROUND = 8;

  private final Controller pedal;
  private final StretchGrip grip;

  PedalLane(On bench, LaneActions.Shown shown) {
    super(bench, shown);
    this.pedal = shown.controller().orElseThrow();
    this.grip = new StretchGrip(this, pedal);
  }

  @Override
  protected void draw(GraphicsContext g) {
    ground(g);
    // Bars are few: what is drawn is carried out.
    Track track = shaded(gesture.get().applyTo(session.song()));
    double y = EDGE + 2;
    double h = getHeight() - 2 * y;
    for (TickRange bar : PedalBars.of(track, pedal, viewport.inSight(0))) {
      double from = viewport.scale().xOf(bar.start());
      double to = viewport.scale().xOf(bar.end());
      g.setFill(palette.color(Ink.WHEAT, 0.3));
      g.fillRoundRect(from, y, Math.max(3, to - from), h, ROUND, ROUND);
      g.setFill(palette.color(Ink.WHEAT));
      g.fillRect(from, y, 2, h);
      g.fillRect(Math.max(from + 2, to - 2), y, 2, h);
    }
    grip.draw(g);
  }

  private List<TickRange> bars() {
    return PedalBars.of(session.document().track(), pedal, viewport.inSight(0));
  }

  private Optional<TickRange> barAt(MouseEvent e) {
    return bars().stream()
        .filter(b -> viewport.scale().xOf(b.start()) - REACH <= e.getX())
        .filter(b -> viewport.scale().xOf(b.end()) + REACH >= e.getX())
        .findFirst();
  }

  private boolean isNear(MouseEvent e, long tick) {
    return Math.abs(viewport.scale().xOf(tick) - e.getX()) <= REACH;
  }

  @Override
  public void hover(MouseEvent e, boolean isOver) {
    super.hover(e, isOver);
    boolean edge = barAt(e).filter(b -> isNear(e, b.start()) || isNear(e, b.end())).isPresent();
    boolean grips = isOver && grip.isAt(e);
    setCursor(grips ? Cursor.MOVE : edge ? Cursor.H_RESIZE : Cursor.CROSSHAIR);
  }

  @Override
  protected Gesture pressed(MouseEvent e) {
    Optional<Gesture> held = e.getClickCount() == 1 ? grip.press(e) : Optional.empty();
    return held.isPresent() ? held.get() : pressBar(e);
  }

  private Gesture pressBar(MouseEvent e) {
    Optional<TickRange> bar = barAt(e);
    boolean wipes =
        e.getButton() == MouseButton.SECONDARY
            || e.getClickCount() == 2
            || e.isShortcutDown() && e.isAltDown();
    if (bar.isPresent() && wipes) {
      return new Gesture.Wipe(tickAt(e), drawn(bar.get().start(), bar.get().end() + 1, List.of()));
    }
    if (wipes && e.getClickCount() != 2 || e.getButton() == MouseButton.MIDDLE) {
      return new Gesture.None();
    }
    if (bar.isPresent() && isNear(e, bar.get().end())) {
      return new Gesture.Pedal(bar.get(), false, bar.get().end(), drawn(0, 0, List.of()));
    }
    if (bar.isPresent() && isNear(e, bar.get().start())) {
      return new Gesture.Pedal(bar.get(), true, bar.get().start(), drawn(0, 0, List.of()));
    }
    if (bar.isPresent()) {
      return new Gesture.None();
    }
    long from = snapped(e);
    return new Gesture.Pedal(new TickRange(from, from), false, from, drawn(0, 0, List.of()));
  }

  private long snapped(MouseEvent e) {
    long tick = tickAt(e);
    boolean free = e.isAltDown() == session.drawing().kept().snaps();
    return free ? tick : session.drawing().lines(viewport.scale().pixelsPerTick()).nearest(tick);
  }

  @Override
  public Gesture drag(Gesture held, MouseEvent e) {
    return switch (held) {
      case Gesture.Pedal bar -> dragged(bar, snapped(e));
      case Gesture.Stretch stretch -> grip.drag(stretch, e);
      default -> held;
    };
  }

  /**
   * A new bar reaches from where it was pressed to the mouse; of one that was there an edge goes.
   */
  private Gesture dragged(Gesture.Pedal held, long to) {
    TickRange bar = held.bar();
    if (bar.length() == 0) {
      long from = bar.start();
      TickRange wanted = new TickRange(Math.min(from, to), Math.max(from, to));
      ControlDrawn none = drawn(0, 0, List.of());
      return new Gesture.Pedal(
          bar,
          false,
          to,
          wanted.length() == 0
              ? none
              : PedalBars.drawn(session.document().track().id(), pedal, wanted));
    }
    long edge = held.start() ? bar.start() : bar.end();
    long within =
        held.start()
            ? Math.clamp(to, endBefore(bar), bar.end() - 1)
            : Math.clamp(to, bar.start() + 1, startAfter(bar));
    List<NewControl> moved = List.of(new NewControl(within, pedal.at(held.start() ? 127 : 0)));
    return new Gesture.Pedal(
        bar,
        held.start(),
        within,
        within == edge
            ? drawn(0, 0, List.of())
            : drawn(Math.min(edge, within), Math.max(edge, within) + 1, moved));
  }

  private long endBefore(TickRange bar) {
    return bars().stream()
        .mapToLong(TickRange::end)
        .filter(t -> t < bar.start())
        .map(t -> t + 1)
        .max()
        .orElse(0);
  }

  private long startAfter(TickRange bar) {
    return bars().stream()
        .mapToLong(TickRange::start)
        .filter(t -> t > bar.end())
        .map(t -> t - 1)
        .min()
        .orElse(Ticks.LAST - 2);
  }

  private ControlDrawn drawn(long from, long to, List<NewControl> values) {
    return new ControlDrawn(
        session.document().track().id(), pedal, new TickRange(from, to), values);
  }
}
