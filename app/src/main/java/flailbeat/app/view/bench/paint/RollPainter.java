package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.control.Pixels;
import flailbeat.app.view.bench.hand.Gesture;
import flailbeat.app.view.bench.hand.HeldNotes;
import flailbeat.app.view.bench.surface.RollScale;
import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.edit.notes.NotesEdit;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.session.Session;
import flailbeat.core.session.run.NoteVersion;
import flailbeat.core.session.timing.DoubtWalk;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongPredicate;
import java.util.function.UnaryOperator;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;

/**
 * Draws what stands on the bench, as far as it is in sight: other tracks faintly, the chosen one.
 */
final class RollPainter {
  /** More notes than this in sight are drawn small. */
  private static final int CROWD = 800;

  /** More than this are drawn from arrays. */
  private static final int MANY = 10_000;

  /** Of other tracks nothing is seen but where their notes are. */
  private static final Object FAINT = "faint";

  /** As far as notes are played off their places: their outlines may be in sight without them. */
  private static final long AROUND = 2L * Ticks.WHOLE;

  private final Session session;
  private final Palette palette;
  private final GraphicsContext g;
  private final RollScale scale;
  private final Viewport viewport;
  private final Pixels pixels;
  private final Crowds crowds;
  private final double density;
  private final NotePainter painter;
  private final GridLines.Walker lines;
  private final LongPredicate selected;
  private final Set<NoteId> swept;
  private final int wheat;
  private final int faint;
  private final int faintWheat;
  private boolean hasMarks;
  private final double width;
  private final double height;

  RollPainter(
      Session session,
      Palette palette,
      GraphicsContext g,
      Viewport viewport,
      Pixels pixels,
      Crowds crowds,
      double density) {
    this.session = session;
    this.palette = palette;
    this.g = g;
    this.viewport = viewport;
    this.scale = viewport.scale();
    this.pixels = pixels;
    this.crowds = crowds;
    this.density = density;
    this.width = viewport.width();
    this.height = viewport.height();
    painter = new NotePainter(palette, g, pixels, scale);
    lines = session.timing().lines().walker();
    selected = session.document().selection().noteTest();
    swept = session.runControl().sweeper().wiped();
    wheat = Pixels.argb(palette.color(Ink.WHEAT));
    faint = Pixels.argb(palette.color(Ink.INK_SOFT, 0.16));
    faintWheat = Pixels.argb(palette.color(Ink.WHEAT, 0.4));
    pixels.begin(width, height, density);
    crowds.cells().begin(pixels.columns());
  }

  /** The notes of all tracks as they stand, with what hangs on the mouse as it would be. */
  void draw(Gesture gesture) {
    boolean loops =
        session.song().tracks().stream()
            .flatMap(t -> t.clips().stream())
            .anyMatch(c -> c.loops() || c.traits().isLinked());
    // What is moved within a loop, or a clip that is linked, moves in all its rounds; what comes or
    // goes is few notes.
    boolean whole = loops || !(gesture.edit().orElse(null) instanceof NotesEdit);
    Song song = whole ? gesture.applyTo(session.song()) : session.song();
    HeldNotes hand = HeldNotes.of(whole ? new Gesture.None() : gesture, song);
    LongPredicate hidden =
        swept.isEmpty() ? hand.holds() : hand.holds().or(id -> swept.contains(new NoteId(id)));
    boolean anyHidden = !hand.isEmpty() || !swept.isEmpty();
    Crowd.Inks inks = new Crowd.Inks(anyHidden, hidden, hand, selected, wheat, faint, faintWheat);
    Track chosen = song.track(session.document().track().id()).orElseThrow();
    for (Track track : song.tracks()) {
      // What a kit's pitches are is no pitch: behind others they would say nothing.
      boolean alike = track.instrument().kit() == chosen.instrument().kit();
      if (alike && !track.id().equals(chosen.id())) {
        drawOther(track, inks, hand);
      }
    }
    boolean crowded = chosen.mostNotesIn(viewport.inSight(AROUND)) > CROWD;
    drawChosen(chosen, crowded, inks, hand);
    boolean plain = session.timing().version() == NoteVersion.STANDING && !gesture.holdsNotes();
    if (plain && !crowded) {
      drawWhiskers();
    }
    crowds.cells().paint(pixels, scale, height);
    pixels.end();
    drawBeats();
    if (plain) {
      drawQuestion();
      if (!crowded) {
        drawMarks();
      }
    }
  }

  private void drawOther(Track track, Crowd.Inks inks, HeldNotes hand) {
    long inSight = track.mostNotesIn(viewport.inSight(0));
    if (inSight > MANY || crowds.has(track, FAINT)) {
      Crowd crowd = crowds.of(track, FAINT, n -> n, n -> 0);
      crowd.draw(crowds.cells(), frame(), inks);
      if (hand.move().isEmpty()) {
        hand.notesOn(track).forEach(n -> setCells(n, Cells.FAINT, faintWheat));
      }
      return;
    }
    track.layOut(
        viewport.inSight(0),
        (n, clip, round) -> {
          if (!inks.hidden().test(n.idNumber())) {
            drawFaintly(n, inSight > CROWD);
          }
        });
    hand.notesOn(track).forEach(n -> drawFaintly(n, inSight > CROWD));
  }

  private void drawChosen(Track track, boolean crowded, Crowd.Inks inks, HeldNotes hand) {
    TickRange inSight = viewport.inSight(AROUND);
    UnaryOperator<Note> inVersion = inVersion(session.timing().version());
    CrowdState state = state();
    boolean known = crowded && crowds.has(track, state);
    if (known || track.mostNotesIn(inSight) > MANY) {
      Crowd crowd = crowds.of(track, state, inVersion, n -> argb(n.onset()));
      crowd.draw(crowds.cells(), frame(), inks);
      if (hand.move().isEmpty()) {
        hand.notesOn(track).forEach(n -> setCells(n, Cells.SELECTED, wheat));
      }
      return;
    }
    track.layOut(
        inSight,
        (n, clip, round) -> {
          if (inks.hidden().test(n.idNumber())) {
            return;
          }
          if (round > 0 || !clip.isAudible()) {
            drawFaintly(n, crowded);
          } else {
            drawNote(inVersion.apply(n), crowded);
          }
        });
    hand.notesOn(track).forEach(n -> drawNote(n, crowded));
  }

  /** Whether anything was drawn over the notes. */
  boolean hasMarks() {
    return hasMarks;
  }

  private Cells.Frame frame() {
    return new Cells.Frame(scale.originTick(), scale.pixelsPerTick() * density, pixels.columns());
  }

  private void setCells(Note note, byte weight, int argb) {
    int left = pixels.column(scale.xOf(note.onset()));
    int right = pixels.column(scale.xOf(note.end()));
    crowds.cells().set(note.pitch(), left, right, weight, argb);
  }

  /** What the places and colours of notes depend on, beside the notes. */
  private record CrowdState(
      QuantizeSettings settings,
      MeterMap meters,
      NoteVersion version,
      Optional<QuantizePlan> plan,
      int wheat) {}

  private CrowdState state() {
    return new CrowdState(
        session.timing().settings(),
        session.song().meters(),
        session.timing().version(),
        session.timing().shown(),
        wheat);
  }

  private UnaryOperator<Note> inVersion(NoteVersion version) {
    return switch (version) {
      case STANDING -> n -> n;
      case PLAYED -> Note::standingAsPlayed;
      case QUANTIZED, OTHERWISE ->
          session.timing().shown().map(QuantizePlan::mover).orElse(UnaryOperator.identity());
    };
  }

  private void drawFaintly(Note note, boolean crowded) {
    double x = scale.xOf(note.onset());
    double y = scale.yOf(note.pitch()) + 2;
    boolean hidden = crowded && !pixels.take(x, y, 1);
    if (!hidden && x <= width && y + scale.rowHeight() >= 0 && y <= height) {
      double w = Math.max(1, scale.xOf(note.end()) - x - 1);
      boolean isSelected = selected.test(note.idNumber());
      pixels.bar(x, y, w, scale.rowHeight() - 4, isSelected ? faintWheat : faint);
    }
  }

  private void drawNote(Note note, boolean crowded) {
    boolean isSelected = selected.test(note.idNumber());
    if (crowded) {
      drawSmall(note, isSelected);
    } else if (isInSight(note)) {
      if (note.playedOff() != 0) {
        painter.ghost(note);
      }
      painter.body(
          note.pitch(), note.velocity(), note.onset(), note.end(), color(note.onset()), isSelected);
    }
  }

  /** Thousands of notes at once are bars in their colour; details come with a closer look. */
  private void drawSmall(Note note, boolean isSelected) {
    double x = scale.xOf(note.onset());
    double y = scale.yOf(note.pitch()) + 1;
    double end = scale.xOf(note.end());
    boolean inSight = end >= 0 && x <= width && y + scale.rowHeight() >= 0 && y <= height;
    if (inSight && pixels.take(x, y, isSelected ? 3 : 2)) {
      pixels.bar(x, y, end - x, scale.rowHeight() - 2, isSelected ? wheat : argb(note.onset()));
    }
  }

  private int argb(long onset) {
    lines.find(onset);
    double halfGap = Math.abs(lines.line() - lines.runnerUp()) / 2.0;
    return painter.timingArgb(onset - lines.line(), halfGap);
  }

  private Color color(long onset) {
    lines.find(onset);
    double halfGap = Math.abs(lines.line() - lines.runnerUp()) / 2.0;
    return painter.timingColor(onset - lines.line(), halfGap);
  }

  /** The beats of the guess that is looked at, its bar lines strongest. */
  private void drawBeats() {
    long[] beats = session.beat().beatTicks();
    hasMarks |= beats.length > 0;
    for (int i = 0; i < beats.length; i++) {
      double x = Math.round(scale.xOf(beats[i])) + 0.5;
      boolean bar = i % session.beat().beatsPerBar() == 0;
      g.setStroke(palette.color(Ink.WHEAT, bar ? 1 : 0.75));
      g.setLineWidth(bar ? 2.5 : 1);
      g.setLineDashes(bar ? new double[0] : new double[] {4, 4});
      g.strokeLine(x, 0, x, height);
    }
    g.setLineDashes();
    g.setLineWidth(1);
  }

  /** The notes that are asked about, between their two lines. */
  private void drawQuestion() {
    session.doubts().current().ifPresent(this::draw);
  }

  private void draw(DoubtWalk.Question question) {
    hasMarks = true;
    double earlier = scale.xOf(question.earlier());
    double later = scale.xOf(question.later());
    boolean isLater = question.likely() > question.other();
    g.setFill(palette.color(Ink.WHEAT, 0.16));
    g.fillRect(earlier, 0, later - earlier, height);
    painter.candidate(earlier, height, false, !isLater);
    painter.candidate(later, height, true, isLater);
    for (NotePlan asked : question.notes()) {
      double y = scale.yOf(asked.note().pitch());
      painter.ring(scale.xOf(asked.note().onset()), scale.xOf(asked.note().end()), y);
    }
  }

  private void drawWhiskers() {
    plansInSight().forEach(painter::whisker);
  }

  /** What is drawn over the notes: forks of the doubtful, rings where the line is taken. */
  private void drawMarks() {
    for (NotePlan plan : plansInSight()) {
      hasMarks |= painter.mark(plan);
    }
  }

  private List<NotePlan> plansInSight() {
    QuantizePlan preview = session.timing().preview().orElse(QuantizePlan.NONE);
    return preview.notesIn(viewport.inSight(AROUND)).stream()
        .filter(p -> isInSight(p.note()))
        .toList();
  }

  private boolean isInSight(Note note) {
    double left = scale.xOf(Math.min(note.onset(), note.played().onset()));
    double right = scale.xOf(Math.max(note.end(), note.played().release()));
    double y = scale.yOf(note.pitch());
    return right >= 0 && left <= width && y + scale.rowHeight() >= 0 && y <= height;
  }
}
