package flailbeat.app.view.bench.hand;

import flailbeat.core.edit.Edit;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.model.Song;
import flailbeat.core.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * What the mouse holds, wherever in the window it took hold of it: one gesture at most. Each {@link
 * MouseTarget} says what is begun and how it goes on; here it is carried out, or taken back.
 */
public final class SongMouse {
  /** A wheel that is not turned for so long has come to rest. */
  private static final long REST_NANOS = 500_000_000;

  private final Session session;
  private final List<Runnable> listeners = new ArrayList<>();
  private Gesture gesture = new Gesture.None();
  private long turned;
  private MouseButton button = MouseButton.NONE;
  private double x;
  private double y;

  /** It holds nothing. */
  public SongMouse(Session session) {
    this.session = session;
  }

  /** Calls back when what it does to the song is another. */
  public void onChange(Runnable listener) {
    listeners.add(listener);
  }

  /** What it does. */
  public Gesture gesture() {
    return gesture;
  }

  /** What it does or, without it, what a chore that is tried would do. */
  public Gesture shown() {
    return gesture.isOn()
        ? gesture
        : session.chores().shown().<Gesture>map(Gesture.ShownChore::new).orElse(gesture);
  }

  /** Lets a part of the window be touched. */
  public void install(Node node, MouseTarget target) {
    install(node, target, MouseEvent::getY);
  }

  /**
   * Lets a part of the window be touched.
   *
   * @param height how high the readout shall stand that goes along with the mouse
   */
  public void install(Node node, MouseTarget target, ToDoubleFunction<MouseEvent> height) {
    node.setOnMousePressed(
        e -> {
          pressed(target, e);
          at(e.getX(), height.applyAsDouble(e));
        });
    node.setOnMouseDragged(
        e -> {
          if (gesture.isOn()) {
            hold(target.drag(gesture, e), e.getX(), height.applyAsDouble(e));
          }
        });
    node.setOnMouseReleased(e -> released(target, e));
    // A part that comes up under the mouse is entered without a move.
    node.setOnMouseEntered(e -> target.hover(e, true));
    node.setOnMouseMoved(e -> target.hover(e, true));
    node.setOnMouseExited(e -> target.hover(e, false));
  }

  private void pressed(MouseTarget target, MouseEvent e) {
    if (gesture instanceof Gesture.Wheel) {
      commit();
    }
    if (gesture.isOn() || !target.onlyLooks(e) && showsChore()) {
      return;
    }
    gesture = target.press(e);
    button = e.getButton();
  }

  /** What is seen then is not yet there to be taken hold of: the mouse selects, and no more. */
  private boolean showsChore() {
    boolean tries = session.chores().isTrying();
    if (tries) {
      session.notices().tell("A chore is shown: {chore-do} does it, {chore-leave} leaves it");
    }
    return tries;
  }

  private void hold(Gesture value, double atX, double atY) {
    gesture = value;
    at(atX, atY);
  }

  private void at(double atX, double atY) {
    x = atX;
    y = atY;
    tell();
  }

  /** The place of the release counts: the last move of a quick hand may not have come as a drag. */
  private void released(MouseTarget target, MouseEvent e) {
    if (e.getButton() != button) {
      return;
    }
    Gesture done = gesture.isOn() ? target.drag(gesture, e) : gesture;
    Song before = session.song();
    commit(done);
    target.dropped(done, before);
  }

  /**
   * The wheel is turned over notes; turned again within a moment it is the same step.
   *
   * @param turn goes on with what is held, or begins
   * @return whether the wheel is taken by it
   */
  public boolean wheel(UnaryOperator<Gesture> turn, double atX, double atY) {
    if (!(gesture instanceof Gesture.Wheel) && (gesture.isOn() || showsChore())) {
      return true;
    }
    turned = System.nanoTime();
    hold(turn.apply(gesture), atX, atY);
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
    if (done instanceof Gesture.NewClip clip) {
      session.editing().addClip(clip.range());
    }
    tell();
  }

  private void carryOut(Edit edit) {
    if (edit instanceof ControlDrawn drawn) {
      session.lanes().draw(drawn);
    } else {
      session.editing().carryOut(edit);
    }
  }

  /** What it holds is as it was before; what comes of it until it lets go is nothing. */
  public boolean cancel() {
    boolean held = gesture.isOn();
    if (held) {
      gesture = new Gesture.None();
      session.drawing().silence();
      tell();
    }
    return held;
  }

  private void tell() {
    listeners.forEach(Runnable::run);
  }

  /** Where it was last, as far as its readout is concerned. */
  double x() {
    return x;
  }

  double y() {
    return y;
  }
}
