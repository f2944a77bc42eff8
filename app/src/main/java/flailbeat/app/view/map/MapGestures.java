package flailbeat.app.view.map;

import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.hand.MouseTarget;
import flailbeat.app.view.bench.surface.TrackSurface;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Track;
import flailbeat.core.session.Session;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.function.Supplier;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * What the mouse does on the song map: a press chooses a track and sets the place at a bar, a drag
 * moves the place along, and with Ctrl it draws an empty clip over whole bars.
 */
final class MapGestures implements MouseTarget {
  private final Session session;
  private final Supplier<? extends TrackSurface> surface;

  MapGestures(Session session, Supplier<? extends TrackSurface> surface) {
    this.session = session;
    this.surface = surface;
  }

  /** Nothing here takes hold of what a chore shows. */
  @Override
  public boolean onlyLooks(MouseEvent e) {
    return true;
  }

  @Override
  public Gesture press(MouseEvent e) {
    long tick = tickAt(e);
    List<Track> tracks = session.song().tracks();
    int lane = surface.get().laneAt(e.getY());
    if (lane >= 0 && lane < tracks.size()) {
      session.document().chooseTrack(tracks.get(lane).id());
      session.document().chooseClipAt(tick);
    }
    if (e.isShortcutDown() && e.getButton() == MouseButton.PRIMARY) {
      return new Gesture.NewClip(tick, bars(tick, tick));
    }
    setPlace(session.song().meters().barRangeAt(tick).start());
    return new Gesture.Place();
  }

  @Override
  public Gesture drag(Gesture gesture, MouseEvent e) {
    if (gesture instanceof Gesture.NewClip clip) {
      return new Gesture.NewClip(clip.fromTick(), bars(clip.fromTick(), tickAt(e)));
    }
    if (gesture instanceof Gesture.Place && e.getEventType() == MouseEvent.MOUSE_DRAGGED) {
      setPlace(tickAt(e));
    }
    return gesture;
  }

  /** The bars between two ticks, and those that they lie in. */
  private TickRange bars(long from, long to) {
    return session
        .song()
        .meters()
        .wholeBars(new TickRange(Math.min(from, to), Math.max(from, to) + 1));
  }

  /** The place is the step cursor's at Steps, by whole bars; else it is where playing starts. */
  private void setPlace(long tick) {
    if (session.performer().keysMode() == KeysMode.STEPS) {
      session.steps().moveTo(session.song().meters().barRangeAt(tick).start());
    } else {
      session.runControl().seek(tick);
    }
  }

  private long tickAt(MouseEvent e) {
    return Math.max(0, (long) surface.get().tickAt(e.getX()));
  }
}
