package flailbeat.app.view.bench;

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
import java.util.List;
import java.util.Set;
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
  private final Crowd crowd;
  private final NotePainter painter;
  private final GridLines.Walker lines;
  private final Set<NoteId> selected;
  private final double width;
  private final double height;

  RollPainter(Session session, Palette palette, GraphicsContext g, Viewport viewport, Crowd crowd) {
    this.session = session;
    this.palette = palette;
    this.g = g;
    this.viewport = viewport;
    this.scale = viewport.scale();
    this.crowd = crowd;
    this.width = viewport.width();
    this.height = viewport.height();
    painter = new NotePainter(palette, g, scale);
    lines = session.timing().lines().walker();
    selected = session.document().selection().notes();
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
    Version version = session.timing().version();
    Placed placed = chosen.placed(viewport.inSight(AROUND));
    drawFaintly(standing(placed.repeats(), Version.STANDING));
    List<Note> notes = standing(placed.notes(), version);
    boolean crowded = notes.size() > CROWD;
    if (crowded) {
      drawCrowd(notes);
    } else {
      notes.forEach(n -> drawNote(n, selected.contains(n.id())));
    }
    drawBeats();
    if (version == Version.STANDING && !inHand) {
      drawQuestion();
      if (!crowded) {
        drawWhiskers();
      }
    }
  }

  /** Those in sight that are not being swept, in a version of theirs. */
  private List<Note> standing(List<Note> notes, Version version) {
    Set<NoteId> swept = session.conductor().sweeper().wiped();
    UnaryOperator<Note> inVersion =
        switch (version) {
          case STANDING -> UnaryOperator.identity();
          case PLAYED -> Note::standingAsPlayed;
          case QUANTIZED -> session.timing().plan().mover();
        };
    return notes.stream()
        .filter(n -> swept.isEmpty() || !swept.contains(n.id()))
        .map(inVersion)
        .filter(this::isInSight)
        .toList();
  }

  private void drawFaintly(Track track) {
    TickRange inSight = viewport.inSight(0);
    drawFaintly(track.placed(inSight).sounding().stream().filter(this::isInSight).toList());
  }

  private void drawFaintly(List<Note> notes) {
    Color faint = palette.color(Ink.INK_SOFT, 0.16);
    Color chosen = palette.color(Ink.WHEAT, 0.4);
    boolean crowded = notes.size() > CROWD;
    if (crowded) {
      crowd.begin((int) width, (int) height);
    }
    for (Note note : notes) {
      double x = scale.xOf(note.onset());
      double y = scale.yOf(note.pitch()) + 2;
      double w = Math.max(1, scale.xOf(note.end()) - x - 1);
      boolean isSelected = selected.contains(note.id());
      if (crowded && !crowd.isTaken(x, y, isSelected)) {
        int argb = Crowd.argb(isSelected ? chosen : faint);
        crowd.bar(x, y, w, scale.rowHeight() - 4, argb, isSelected);
      } else if (!crowded) {
        g.setFill(isSelected ? chosen : faint);
        g.fillRect(x, y, w, scale.rowHeight() - 4);
      }
    }
    if (crowded) {
      crowd.end(g);
    }
  }

  private void drawNote(Note note, boolean isSelected) {
    if (note.playedOff() != 0) {
      painter.ghost(note);
    }
    painter.body(
        note.pitch(), note.velocity(), note.onset(), note.end(), color(note.onset()), isSelected);
  }

  /** Thousands of notes at once are bars in their colour; details come with a closer look. */
  private void drawCrowd(List<Note> notes) {
    crowd.begin((int) width, (int) height);
    int wheat = Crowd.argb(palette.color(Ink.WHEAT));
    for (Note note : notes) {
      double x = scale.xOf(note.onset());
      double y = scale.yOf(note.pitch()) + 1;
      boolean isSelected = selected.contains(note.id());
      if (!crowd.isTaken(x, y, isSelected)) {
        int argb = isSelected ? wheat : Crowd.argb(color(note.onset()));
        crowd.bar(x, y, scale.xOf(note.end()) - x, scale.rowHeight() - 2, argb, isSelected);
      }
    }
    crowd.end(g);
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
    QuantizePlan preview = session.timing().preview().orElse(QuantizePlan.NONE);
    TickRange inSight = viewport.inSight(AROUND);
    for (NotePlan plan : preview.notesIn(inSight)) {
      if (isInSight(plan.note())) {
        painter.whisker(plan);
      }
    }
  }

  private boolean isInSight(Note note) {
    double left = scale.xOf(Math.min(note.onset(), note.played().onset()));
    double right = scale.xOf(Math.max(note.end(), note.played().release()));
    double y = scale.yOf(note.pitch());
    return right >= 0 && left <= width && y + scale.rowHeight() >= 0 && y <= height;
  }
}
