package flailbeat.app.view.bench.hand;

import flailbeat.app.view.bench.surface.Surface;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.Session;
import flailbeat.core.time.TickRange;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.input.MouseEvent;

/** The mouse on a ruler: a press sets the place, and a drag chooses the loop. */
public final class RulerMouse {
  private final Session session;
  private final Supplier<? extends Surface> surface;
  private double fromX;
  private boolean loopDragged;

  public RulerMouse(Session session, Supplier<? extends Surface> surface) {
    this.session = session;
    this.surface = surface;
  }

  public void install(Node ruler) {
    ruler.setOnMousePressed(e -> fromX = e.getX());
    ruler.setOnMouseDragged(this::dragLoop);
    ruler.setOnMouseReleased(this::released);
  }

  /** The place is the step cursor's at Steps; else it is where playing starts. */
  private void setPlace(MouseEvent e) {
    long tick = tickAt(e.getX());
    long wanted = e.isAltDown() ? tick : session.timing().lines().nearest(tick);
    if (session.performer().keysMode() == KeysMode.STEPS) {
      session.steps().moveTo(wanted);
    } else {
      session.runControl().seek(wanted);
    }
  }

  /** Beats are nearest, or anything with Alt. */
  private void dragLoop(MouseEvent e) {
    if (Math.abs(e.getX() - fromX) >= RollGestures.SLOP) {
      long from = edgeAt(fromX, e.isAltDown());
      long to = edgeAt(e.getX(), e.isAltDown());
      loopDragged = true;
      session.run().loop(new TickRange(Math.min(from, to), Math.max(from, to)));
    }
  }

  private void released(MouseEvent e) {
    if (!loopDragged) {
      setPlace(e);
    }
    loopDragged = false;
  }

  private long edgeAt(double x, boolean free) {
    long tick = tickAt(x);
    return free ? tick : session.song().meters().beatNearest(tick);
  }

  private long tickAt(double x) {
    return Math.max(0, Math.round(surface.get().tickAt(x)));
  }
}
