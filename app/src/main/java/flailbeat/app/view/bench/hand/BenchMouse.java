package flailbeat.app.view.bench.hand;

import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.edit.Edit;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Song;
import flailbeat.core.session.Session;
import flailbeat.core.time.TickRange;
import java.util.OptionalLong;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/** The mouse on the bench: choosing notes, moving them, setting the place. */
public final class BenchMouse {
  private static final int WHEEL_PERCENT = 5;

  /** A wheel that is not turned for so long has come to rest. */
  private static final long REST_NANOS = 500_000_000;

  private static final double SLOP = RollGestures.SLOP;

  private final Session session;
  private final Viewport viewport;
  private final RollGestures roll;
  private final RailMouse railMouse;
  private final Runnable onChange;
  private Gesture gesture = new Gesture.None();
  private double rulerFromX;
  private boolean loopDragged;
  private long turned;
  private boolean isOver;
  private MouseButton button = MouseButton.NONE;
  private double x;
  private double y;

  /**
   * No mouse yet.
   *
   * @param onChange told when what it does to the notes is another
   */
  public BenchMouse(Session session, Viewport viewport, Runnable onChange) {
    this.session = session;
    this.viewport = viewport;
    this.roll = new RollGestures(session, viewport);
    this.railMouse = new RailMouse(session, viewport);
    this.onChange = onChange;
  }

  public Gesture gesture() {
    return gesture;
  }

  /** What it does or, without it, what a chore that is tried would do. */
  public Gesture shown() {
    return gesture.isOn()
        ? gesture
        : session.chores().shown().<Gesture>map(Gesture.Trial::new).orElse(gesture);
  }

  public void install(Node over, Node ruler, Node rail) {
    over.setOnMousePressed(this::pressed);
    over.setOnMouseDragged(this::dragged);
    over.setOnMouseReleased(this::released);
    over.setOnMouseMoved(
        e -> {
          at(e);
          isOver = true;
          over.setCursor(roll.cursorAt(e.getX(), e.getY()));
        });
    over.setOnMouseExited(e -> isOver = false);
    ruler.setOnMousePressed(e -> rulerFromX = e.getX());
    ruler.setOnMouseDragged(this::dragLoop);
    ruler.setOnMouseReleased(this::releaseRuler);
    railMouse.install(rail);
  }

  /** What the mouse does in a lane is a gesture as well. */
  public void install(Node lane, MouseTarget target) {
    lane.setOnMousePressed(
        e -> {
          boolean free = !gesture.isOn() && !session.runControl().transport().isRecording();
          if (free && !showsChore()) {
            gesture = target.press(e);
            button = e.getButton();
            onLane(e);
          }
        });
    lane.setOnMouseDragged(
        e -> {
          if (gesture.isOn()) {
            gesture = target.drag(gesture, e);
            onLane(e);
          }
        });
    lane.setOnMouseReleased(
        e -> {
          if (e.getButton() == button && gesture.isOn()) {
            commit(target.drag(gesture, e));
          }
        });
    // A lane that comes up under the mouse is entered without a move.
    lane.setOnMouseEntered(e -> target.hover(e, true));
    lane.setOnMouseMoved(e -> target.hover(e, true));
    lane.setOnMouseExited(e -> target.hover(e, false));
  }

  /** What is seen then is not yet there to be taken hold of: the mouse selects, and no more. */
  private boolean showsChore() {
    boolean tries = session.chores().isTrying();
    if (tries) {
      session.notices().tell("A chore is shown: {chore-do} does it, {chore-leave} leaves it");
    }
    return tries;
  }

  private void onLane(MouseEvent e) {
    x = e.getX();
    y = viewport.height();
    onChange.run();
  }

  /** The place is the step cursor's at Steps; else it is where playing starts. */
  private void setPlace(MouseEvent e) {
    long tick = Math.max(0, Math.round(viewport.scale().tickAt(e.getX())));
    boolean free = e.isAltDown();
    long wanted = free ? tick : session.timing().lines().nearest(tick);
    if (session.performer().keysMode() == KeysMode.STEPS) {
      session.steps().moveTo(wanted);
    } else {
      session.runControl().seek(wanted);
    }
  }

  /** A drag along the ruler chooses the loop; lines are nearest, or anything with Alt. */
  private void dragLoop(MouseEvent e) {
    if (Math.abs(e.getX() - rulerFromX) >= SLOP) {
      long from = rulerTick(rulerFromX, e.isAltDown());
      long to = rulerTick(e.getX(), e.isAltDown());
      loopDragged = true;
      session.run().loop(new TickRange(Math.min(from, to), Math.max(from, to)));
    }
  }

  private void releaseRuler(MouseEvent e) {
    if (!loopDragged) {
      setPlace(e);
    }
    loopDragged = false;
  }

  private long rulerTick(double x, boolean free) {
    long tick = Math.max(0, Math.round(viewport.scale().tickAt(x)));
    return free ? tick : session.song().meters().beatNearest(tick);
  }

  /**
   * The wheel is turned with Alt over a note; turned again within a moment it is the same step.
   *
   * @return whether there was a note
   */
  public boolean wheel(double atX, double atY, double amount) {
    int percent = (int) Math.signum(amount) * WHEEL_PERCENT;
    if (gesture instanceof Gesture.Wheel wheel) {
      gesture = wheel.by(percent);
    } else if (gesture.isOn() || showsChore()) {
      return true;
    } else {
      gesture = roll.wheel(atX, atY, percent).orElse(gesture);
    }
    turned = System.nanoTime();
    x = atX;
    y = atY;
    onChange.run();
    return gesture.isOn();
  }

  /** Called for each frame: a wheel that has come to rest has done what it did. */
  public void settle() {
    if (gesture instanceof Gesture.Wheel && System.nanoTime() - turned > REST_NANOS) {
      commit();
    }
  }

  private void commit() {
    commit(gesture);
  }

  /** What was held does what it did, and nothing is held any more. */
  private void commit(Gesture done) {
    gesture = new Gesture.None();
    done.edit().ifPresent(this::carryOut);
    onChange.run();
  }

  private void carryOut(Edit edit) {
    if (edit instanceof ControlDrawn drawn) {
      session.lanes().draw(drawn);
    } else {
      session.editing().carryOut(edit);
    }
  }

  private void pressed(MouseEvent e) {
    if (gesture instanceof Gesture.Wheel) {
      commit();
    }
    boolean selects = e.isShiftDown() || e.getButton() == MouseButton.SECONDARY;
    if (gesture.isOn() || !selects && showsChore()) {
      return;
    }
    gesture = roll.press(e);
    button = e.getButton();
    at(e);
    onChange.run();
  }

  private void dragged(MouseEvent e) {
    if (gesture.isOn()) {
      gesture = roll.drag(gesture, e);
      at(e);
      onChange.run();
    }
  }

  /** The place of the release counts: the last move of a quick hand may not have come as a drag. */
  private void released(MouseEvent e) {
    if (e.getButton() != button) {
      return;
    }
    Gesture done = gesture.isOn() ? roll.drag(gesture, e) : gesture;
    Song before = session.song();
    commit(done);
    if (session.song() != before && !(done instanceof Gesture.Erase)) {
      session.document().selectAdded(before);
    }
    if (done instanceof Gesture.Move move && move.takesOut() && move.move().isNothing()) {
      session.document().select(session.document().selection().toggled(move.at().id()));
    }
    if (done instanceof Gesture.Draw draw) {
      session.drawing().touch(draw.note());
    }
  }

  /** What the mouse holds is as it was before; what comes of it until it lets go is nothing. */
  public boolean cancel() {
    boolean rowHeld = railMouse.cancel();
    boolean held = gesture.isOn();
    if (held) {
      gesture = new Gesture.None();
      session.drawing().silence();
      onChange.run();
    }
    return held || rowHeld;
  }

  /** Whether it holds something that can be taken back. */
  public boolean isBusy() {
    return gesture.isOn() || railMouse.isHolding();
  }

  private void at(MouseEvent e) {
    x = e.getX();
    y = e.getY();
  }

  /** The line that the mouse is nearest to, while it is over the roll. */
  public OptionalLong overLine() {
    long tick = Math.max(0, Math.round(viewport.scale().tickAt(x)));
    return isOver
        ? OptionalLong.of(
            session.drawing().kept().snaps()
                ? session.drawing().lines(viewport.scale().pixelsPerTick()).nearest(tick)
                : tick)
        : OptionalLong.empty();
  }

  /** Where the mouse was last on the roll. */
  double x() {
    return x;
  }

  double y() {
    return y;
  }
}
