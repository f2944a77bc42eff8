package flailbeat.app.view.bench.hand;

import flailbeat.app.view.bench.surface.PitchSurface;
import flailbeat.core.model.Note;
import flailbeat.core.session.Session;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.Cursor;

/** Finds the note that is meant at a place, and which part of it. */
final class NoteHits {
  /** How far an edge can be grabbed from outside its note, and from inside at most. */
  private static final double OUTSIDE = 5;

  private static final double LEAST_OUTSIDE = 2;
  private static final double INSIDE = 6;

  /** No note has this pitch. */
  private static final int NOWHERE = -1;

  /** A note under the mouse, and where on it the mouse is. */
  record Hit(Note note, Zone zone) {}

  private final Session session;
  private final Supplier<? extends PitchSurface> surface;

  NoteHits(Session session, Supplier<? extends PitchSurface> surface) {
    this.session = session;
    this.surface = surface;
  }

  /**
   * The note under the mouse, or whose edge is near; one that the mouse is on goes before one that
   * it is beside, and of several the one that began last.
   */
  Optional<Hit> at(double x, double y) {
    PitchSurface scale = surface.get();
    int pitch = scale.hasPitchAt(y) ? scale.pitchAt(y) : NOWHERE;
    double tick = scale.tickAt(x);
    double reach = reach(tick) / scale.pixelsPerTick();
    long from = (long) Math.max(0, Math.floor(tick - reach) - 1);
    long to = Math.max(from, (long) Math.ceil(tick + reach) + 1);
    List<Note> near = new ArrayList<>();
    for (Note note : session.document().track().tangible(new TickRange(from, to))) {
      boolean isNear = note.onset() - reach <= tick && note.end() + reach >= tick;
      if (note.pitch() == pitch && isNear) {
        near.add(note);
      }
    }
    return near.stream()
        .filter(n -> n.onset() <= tick && n.end() > tick)
        .reduce((first, second) -> second)
        .or(() -> near.stream().reduce((a, b) -> distance(a, tick) <= distance(b, tick) ? a : b))
        .map(n -> new Hit(n, zone(n, x)));
  }

  /** Edges do not reach so far that no note could be drawn at the next line. */
  private double reach(double tick) {
    GridLines lines = session.drawing().lines(surface.get().pixelsPerTick());
    long line = lines.atOrBefore(Math.clamp(Math.round(tick), 0, Ticks.LAST - 1));
    double step = (lines.after(line) - line) * surface.get().pixelsPerTick();
    return Math.clamp(step / 3, LEAST_OUTSIDE, OUTSIDE);
  }

  private static double distance(Note note, double tick) {
    return Math.min(Math.abs(note.onset() - tick), Math.abs(note.end() - tick));
  }

  /** The edges of a short note lie outside it, so that its body can be grabbed as well. */
  private Zone zone(Note note, double x) {
    double start = surface.get().xOf(note.onset());
    double end = surface.get().xOf(note.end());
    double inside = Math.min(INSIDE, (end - start) / 4);
    return x < start + inside ? Zone.START : x > end - inside ? Zone.END : Zone.BODY;
  }

  /** What the pointer looks like there. */
  Cursor cursorAt(double x, double y) {
    return at(x, y).map(h -> h.zone().cursor()).orElse(Cursor.CROSSHAIR);
  }
}
