package flailbeat.app.view.map;

import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.hand.MouseTarget;
import flailbeat.app.view.bench.hand.Zone;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.ClipPattern;
import flailbeat.core.edit.clips.ClipShapes.Beyond;
import flailbeat.core.edit.clips.ClipsLaid;
import flailbeat.core.edit.clips.ClipsMoved;
import flailbeat.core.edit.clips.ClipsResized;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.session.Session;
import flailbeat.core.session.map.ClipActions;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * What the mouse does on the large map. On a clip it selects and moves it, with Ctrl a copy; with
 * Shift what lies where they come is pushed on. At the end it makes it longer, and beyond what is
 * in it lets it begin anew, with Shift silent; at the start it cuts or uncovers. On an empty place
 * a press sets where playing starts, a drag draws a box, and with Ctrl an empty clip. With clips in
 * the hand it lays them down. Alt leaves the lines; twice on a clip opens it on the bench.
 */
final class ClipGestures implements MouseTarget {
  private static final double SLOP = 3;

  private final Session session;
  private final ClipActions clips;
  private final Supplier<LaneScale> scale;
  private final ClipHits hits;
  private final Consumer<Clip> open;

  /**
   * The gestures.
   *
   * @param open opens a clip on the bench
   */
  ClipGestures(Session session, Supplier<LaneScale> scale, Consumer<Clip> open) {
    this.session = session;
    this.clips = session.clips();
    this.scale = scale;
    this.open = open;
    this.hits = new ClipHits(session::song, scale);
  }

  ClipHits hits() {
    return hits;
  }

  @Override
  public void hover(MouseEvent e, boolean over) {
    if (over) {
      ((Node) e.getSource()).setCursor(hits.cursorAt(e.getX(), e.getY()));
    }
  }

  /** Clips are no notes: what a chore shows is not taken hold of. */
  @Override
  public boolean onlyLooks(MouseEvent e) {
    return e.getButton() != MouseButton.PRIMARY;
  }

  @Override
  public Gesture press(MouseEvent e) {
    Optional<ClipHits.Hit> hit = hits.at(e.getX(), e.getY());
    if (clips.inHand().isPresent() && e.getButton() == MouseButton.PRIMARY) {
      return lay(clips.inHand().get(), e);
    }
    hits.trackAt(e.getY()).ifPresent(i -> choose(session.song().tracks().get(i)));
    if (e.getButton() != MouseButton.PRIMARY) {
      hit.ifPresent(h -> select(h.clip(), true));
      return new Gesture.None();
    }
    if (hit.isEmpty()) {
      return onEmpty(e);
    }
    Clip clip = hit.get().clip();
    if (e.getClickCount() == 2 && !e.isShiftDown() && !e.isShortcutDown()) {
      open.accept(clip);
      return new Gesture.None();
    }
    return hold(clip, hit.get().zone(), e);
  }

  private void choose(Track track) {
    session.document().chooseTrack(track.id());
  }

  /** Selects a clip, unless it is of what is selected already. */
  private void select(Clip clip, boolean keeps) {
    Selection selected = session.document().selection();
    session.document().chooseClip(clip.id());
    if (!keeps || !selected.clips().contains(clip.id())) {
      session.document().select(Selection.ofClips(Set.of(clip.id())));
    }
  }

  private Gesture hold(Clip clip, Zone zone, MouseEvent e) {
    Set<ClipId> before = session.document().selection().clips();
    boolean was = before.contains(clip.id());
    if (e.isShiftDown() && !was) {
      Set<ClipId> more = new HashSet<>(before);
      more.add(clip.id());
      session.document().chooseClip(clip.id());
      session.document().select(Selection.ofClips(more));
    } else {
      select(clip, was);
    }
    Set<ClipId> held = session.document().selection().clips();
    if (zone != Zone.BODY && !e.isShortcutDown()) {
      boolean start = zone == Zone.START;
      return new Gesture.ResizeClips(clip, e.getX(), new ClipsResized(held, start, 0, Beyond.LOOP));
    }
    ClipsMoved.What what =
        !e.isShortcutDown()
            ? ClipsMoved.What.MOVE
            : clips.isLinking() ? ClipsMoved.What.LINK : ClipsMoved.What.COPY;
    return new Gesture.MoveClips(
        clip,
        e.getX(),
        scale.get().laneAt(e.getY()),
        ClipMoves.room(session.song(), held),
        new ClipsMoved(held, 0, 0, what, Landing.OVER),
        was && e.isShiftDown());
  }

  private Gesture onEmpty(MouseEvent e) {
    long tick = tickAt(e.getX());
    if (e.isShortcutDown() && hits.trackAt(e.getY()).isPresent()) {
      return new Gesture.NewClip(tick, bars(tick, tick));
    }
    Selection before = e.isShiftDown() ? session.document().selection() : Selection.NONE;
    session.document().select(before);
    return new Gesture.BoxClips(e.getX(), e.getY(), e.getX(), e.getY(), before);
  }

  private Gesture lay(ClipPattern pattern, MouseEvent e) {
    int tracks = session.song().tracks().size();
    int track = pattern.trackFor(hits.trackAt(e.getY()).orElse(tracks - 1), tracks);
    long tick = isFree(e) ? tickAt(e.getX()) : lines().atOrBefore(tickAt(e.getX()));
    return new Gesture.LayClips(
        new ClipsLaid(pattern, tick, track, 1, clips.isLinking(), Landing.OVER));
  }

  @Override
  public Gesture drag(Gesture gesture, MouseEvent e) {
    return switch (gesture) {
      case Gesture.MoveClips move -> moved(move, e);
      case Gesture.ResizeClips resize -> resized(resize, e);
      case Gesture.LayClips lay -> laid(lay, e);
      case Gesture.BoxClips box -> boxed(box, e);
      case Gesture.NewClip clip ->
          new Gesture.NewClip(clip.fromTick(), bars(clip.fromTick(), tickAt(e.getX())));
      default -> gesture;
    };
  }

  private Gesture moved(Gesture.MoveClips move, MouseEvent e) {
    double dx = e.getX() - move.fromX();
    int tracks = scale.get().laneAt(e.getY()) - move.fromLane();
    boolean still = Math.abs(dx) < SLOP && move.moved().ticks() == 0;
    long raw = still ? 0 : Math.round(dx / scale.get().pixelsPerTick());
    long start = move.at().start();
    long ticks = raw == 0 || isFree(e) ? raw : lines().nearest(Math.max(0, start + raw)) - start;
    return move.by(ticks, tracks, e.isShiftDown() ? Landing.PUSH : Landing.OVER);
  }

  private Gesture resized(Gesture.ResizeClips resize, MouseEvent e) {
    ClipsResized now = resize.resized();
    Clip at = resize.at();
    long edge = now.start() ? at.start() : at.end();
    double dx = e.getX() - resize.fromX();
    long raw = Math.abs(dx) < SLOP ? 0 : Math.round(dx / scale.get().pixelsPerTick());
    long wanted = raw == 0 || isFree(e) ? edge + raw : lines().nearest(Math.max(0, edge + raw));
    Beyond beyond = e.isShiftDown() ? Beyond.SILENCE : Beyond.LOOP;
    return new Gesture.ResizeClips(
        at, resize.fromX(), new ClipsResized(now.ids(), now.start(), wanted - edge, beyond));
  }

  /** As often as the mouse has gone on by its length, once at least. */
  private Gesture laid(Gesture.LayClips lay, MouseEvent e) {
    ClipsLaid now = lay.laid();
    double span = now.pattern().span() * scale.get().pixelsPerTick();
    double far = e.getX() - scale.get().xOf(now.tick());
    int times =
        (int)
            Math.clamp(Math.ceil(far / span), 1, Math.max(1, now.pattern().mostTimes(now.tick())));
    return new Gesture.LayClips(now.times(times));
  }

  private Gesture boxed(Gesture.BoxClips box, MouseEvent e) {
    Gesture.BoxClips grown =
        new Gesture.BoxClips(box.fromX(), box.fromY(), e.getX(), e.getY(), box.before());
    session.document().select(box.before().plus(Selection.ofClips(inside(grown))));
    return grown;
  }

  private Set<ClipId> inside(Gesture.BoxClips box) {
    LaneScale now = scale.get();
    double left = now.tickAt(Math.min(box.fromX(), box.toX()));
    double right = now.tickAt(Math.max(box.fromX(), box.toX()));
    int first = Math.max(0, now.laneAt(Math.min(box.fromY(), box.toY())));
    int last =
        Math.min(session.song().tracks().size() - 1, now.laneAt(Math.max(box.fromY(), box.toY())));
    Set<ClipId> result = new HashSet<>();
    for (int i = first; i <= last && right - left > 0; i++) {
      for (Clip clip : session.song().tracks().get(i).clips()) {
        if (clip.end() > left && clip.start() < right) {
          result.add(clip.id());
        }
      }
    }
    return result;
  }

  @Override
  public void dropped(Gesture done, Song before) {
    boolean changed = session.song() != before;
    switch (done) {
      case Gesture.MoveClips move -> {
        if (changed && move.moved().what() != ClipsMoved.What.MOVE) {
          clips.selectAdded(before);
        } else if (changed) {
          session.document().chooseClip(move.at().id());
        } else if (move.takesOut() && move.moved().isNothing()) {
          Set<ClipId> left = new HashSet<>(session.document().selection().clips());
          left.remove(move.at().id());
          session.document().select(Selection.ofClips(left));
        } else if (!move.takesOut() && move.moved().isNothing()) {
          select(move.at(), false);
        }
      }
      case Gesture.LayClips lay -> clips.afterLaying(lay.laid(), before);
      case Gesture.BoxClips box -> {
        boolean still =
            Math.abs(box.toX() - box.fromX()) < SLOP && Math.abs(box.toY() - box.fromY()) < SLOP;
        if (still) {
          setPlace(box.fromX());
        }
      }
      default -> {
        // Nothing more comes of it.
      }
    }
  }

  /** The place is the step cursor's at Steps; else it is where playing starts. */
  private void setPlace(double x) {
    long wanted = lines().nearest(tickAt(x));
    if (session.performer().keysMode() == KeysMode.STEPS) {
      session.steps().moveTo(wanted);
    } else {
      session.runControl().seek(wanted);
    }
  }

  /** Does something at the line nearest to a place. */
  long lineAt(double x) {
    return lines().nearest(tickAt(x));
  }

  private TickRange bars(long from, long to) {
    return session
        .song()
        .meters()
        .wholeBars(new TickRange(Math.min(from, to), Math.max(from, to) + 1));
  }

  private GridLines lines() {
    return MapLines.of(session.song(), scale.get().pixelsPerTick());
  }

  private boolean isFree(MouseEvent e) {
    return e.isAltDown() == session.drawing().kept().snaps();
  }

  private long tickAt(double x) {
    return Math.clamp(Math.round(scale.get().tickAt(x)), 0, Ticks.LAST - 1);
  }
}
