package flailbeat.app.view.bench.hand;

import flailbeat.app.view.bench.surface.PitchSurface;
import flailbeat.core.edit.Leeway;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.notes.NoteCopies;
import flailbeat.core.edit.notes.NoteMove;
import flailbeat.core.edit.notes.NoteResize;
import flailbeat.core.edit.notes.NoteResize.Edge;
import flailbeat.core.edit.notes.NotesDrawn;
import flailbeat.core.edit.notes.NotesErased;
import flailbeat.core.edit.notes.Stencil;
import flailbeat.core.edit.shapes.Louder;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Velocity;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongConsumer;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;

/**
 * What the mouse does on the roll: where it is pressed and what is held says what, and there are no
 * tools to change. On an empty place it draws a note; with Ctrl it fills a row, with Shift, or by
 * the right button, it draws a box. On a note it moves it, with Ctrl a copy; at an edge it resizes,
 * and with Ctrl at its end lays copies behind the selection; twice it erases, and so it does along
 * a drag with Ctrl and Alt. Alt leaves the lines, and Shift, in a move, keeps to one direction.
 */
public final class RollGestures implements MouseTarget {
  static final double SLOP = 3;

  private static final int WHEEL_PERCENT = 5;

  private static final double STEP = 4;

  /** As many notes as one stroke lays down. */
  static final int MOST_FILLED = 2000;

  private static final int MOST_COPIES = 64;

  private final Session session;
  private final MouseDrawing drawing;
  private final Supplier<? extends PitchSurface> surface;
  private final NoteHits hits;
  private boolean isOver;
  private double lastX;

  public RollGestures(Session session, Supplier<? extends PitchSurface> surface) {
    this.session = session;
    this.drawing = session.drawing();
    this.surface = surface;
    this.hits = new NoteHits(session, surface);
  }

  @Override
  public void hover(MouseEvent e, boolean over) {
    isOver = over;
    lastX = e.getX();
    if (over) {
      ((Node) e.getSource()).setCursor(hits.cursorAt(e.getX(), e.getY()));
    }
  }

  /** Does something at the line nearest to the mouse; says so where it is not over the roll. */
  public void atMouse(LongConsumer action) {
    long tick = Math.max(0, Math.round(surface.get().tickAt(lastX)));
    if (isOver) {
      action.accept(drawing.kept().snaps() ? lines().nearest(tick) : tick);
    } else {
      session.notices().tell("Point at a place on the roll first");
    }
  }

  @Override
  public Gesture press(MouseEvent e) {
    lastX = e.getX();
    boolean draws =
        !session.runControl().transport().isRecording() && surface.get().hasPitchAt(e.getY());
    if (e.getButton() == MouseButton.SECONDARY || !draws && hits.at(e.getX(), e.getY()).isEmpty()) {
      return box(e, e.isShiftDown());
    }
    if (e.getButton() != MouseButton.PRIMARY) {
      return new Gesture.None();
    }
    Optional<NoteHits.Hit> hit = hits.at(e.getX(), e.getY());
    if (e.isShortcutDown() && e.isAltDown()) {
      return erasing(new Gesture.Erase(e.getX(), e.getY(), new NotesErased(Set.of())), e);
    }
    if (hit.isEmpty()) {
      return e.isShiftDown() ? box(e, true) : e.isShortcutDown() ? fill(e) : draw(e);
    }
    if (e.getClickCount() == 2 && !e.isShiftDown() && !e.isShortcutDown()) {
      return erasing(new Gesture.Erase(e.getX(), e.getY(), new NotesErased(Set.of())), e);
    }
    return hold(hit.get(), e);
  }

  private Gesture box(MouseEvent e, boolean keeps) {
    Selection before = keeps ? session.document().selection() : Selection.NONE;
    session.document().select(before);
    session.document().chooseClipAt((long) surface.get().tickAt(e.getX()));
    return new Gesture.Box(e.getX(), e.getY(), e.getX(), e.getY(), before);
  }

  private Gesture hold(NoteHits.Hit hit, MouseEvent e) {
    NoteId id = hit.note().id();
    Selection selection = session.document().selection();
    drawing.touch(hit.note());
    boolean was = selection.notes().contains(id);
    if (!was) {
      session
          .document()
          .select(e.isShiftDown() ? selection.toggled(id) : Selection.ofNotes(Set.of(id)));
    }
    Set<NoteId> held = session.document().selection().notes();
    if (hit.zone() == Zone.END && e.isShortcutDown()) {
      long span = NoteCopies.span(session.song(), held);
      return new Gesture.Repeat(e.getX(), new NoteCopies(held, span, 0, 0));
    }
    if (hit.zone() != Zone.BODY) {
      Edge edge = hit.zone() == Zone.START ? Edge.START : Edge.END;
      return new Gesture.Resize(
          e.getX(),
          NoteResize.of(session.song(), held, edge, drawing.kept().together(), hit.note()),
          false);
    }
    Leeway room = NoteMove.room(session.song(), held);
    NoteMove nothing = new NoteMove(held, 0, 0);
    return new Gesture.Move(
        hit.note(), e.getX(), e.getY(), room, nothing, e.isShortcutDown(), was && e.isShiftDown());
  }

  /**
   * The wheel is turned over a note: it, or the selection that it is of, becomes louder.
   *
   * @param held what the mouse holds: the same step, where the wheel was turned a moment ago
   */
  private Gesture turned(Gesture held, double x, double y, double amount) {
    int percent = (int) Math.signum(amount) * WHEEL_PERCENT;
    return held instanceof Gesture.Wheel wheel
        ? wheel.by(percent)
        : hits.at(x, y).map(h -> louder(h.note(), percent)).orElse(new Gesture.None());
  }

  /** The same, by whoever holds what the mouse does; whether the wheel is taken by it. */
  public boolean wheel(SongMouse mouse, ScrollEvent e, double amount) {
    return mouse.wheel(held -> turned(held, e.getX(), e.getY(), amount), e.getX(), e.getY());
  }

  private Gesture louder(Note note, int percent) {
    Set<NoteId> selected = session.document().selection().notes();
    Set<NoteId> meant = selected.contains(note.id()) ? selected : Set.of(note.id());
    return new Gesture.Wheel(note, Louder.inProportion(meant, 100)).by(percent);
  }

  private Gesture draw(MouseEvent e) {
    long tick = tickAt(e.getX());
    long onset = isFree(e) ? tick : Math.max(0, lines().atOrBefore(tick));
    int pitch = surface.get().pitchAt(e.getY());
    int velocity = drawing.velocity();
    session.document().select(Selection.NONE);
    session.document().chooseClipAt(onset);
    drawing.sound(pitch, velocity);
    long length = Math.min(drawing.lengthAt(onset, lines()), Ticks.LAST - onset);
    return new Gesture.Draw(
        e.getX(), NotesDrawn.of(session.document().track().id(), pitch, velocity, onset, length));
  }

  private Gesture fill(MouseEvent e) {
    session.document().select(Selection.NONE);
    NotesDrawn nothing = new NotesDrawn(session.document().track().id(), List.of());
    double x = surface.get().xOf(lines().atOrBefore(tickAt(e.getX())));
    Gesture.Fill begun =
        new Gesture.Fill(x, e.getY(), x, e.getY(), surface.get().pitchAt(e.getY()), nothing);
    return filled(begun, e);
  }

  @Override
  public Gesture drag(Gesture gesture, MouseEvent e) {
    lastX = e.getX();
    return switch (gesture) {
      case Gesture.Box box -> {
        Gesture.Box grown = box.to(e.getX(), e.getY());
        session.document().select(selectedBy(grown));
        yield grown;
      }
      case Gesture.Move move -> moved(move, e);
      case Gesture.Draw draw -> drawn(draw, e);
      case Gesture.Fill fill -> filled(fill, e);
      case Gesture.Resize resize -> resized(resize, e);
      case Gesture.Repeat repeat -> repeated(repeat, e);
      case Gesture.Erase erase -> erasing(erase, e);
      default -> gesture;
    };
  }

  /**
   * From line to line, or freely; pitch from place to place; with Shift along the farther of the
   * two.
   */
  private Gesture moved(Gesture.Move move, MouseEvent e) {
    double dx = e.getX() - move.fromX();
    double dy = e.getY() - move.fromY();
    if (Math.hypot(dx, dy) < SLOP) {
      return move.by(0, 0);
    }
    boolean across = !e.isShiftDown() || Math.abs(dx) >= Math.abs(dy);
    boolean upDown = !e.isShiftDown() || !across;
    long ticks = across ? Math.round(dx / surface.get().pixelsPerTick()) : 0;
    int places = upDown ? (int) -Math.round(dy / surface.get().rowHeight()) : 0;
    Gesture.Move changed =
        move.by(
            isFree(e) ? ticks : stepped(move.at().onset(), ticks),
            surface.get().pitchAbove(move.at().pitch(), places) - move.at().pitch());
    if (changed.move().semitones() != move.move().semitones()) {
      drawing.sound(move.at().pitch() + changed.move().semitones(), move.at().velocity());
    }
    return changed;
  }

  /** By steps of the grid, keeping the offset from the lines, or to a line; as it was set. */
  private long stepped(long onset, long ticks) {
    return !drawing.kept().toLines()
        ? lines().moved(onset, ticks)
        : ticks == 0 ? 0 : lines().nearest(Math.max(0, onset + ticks)) - onset;
  }

  /** Its end goes to the line nearest to the mouse. */
  private Gesture drawn(Gesture.Draw draw, MouseEvent e) {
    NewNote note = draw.note();
    long onset = note.onset();
    if (Math.abs(e.getX() - draw.fromX()) < SLOP) {
      return draw;
    }
    long tick = tickAt(e.getX());
    long step = lines().after(onset) - onset;
    long end = isFree(e) ? tick : Math.max(lines().nearest(tick), onset + step);
    long length = Math.clamp(end - onset, NoteResize.SHORTEST, Ticks.LAST - onset);
    return new Gesture.Draw(
        draw.fromX(),
        NotesDrawn.of(draw.drawn().track(), note.pitch(), note.velocity(), onset, length));
  }

  private Gesture resized(Gesture.Resize resize, MouseEvent e) {
    if (Math.abs(e.getX() - resize.fromX()) < SLOP) {
      return new Gesture.Resize(resize.fromX(), resize.resize().by(0), false);
    }
    NoteResize now = resize.resize();
    long edge = now.edge() == Edge.END ? now.at().end() : now.at().onset();
    long raw = Math.round((e.getX() - resize.fromX()) / surface.get().pixelsPerTick());
    long wanted = isFree(e) ? edge + raw : lines().nearest(Math.max(0, edge + raw));
    return new Gesture.Resize(resize.fromX(), now.by(wanted - edge), true);
  }

  /** As many copies behind the notes as the mouse has gone over. */
  private Gesture repeated(Gesture.Repeat repeat, MouseEvent e) {
    double width = repeat.copies().ticks() * surface.get().pixelsPerTick();
    double times = (e.getX() - repeat.fromX()) / width;
    return repeat.times(Math.clamp((int) Math.round(times), 0, MOST_COPIES));
  }

  /**
   * A note at every line between the press and the mouse. The row is held, and how high the mouse
   * is says how hard each next note is struck; with Shift the pitch follows the mouse instead.
   */
  private Gesture filled(Gesture.Fill fill, MouseEvent e) {
    if (drawing.stencil().isPresent()) {
      return stencilled(fill, e, drawing.stencil().get());
    }
    PitchSurface scale = surface.get();
    double toX = Math.max(fill.fromX(), e.getX());
    List<NewNote> all = kept(fill.drawn(), tickAt(toX));
    long from = all.isEmpty() ? tickAt(fill.fromX()) - 1 : tickAt(fill.x());
    for (long at = lines().after(from);
        scale.xOf(at) <= toX && all.size() < MOST_FILLED;
        at = lines().after(at)) {
      double far = e.getX() == fill.x() ? 1 : (scale.xOf(at) - fill.x()) / (e.getX() - fill.x());
      double y = fill.y() + Math.clamp(far, 0, 1) * (e.getY() - fill.y());
      all.add(note(fill, at, y, e.isShiftDown()));
    }
    NotesDrawn drawn = new NotesDrawn(fill.drawn().track(), all);
    if (drawn.notes().size() > fill.drawn().notes().size()) {
      NewNote last = drawn.notes().getLast();
      drawing.sound(last.pitch(), last.velocity());
    }
    return new Gesture.Fill(fill.fromX(), fill.fromY(), toX, e.getY(), fill.row(), drawn);
  }

  /** The stencil again and again, in its row or, with Shift, along the way to the mouse. */
  private Gesture stencilled(Gesture.Fill fill, MouseEvent e, Stencil stencil) {
    PitchSurface scale = surface.get();
    double toX = Math.max(fill.fromX(), e.getX());
    List<NewNote> all = new ArrayList<>();
    for (long at = lines().atOrBefore(tickAt(fill.fromX()));
        scale.xOf(at) <= toX && all.size() + stencil.parts().size() <= MOST_FILLED;
        at += stencil.span()) {
      double far = (scale.xOf(at) - fill.fromX()) / Math.max(1, toX - fill.fromX());
      double y = fill.fromY() + Math.clamp(far, 0, 1) * (e.getY() - fill.fromY());
      int row = e.isShiftDown() ? surface.get().pitchAt(y) : fill.row();
      all.addAll(stencil.at(at, row, drawing::inKey));
    }
    all.sort(Comparator.comparingLong(NewNote::onset));
    NotesDrawn drawn = new NotesDrawn(fill.drawn().track(), all);
    if (all.size() > fill.drawn().notes().size()) {
      drawing.sound(all.getLast().pitch(), all.getLast().velocity());
    }
    return new Gesture.Fill(fill.fromX(), fill.fromY(), toX, e.getY(), fill.row(), drawn);
  }

  private NewNote note(Gesture.Fill fill, long at, double y, boolean followsPitch) {
    long step = lines().after(at) - at;
    int pitch = followsPitch ? drawing.inKey(surface.get().pitchAt(y)) : fill.row();
    int louder = followsPitch ? 0 : (int) Math.round(fill.fromY() - y);
    int velocity = Velocity.within(drawing.velocity() + louder);
    return new NewNote(pitch, velocity, Played.put(at, at + step), at);
  }

  /** Going back takes away what lies beyond the mouse. */
  private static List<NewNote> kept(NotesDrawn drawn, long tick) {
    return new ArrayList<>(drawn.notes().stream().filter(n -> n.onset() <= tick).toList());
  }

  /** Every note between where the mouse was and where it is. */
  private Gesture erasing(Gesture.Erase erase, MouseEvent e) {
    Set<NoteId> found = new HashSet<>();
    double length = Math.hypot(e.getX() - erase.x(), e.getY() - erase.y());
    int steps = (int) Math.min(1000, length / STEP) + 1;
    for (int i = 0; i <= steps; i++) {
      double part = (double) i / steps;
      hits.at(erase.x() + part * (e.getX() - erase.x()), erase.y() + part * (e.getY() - erase.y()))
          .ifPresent(h -> found.add(h.note().id()));
    }
    return new Gesture.Erase(e.getX(), e.getY(), erase.erased().with(found));
  }

  private Selection selectedBy(Gesture.Box box) {
    PitchSurface now = surface.get();
    double left = now.tickAt(Math.min(box.fromX(), box.toX()));
    double right = now.tickAt(Math.max(box.fromX(), box.toX()));
    long from = (long) Math.max(0, Math.floor(left));
    TickRange range = new TickRange(from, Math.max(from, (long) Math.ceil(right)));
    NoteRule inside =
        new NoteRule.Both(
            new NoteRule.Within(range, Pitch.LOWEST, Pitch.HIGHEST),
            new NoteRule.OfPitches(now.pitchesBetween(box.fromY(), box.toY())));
    return box.before().plus(Selection.of(inside.of(session.document().track())));
  }

  private boolean isFree(MouseEvent e) {
    return e.isAltDown() == drawing.kept().snaps();
  }

  private GridLines lines() {
    return drawing.lines(surface.get().pixelsPerTick());
  }

  private long tickAt(double x) {
    return Math.clamp(Math.round(surface.get().tickAt(x)), 0, Ticks.LAST - 1);
  }

  /** A box, or what is chosen with Shift, changes nothing. */
  @Override
  public boolean onlyLooks(MouseEvent e) {
    return e.isShiftDown() || e.getButton() == MouseButton.SECONDARY;
  }

  /** What was added is selected; a note that was pressed again, and not moved, no longer. */
  @Override
  public void dropped(Gesture done, Song before) {
    if (session.song() != before && !(done instanceof Gesture.Erase)) {
      session.document().selectAdded(before);
    }
    if (done instanceof Gesture.Move move && move.takesOut() && move.move().isNothing()) {
      session.document().select(session.document().selection().toggled(move.at().id()));
    }
    if (done instanceof Gesture.Draw draw) {
      drawing.touch(draw.note());
    }
  }
}
