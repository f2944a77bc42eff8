package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.surface.PitchSurface;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.chore.Outcome;
import flailbeat.core.model.Note;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.session.Session;
import flailbeat.core.session.chores.ChoreTrial;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;

/**
 * Marks on the roll what a chore that is tried would do: notes that go are struck out where they
 * stand, those that change, come or get marked are ringed, and where one comes from is outlined.
 */
final class TrialMarks {
  /** With more than this in sight, marks would hide what they mark. */
  private static final int MOST = 1500;

  private static final double EDGE = 4;
  private static final double AROUND = 3;
  private static final double CORNER = 7;

  private final Session session;
  private final Palette palette;
  private final GraphicsContext g;
  private final PitchSurface scale;
  private final TickRange sight;

  TrialMarks(Session session, Palette palette, GraphicsContext g, Viewport viewport) {
    this.session = session;
    this.palette = palette;
    this.g = g;
    this.scale = viewport.scale();
    this.sight = viewport.inSight(0);
  }

  /** Draws them; false where there is nothing to mark in sight. */
  boolean draw(ChoreTrial.Shown shown) {
    TrackId track = session.document().track().id();
    Optional<Track> before = shown.before().track(track);
    if (before.isEmpty()) {
      return false;
    }
    Outcome outcome = shown.outcome();
    List<Note> gone = inSight(before.get(), outcome.gone());
    List<Note> changed = inSight(before.get(), outcome.changed());
    List<Note> marked = inSight(before.get(), outcome.marked());
    List<Note> added =
        outcome.added().getOrDefault(track, List.of()).stream().filter(this::isInSight).toList();
    if (gone.size() + changed.size() + marked.size() + added.size() > MOST) {
      return false;
    }
    gone.forEach(this::struckOut);
    changed.forEach(n -> changed(before.get(), n));
    marked.forEach(this::ring);
    added.forEach(this::ring);
    return !(gone.isEmpty() && changed.isEmpty() && marked.isEmpty() && added.isEmpty());
  }

  /** Of some notes of several tracks those of one. */
  private List<Note> inSight(Track track, List<Note> notes) {
    return notes.stream()
        .filter(this::isInSight)
        .limit(MOST + 1L)
        .filter(n -> track.note(n.id()).isPresent())
        .toList();
  }

  private boolean isInSight(Note note) {
    return note.onset() < sight.end() && note.end() > sight.start();
  }

  private void changed(Track before, Note note) {
    before
        .note(note.id())
        .filter(b -> b.onset() != note.onset() || b.pitch() != note.pitch())
        .ifPresent(this::outline);
    ring(note);
  }

  private void ring(Note note) {
    double x = scale.xOf(note.onset());
    double w = Math.max(EDGE, scale.xOf(note.end()) - x);
    g.setStroke(palette.color(Ink.WHEAT));
    g.setLineWidth(2);
    g.strokeRoundRect(
        x - AROUND,
        scale.yOf(note.pitch()) - AROUND + 1,
        w + 2 * AROUND,
        scale.rowHeight() + 2 * AROUND - 2,
        CORNER,
        CORNER);
    g.setLineWidth(1);
  }

  private void outline(Note note) {
    double x = scale.xOf(note.onset());
    double w = Math.max(EDGE, scale.xOf(note.end()) - x);
    g.setStroke(palette.color(Ink.INK_SOFT));
    g.setLineDashes(3, 3);
    g.strokeRoundRect(x, scale.yOf(note.pitch()) + 1, w, scale.rowHeight() - 2, CORNER, CORNER);
    g.setLineDashes();
  }

  private void struckOut(Note note) {
    outline(note);
    double x = scale.xOf(note.onset());
    double w = Math.max(EDGE, scale.xOf(note.end()) - x);
    double y = scale.yOf(note.pitch()) + scale.rowHeight() / 2;
    g.setStroke(palette.color(Ink.RECORD));
    g.setLineWidth(2);
    g.strokeLine(x - AROUND, y, x + w + AROUND, y);
    g.setLineWidth(1);
  }
}
