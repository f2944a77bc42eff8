package flailbeat.app.view;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Placed;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.session.Session;
import flailbeat.core.session.TimingDesk.Version;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;

/** Draws what stands on the bench: other tracks faintly, the chosen one, and what is recorded. */
final class RollPainter {
  /** More notes than this in sight are drawn small. */
  private static final int CROWD = 3000;

  private static final long AROUND = 2L * Ticks.WHOLE;

  private final Session session;
  private final Palette palette;
  private final GraphicsContext g;
  private final BenchScale scale;
  private final NotePainter painter;
  private final GridLines lines;
  private final double width;
  private final double height;

  RollPainter(
      Session session,
      Palette palette,
      GraphicsContext g,
      BenchScale scale,
      double width,
      double height) {
    this.session = session;
    this.palette = palette;
    this.g = g;
    this.scale = scale;
    this.width = width;
    this.height = height;
    painter = new NotePainter(palette, g, scale);
    lines = session.timing().lines();
  }

  /**
   * The notes of all tracks of a song.
   *
   * @param inHand whether the mouse holds notes: whiskers would be of where they were before
   */
  void draw(Song song, boolean inHand) {
    Track chosen = song.track(session.document().track().id()).orElseThrow();
    for (Track track : song.tracks()) {
      if (!track.id().equals(chosen.id())) {
        drawFaintly(track);
      }
    }
    Placed placed = chosen.placed(inSight());
    boolean crowded = placed.notes().stream().filter(this::isInSight).limit(CROWD).count() == CROWD;
    Set<NoteId> selected = session.document().selection().notes();
    Version version = session.timing().version();
    UnaryOperator<Note> inVersion = inVersion(version);
    Set<NoteId> swept = session.conductor().sweeper().wiped();
    placed.repeats().stream().filter(n -> !swept.contains(n.id())).forEach(this::drawFaintly);
    for (Note note : placed.notes()) {
      boolean isSelected = selected.contains(note.id());
      Note shown = inVersion.apply(note);
      if (isInSight(shown) && !swept.contains(note.id())) {
        if (crowded) {
          drawSmall(shown, isSelected);
        } else {
          drawNote(shown, isSelected);
        }
      }
    }
    drawBeats();
    if (!crowded && version == Version.STANDING && !inHand) {
      drawWhiskers();
    }
  }

  /** Notes as they stand, or as they were played, or as quantizing would have them. */
  private UnaryOperator<Note> inVersion(Version version) {
    return switch (version) {
      case STANDING -> UnaryOperator.identity();
      case PLAYED -> Note::standingAsPlayed;
      case QUANTIZED -> session.timing().plan().mover();
    };
  }

  private void drawFaintly(Track track) {
    track.placed(inSight()).sounding().forEach(this::drawFaintly);
  }

  private void drawFaintly(Note note) {
    if (isInSight(note)) {
      double x = scale.xOf(note.onset());
      double w = Math.max(1, scale.xOf(note.end()) - x - 1);
      g.setFill(palette.color(Ink.INK_SOFT, 0.16));
      g.fillRect(x, scale.yOf(note.pitch()) + 2, w, scale.rowHeight() - 4);
    }
  }

  /** The stretch that is in sight, and as much around it as notes are played off their places. */
  private TickRange inSight() {
    long from = (long) Math.max(0, scale.tickAt(0) - AROUND);
    return new TickRange(from, Math.max(from, (long) scale.tickAt(width) + AROUND));
  }

  private void drawNote(Note note, boolean selected) {
    if (note.playedOff() != 0) {
      painter.ghost(note);
    }
    painter.body(
        note.pitch(), note.velocity(), note.onset(), note.end(), color(note.onset()), selected);
  }

  /** Thousands of notes at once are bars in their colour; details come with a closer look. */
  private void drawSmall(Note note, boolean selected) {
    double x = scale.xOf(note.onset());
    double w = Math.max(1, scale.xOf(note.end()) - x);
    g.setFill(selected ? palette.color(Ink.WHEAT) : color(note.onset()));
    g.fillRect(x, scale.yOf(note.pitch()) + 1, w, scale.rowHeight() - 2);
  }

  private Color color(long onset) {
    GridLines.Nearest nearest = lines.nearestTwo(onset);
    double halfGap = Math.abs(nearest.line() - nearest.runnerUp()) / 2.0;
    return painter.timingColor(onset - nearest.line(), halfGap);
  }

  /** The beats of the guess that is looked at, its bar lines strongest. */
  private void drawBeats() {
    long[] beats = session.beat().beatTicks();
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

  /** The note that is asked about, between its two lines. */
  private void drawQuestion() {
    for (NotePlan asked : session.doubts().current()) {
      double earlier = scale.xOf(Math.min(asked.line(), asked.otherLine()));
      double later = scale.xOf(Math.max(asked.line(), asked.otherLine()));
      double y = scale.yOf(asked.note().pitch());
      g.setFill(palette.color(Ink.WHEAT, 0.16));
      g.fillRect(earlier, 0, later - earlier, height);
      painter.candidate(earlier, height, false, asked);
      painter.candidate(later, height, true, asked);
      painter.ring(scale.xOf(asked.note().onset()), scale.xOf(asked.note().end()), y);
    }
  }

  private void drawWhiskers() {
    drawQuestion();
    QuantizePlan preview = session.timing().preview().orElse(QuantizePlan.NONE);
    for (NotePlan plan : preview.notes()) {
      if (isInSight(plan.note())) {
        painter.whisker(plan);
      }
    }
  }

  void box(Gesture.Box box) {
    double x = Math.min(box.fromX(), box.toX());
    double y = Math.min(box.fromY(), box.toY());
    double w = Math.abs(box.toX() - box.fromX());
    double h = Math.abs(box.toY() - box.fromY());
    g.setFill(palette.color(Ink.WHEAT, 0.14));
    g.fillRect(x, y, w, h);
    g.setStroke(palette.color(Ink.WHEAT));
    g.strokeRect(x + 0.5, y + 0.5, w, h);
  }

  private boolean isInSight(Note note) {
    double left = scale.xOf(Math.min(note.onset(), note.played().onset()));
    double right = scale.xOf(Math.max(note.end(), note.played().release()));
    double y = scale.yOf(note.pitch());
    return right >= 0 && left <= width && y + scale.rowHeight() >= 0 && y <= height;
  }
}
