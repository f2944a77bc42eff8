package flailbeat.app.view.bench;

import flailbeat.core.edit.NoteMove;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Room;
import flailbeat.core.edit.Selection;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.session.Session;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/** The mouse on the bench: choosing notes, moving them, setting the place, playing the rail. */
final class BenchMouse {
  private static final double SLOP = 3;

  private final Session session;
  private final Viewport viewport;
  private final Runnable onChange;
  private Gesture gesture = new Gesture.None();
  private double rulerFromX;
  private boolean loopDragged;

  /**
   * No mouse yet.
   *
   * @param onChange told when what it does to the notes is another
   */
  BenchMouse(Session session, Viewport viewport, Runnable onChange) {
    this.session = session;
    this.viewport = viewport;
    this.onChange = onChange;
  }

  Gesture gesture() {
    return gesture;
  }

  void install(Node roll, Node ruler, Node rail) {
    roll.setOnMousePressed(this::pressed);
    roll.setOnMouseDragged(this::dragged);
    roll.setOnMouseReleased(this::released);
    ruler.setOnMousePressed(e -> rulerFromX = e.getX());
    ruler.setOnMouseDragged(this::dragLoop);
    ruler.setOnMouseReleased(this::releaseRuler);
    rail.setOnMousePressed(this::playRail);
    rail.setOnMouseDragged(this::playRail);
    rail.setOnMouseReleased(e -> session.performer().releasePointer(System.nanoTime()));
  }

  /** What the mouse does in a lane is a gesture as well. */
  void install(Lane lane) {
    lane.setOnMousePressed(
        e -> {
          if (e.getButton() == MouseButton.PRIMARY) {
            gesture = lane.press(e);
            onChange.run();
          }
        });
    lane.setOnMouseDragged(
        e -> {
          gesture = lane.drag(gesture, e);
          onChange.run();
        });
    lane.setOnMouseReleased(
        e -> {
          Gesture done = lane.drag(gesture, e);
          gesture = new Gesture.None();
          done.edit().ifPresent(session.editing()::carryOut);
          onChange.run();
        });
  }

  /** The place is the step cursor's at Steps; else it is where playing starts. */
  private void setPlace(MouseEvent e) {
    long tick = Math.max(0, Math.round(viewport.scale().tickAt(e.getX())));
    boolean free = e.isAltDown();
    long wanted = free ? tick : session.timing().lines().nearest(tick);
    if (session.performer().keysMode() == KeysMode.STEPS) {
      session.steps().moveTo(wanted);
    } else {
      session.transportControl().seek(wanted);
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

  private void playRail(MouseEvent e) {
    int pitch = Math.clamp(viewport.scale().pitchAt(e.getY()), 0, 127);
    if (e.getButton() == MouseButton.SECONDARY) {
      if (e.getEventType() == MouseEvent.MOUSE_PRESSED) {
        session
            .performer()
            .latch(List.of(pitch), session.performer().hands().velocity(), System.nanoTime());
      }
      return;
    }
    if (!session.performer().hands().soundingPitches().contains(pitch)) {
      int velocity = session.performer().hands().velocity();
      session.performer().press(List.of(pitch), velocity, System.nanoTime());
    }
  }

  private void pressed(MouseEvent e) {
    if (e.getButton() != MouseButton.PRIMARY) {
      return;
    }
    Selection selection = session.document().selection();
    Optional<Note> hit = noteAt(e.getX(), e.getY());
    if (hit.isEmpty()) {
      Selection before = e.isShiftDown() ? selection : Selection.NONE;
      session.document().select(before);
      session.document().chooseClipAt((long) viewport.scale().tickAt(e.getX()));
      gesture = new Gesture.Box(e.getX(), e.getY(), e.getX(), e.getY(), before);
      return;
    }
    NoteId id = hit.get().id();
    if (e.isShiftDown()) {
      session.document().select(selection.toggled(id));
    } else if (!selection.notes().contains(id)) {
      session.document().select(Selection.ofNotes(Set.of(id)));
    }
    Set<NoteId> held = session.document().selection().notes();
    if (held.contains(id)) {
      NoteMove nothing = new NoteMove(held, 0, 0);
      Room room = NoteMove.room(session.song(), held);
      gesture = new Gesture.Move(hit.get(), e.getX(), e.getY(), room, nothing);
    }
  }

  private void dragged(MouseEvent e) {
    gesture =
        switch (gesture) {
          case Gesture.Box box -> {
            Gesture.Box grown = box.to(e.getX(), e.getY());
            session.document().select(selectedBy(grown));
            yield grown;
          }
          case Gesture.Move move -> moved(move, e);
          case Gesture.Loudness loudness -> loudness;
          case Gesture.None none -> none;
        };
    onChange.run();
  }

  /** From line to line, or freely with Alt; pitch by rows. */
  private Gesture moved(Gesture.Move move, MouseEvent e) {
    double dx = e.getX() - move.fromX();
    double dy = e.getY() - move.fromY();
    if (Math.hypot(dx, dy) < SLOP) {
      return move;
    }
    long ticks = Math.round(dx / viewport.scale().pixelsPerTick());
    long stepped = e.isAltDown() ? ticks : session.timing().lines().moved(move.at().onset(), ticks);
    return move.by(stepped, (int) -Math.round(dy / viewport.scale().rowHeight()));
  }

  /** The place of the release counts: the last move of a quick hand may not have come as a drag. */
  private void released(MouseEvent e) {
    Gesture done = gesture instanceof Gesture.Move move ? moved(move, e) : gesture;
    gesture = new Gesture.None();
    done.edit().ifPresent(session.editing()::carryOut);
    onChange.run();
  }

  private Selection selectedBy(Gesture.Box box) {
    Scale scale = viewport.scale();
    double left = scale.tickAt(Math.min(box.fromX(), box.toX()));
    double right = scale.tickAt(Math.max(box.fromX(), box.toX()));
    long from = (long) Math.max(0, Math.floor(left));
    TickRange range = new TickRange(from, Math.max(from, (long) Math.ceil(right)));
    int high = scale.pitchAt(Math.min(box.fromY(), box.toY()));
    int low = scale.pitchAt(Math.max(box.fromY(), box.toY()));
    NoteRule inside = new NoteRule.Within(range, low, high);
    return box.before().plus(Selection.of(inside.of(session.document().track())));
  }

  private List<Note> notesIn(double fromTick, double toTick) {
    long from = (long) Math.max(0, Math.floor(fromTick) - 1);
    long to = Math.max(from, (long) Math.ceil(toTick) + 1);
    return session.document().track().placed(new TickRange(from, to)).notes();
  }

  /** The note under the mouse; of several, the one that began last. */
  private Optional<Note> noteAt(double x, double y) {
    Scale scale = viewport.scale();
    int pitch = scale.pitchAt(y);
    double slop = SLOP / scale.pixelsPerTick();
    double tick = scale.tickAt(x);
    return notesIn(tick - slop, tick + slop).stream()
        .filter(n -> n.pitch() == pitch && n.onset() - slop <= tick && n.end() + slop >= tick)
        .reduce((first, second) -> second);
  }
}
