package flailbeat.app.view.bench;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.control.Pixels;
import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.session.Session;
import flailbeat.core.session.TimingDesk.Version;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.List;
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

  /** As far as notes are played off their places: their outlines may be in sight without them. */
  private static final long AROUND = 2L * Ticks.WHOLE;

  private final Session session;
  private final Palette palette;
  private final GraphicsContext g;
  private final Scale scale;
  private final Viewport viewport;
  private final Pixels pixels;
  private final NotePainter painter;
  private final GridLines.Walker lines;
  private final LongPredicate selected;
  private final Set<NoteId> swept;
  private final int wheat;
  private final int faint;
  private final int faintWheat;
  private final double width;
  private final double height;

  RollPainter(
      Session session,
      Palette palette,
      GraphicsContext g,
      Viewport viewport,
      Pixels pixels,
      double density) {
    this.session = session;
    this.palette = palette;
    this.g = g;
    this.viewport = viewport;
    this.scale = viewport.scale();
    this.pixels = pixels;
    this.width = viewport.width();
    this.height = viewport.height();
    painter = new NotePainter(palette, g, pixels, scale);
    lines = session.timing().lines().walker();
    selected = session.document().selection().noteTest();
    swept = session.conductor().sweeper().wiped();
    wheat = Pixels.argb(palette.color(Ink.WHEAT));
    faint = Pixels.argb(palette.color(Ink.INK_SOFT, 0.16));
    faintWheat = Pixels.argb(palette.color(Ink.WHEAT, 0.4));
    pixels.begin(width, height, density);
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
        boolean many = track.mostNotesIn(viewport.inSight(0)) > CROWD;
        track.layOut(viewport.inSight(0), (n, repeated) -> drawFaintly(n, many));
      }
    }
    Version version = session.timing().version();
    TickRange inSight = viewport.inSight(AROUND);
    boolean crowded = chosen.mostNotesIn(inSight) > CROWD;
    UnaryOperator<Note> inVersion = inVersion(version);
    chosen.layOut(
        inSight,
        (n, repeated) -> {
          if (repeated) {
            drawFaintly(n, crowded);
          } else if (swept.isEmpty() || !swept.contains(n.id())) {
            drawNote(inVersion.apply(n), crowded);
          }
        });
    if (version == Version.STANDING && !inHand && !crowded) {
      drawWhiskers();
    }
    pixels.end(g);
    drawBeats();
    if (version == Version.STANDING && !inHand) {
      drawQuestion();
      if (!crowded) {
        drawMarks();
      }
    }
  }

  private UnaryOperator<Note> inVersion(Version version) {
    return switch (version) {
      case STANDING -> n -> n;
      case PLAYED -> Note::standingAsPlayed;
      case QUANTIZED -> session.timing().plan().mover();
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
      lines.find(note.onset());
      double halfGap = Math.abs(lines.line() - lines.runnerUp()) / 2.0;
      int argb = isSelected ? wheat : painter.timingArgb(note.onset() - lines.line(), halfGap);
      pixels.bar(x, y, end - x, scale.rowHeight() - 2, argb);
    }
  }

  private Color color(long onset) {
    lines.find(onset);
    double halfGap = Math.abs(lines.line() - lines.runnerUp()) / 2.0;
    return painter.timingColor(onset - lines.line(), halfGap);
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
    plansInSight().forEach(painter::whisker);
  }

  /** What is drawn over the notes: forks of the doubtful, rings where the line is taken. */
  private void drawMarks() {
    plansInSight().forEach(painter::mark);
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
