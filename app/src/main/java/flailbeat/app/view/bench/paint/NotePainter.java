package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.control.Pixels;
import flailbeat.app.view.bench.surface.PitchSurface;
import flailbeat.core.model.Note;
import flailbeat.core.quantize.NotePlan;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;

/**
 * Draws notes: pills with a firm edge at the onset. Colour says timing, the fill's height velocity,
 * a whisker leads to the line that quantizing would move it to.
 */
final class NotePainter {
  /** A note this near to a line, in ticks, stands on it. */
  private static final long ON_LINE = 3;

  private static final int STEPS = 32;
  private static final double FULL = 1000;
  private static final double EDGE = 3;
  private static final double CORNER = 4;
  private static final double LEAST_STRENGTH = 0.45;

  /** How much paper there is in what a note is not filled with, and in what it is. */
  private static final double EMPTY = 0.9;

  /** How wide the post at a note's onset is. */
  private static final double POST = 2;

  /** Velocities from this one on, ppp, have bodies of their own: so thick, of the row's height. */
  private static final int SOFTEST = 16;

  private static final double THIN = 0.2;
  private static final double THICK = 0.94;
  private static final double LEAST_BODY = 2;

  private final Palette palette;
  private final GraphicsContext g;
  private final Pixels pixels;
  private final PitchSurface scale;
  private final int onLine;
  private final int[] early;
  private final int[] late;

  NotePainter(Palette palette, GraphicsContext g, Pixels pixels, PitchSurface scale) {
    this.palette = palette;
    this.g = g;
    this.pixels = pixels;
    this.scale = scale;
    onLine = Pixels.argb(palette.color(Ink.INK));
    early = steps(-1);
    late = steps(1);
  }

  /** The colour for a deviation from the nearest line: ink on it, else by direction. */
  Color timingColor(double deviation, double halfGap) {
    if (Math.abs(deviation) <= ON_LINE) {
      return palette.color(Ink.INK);
    }
    double far = Math.min(1, Math.abs(deviation) / Math.max(1, halfGap));
    Color full = palette.color(deviation < 0 ? Ink.EARLY : Ink.LATE);
    double strength = LEAST_STRENGTH + (1 - LEAST_STRENGTH) * Math.sqrt(far);
    return palette.color(Ink.INK_SOFT).interpolate(full, strength);
  }

  /** The same as a pixel has it, in steps that nobody tells apart: for notes by the thousand. */
  int timingArgb(double deviation, double halfGap) {
    if (Math.abs(deviation) <= ON_LINE) {
      return onLine;
    }
    double far = Math.min(1, Math.abs(deviation) / Math.max(1, halfGap));
    return (deviation < 0 ? early : late)[(int) Math.round(far * STEPS)];
  }

  private int[] steps(int side) {
    int[] result = new int[STEPS + 1];
    for (int i = 0; i <= STEPS; i++) {
      double deviation = side * Math.max(ON_LINE + 1, (double) i * FULL / STEPS);
      result[i] = Pixels.argb(timingColor(deviation, FULL));
    }
    return result;
  }

  /** A note: a post at its onset, as high as its row, and a body as thick as it is loud. */
  void body(int pitch, int velocity, double onset, double end, Color color, boolean selected) {
    double x = scale.xOf(onset);
    double w = Math.max(POST + 1, scale.xOf(end) - x - 0.5);
    double y = scale.yOf(pitch) + 1;
    double h = scale.rowHeight() - 2;
    if (selected) {
      int wheat = Pixels.argb(palette.color(Ink.WHEAT));
      pixels.pill(x - 2, y - 1, w + 4, h + 2, CORNER, y - 1, wheat);
      int ground = Pixels.argb(palette.color(Ink.WHEAT_PALE));
      pixels.pill(x - 0.5, y + 0.5, w + 1, h - 1, CORNER - 1, y, ground);
    }
    int solid = Pixels.argb(color);
    double thick = thickness(velocity, h);
    double top = y + (h - thick) / 2;
    pixels.pill(x, top, w, thick, Math.min(CORNER, thick / 2), top, solid);
    pixels.bar(x, y, POST, h, solid);
  }

  /**
   * How thick a note's body is.
   *
   * @param height of the note's row
   */
  static double thickness(int velocity, double height) {
    double loud = Math.clamp((velocity - SOFTEST) / (127.0 - SOFTEST), 0, 1);
    return Math.max(LEAST_BODY, height * (THIN + (THICK - THIN) * loud));
  }

  /** The faint outline of where a note was played. */
  void ghost(Note note) {
    double x = scale.xOf(note.played().onset());
    double w = Math.max(2, scale.xOf(note.played().release()) - x);
    int soft = Pixels.argb(palette.color(Ink.INK_SOFT, 0.75));
    pixels.dashes(x, scale.yOf(note.pitch()) + 2, w, scale.rowHeight() - 4, soft);
  }

  /**
   * From the onset to the line it would move to, and from the end to where it would end; marks say
   * what is not as plain as that.
   */
  void whisker(NotePlan plan) {
    if (Math.abs(plan.length() - plan.note().length()) > ON_LINE && !plan.meant().isDoubtful()) {
      endWhisker(plan);
    }
    boolean plain = plan.outcome() != NotePlan.Outcome.LINE_TAKEN && !plan.isDoubtful();
    if (plain && plan.onset() != plan.note().onset()) {
      double from = scale.xOf(plan.note().onset());
      double to = scale.xOf(plan.onset());
      double y = scale.yOf(plan.note().pitch()) + scale.rowHeight() / 2;
      double left = Math.min(from, to);
      double half = Math.min(5, scale.rowHeight() * 0.35);
      int raised = Pixels.argb(palette.color(Ink.RAISED));
      int ink = Pixels.argb(palette.color(Ink.INK));
      pixels.bar(left, y - 2, Math.abs(to - from), 4, raised);
      pixels.bar(left, y - 1, Math.abs(to - from), 2, ink);
      pixels.bar(to - 1, y - half, 2, 2 * half, ink);
    }
  }

  /** Along the foot of the row, so that it is not taken for that of an onset. */
  private void endWhisker(NotePlan plan) {
    double from = scale.xOf(plan.note().end());
    double to = scale.xOf(plan.onset() + plan.length());
    double y = endRow(plan);
    int raised = Pixels.argb(palette.color(Ink.RAISED));
    int ink = Pixels.argb(palette.color(Ink.INK_SOFT));
    pixels.bar(Math.min(from, to), y - 1, Math.abs(to - from), 3, raised);
    pixels.bar(Math.min(from, to), y, Math.abs(to - from), 1, ink);
    pixels.bar(to - 1, y - 3, 2, 4, ink);
  }

  private double endRow(NotePlan plan) {
    return scale.yOf(plan.note().pitch()) + scale.rowHeight() * 0.85;
  }

  /** Where a note may be meant to end, the likelier place drawn stronger. */
  private void doubtfulEnd(NotePlan plan) {
    double from = scale.xOf(plan.note().end());
    double y = endRow(plan);
    stroke(from, scale.xOf(plan.meant().other()), y, y - scale.rowHeight() * 0.4, 1);
    stroke(from, scale.xOf(plan.onset() + plan.length()), y, y, 1.6);
    g.setFill(palette.color(Ink.RAISED));
    g.fillOval(from - 3, y - 3, 6, 6);
    g.setStroke(palette.color(Ink.RECORD));
    g.setLineWidth(1.6);
    g.strokeOval(from - 3, y - 3, 6, 6);
    g.setLineWidth(1);
  }

  /**
   * Draws what a whisker cannot say, if there is any: forked where another line is as likely,
   * barred where it is taken.
   */
  boolean mark(NotePlan plan) {
    double from = scale.xOf(plan.note().onset());
    double y = scale.yOf(plan.note().pitch()) + scale.rowHeight() / 2;
    if (plan.outcome() == NotePlan.Outcome.LINE_TAKEN) {
      taken(from, y);
    } else if (plan.isDoubtful()) {
      stroke(from, scale.xOf(plan.otherLine()), y, y - scale.rowHeight() * 0.55, 1.2);
      stroke(from, scale.xOf(plan.line()), y, y + scale.rowHeight() * 0.55, 1.8);
      g.setFill(palette.color(Ink.RECORD));
      g.fillOval(from - 3.5, y - 3.5, 7, 7);
    }
    if (plan.meant().isDoubtful()) {
      doubtfulEnd(plan);
    }
    return plan.outcome() == NotePlan.Outcome.LINE_TAKEN
        || plan.isDoubtful()
        || plan.meant().isDoubtful();
  }

  /** A line that doubtful notes may be meant for, or to end at, with the key that chooses it. */
  void candidate(double x, double height, boolean later, boolean likelier) {
    g.setStroke(palette.color(Ink.WHEAT));
    g.setLineWidth(likelier ? 2.5 : 1.5);
    g.setLineDashes(likelier ? new double[0] : new double[] {5, 4});
    g.strokeLine(x, 0, x, height);
    g.setLineDashes();
    g.setLineWidth(1);
    String text = later ? "later \u2192" : "\u2190 earlier";
    g.setFont(palette.bold(13));
    g.setTextAlign(later ? TextAlignment.LEFT : TextAlignment.RIGHT);
    g.setTextBaseline(VPos.CENTER);
    double at = 14;
    g.setFill(palette.color(Ink.RAISED, 0.9));
    double left = later ? x + 3 : x - 71;
    g.fillRoundRect(left, at - 10, 68, 20, 5, 5);
    g.setFill(palette.color(Ink.INK));
    g.fillText(text, later ? x + 8 : x - 8, at);
  }

  /** Round the note that is asked about. */
  void ring(double from, double to, double y) {
    g.setStroke(palette.color(Ink.WHEAT));
    g.setLineWidth(3);
    g.strokeRoundRect(from - 4, y - 3, Math.max(8, to - from) + 8, scale.rowHeight() + 6, 10, 10);
    g.setLineWidth(1);
  }

  private void stroke(double from, double to, double y, double toY, double width) {
    g.setStroke(palette.color(Ink.RAISED));
    g.setLineWidth(width + 2);
    g.strokeLine(from, y, to, toY);
    g.setStroke(palette.color(Ink.INK));
    g.setLineWidth(width);
    g.strokeLine(from, y, to, toY);
    double half = Math.min(5, scale.rowHeight() * 0.35);
    g.strokeLine(to, toY - half, to, toY + half);
    g.setLineWidth(1);
  }

  /** A note that stays because its line is taken: a barred ring at its onset. */
  private void taken(double x, double y) {
    g.setFill(palette.color(Ink.RAISED));
    g.fillOval(x - 5, y - 5, 10, 10);
    g.setStroke(palette.color(Ink.RECORD));
    g.setLineWidth(1.8);
    g.strokeOval(x - 5, y - 5, 10, 10);
    g.strokeLine(x - 3, y + 3, x + 3, y - 3);
    g.setLineWidth(1);
  }
}
