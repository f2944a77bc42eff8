package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.surface.RollScale;
import flailbeat.core.pitch.DrumNames;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.function.IntPredicate;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
import javafx.scene.text.TextAlignment;

/** Draws the bench's ground: rows, lines, ruler and pitch rail. */
public final class GridPainter {
  private static final double LEAST_GAP = 7;
  private static final double LEAST_DRUM_ROW = 9;
  private static final double LEAST_BAR_LABEL = 34;

  private final Palette palette;
  private final RollScale scale;
  private final double width;
  private final double height;

  public GridPainter(Palette palette, RollScale scale, double width, double height) {
    this.palette = palette;
    this.scale = scale;
    this.width = width;
    this.height = height;
  }

  /** Rows of black notes shaded, and a rule between B and C; of drums every other. */
  void rows(GraphicsContext g, boolean kit) {
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, width, height);
    for (int row = lowest(); row <= highest(); row++) {
      int pitch = scale.rows().pitchAt(row);
      double y = scale.yOfRow(row);
      int fromTop = scale.rows().count() - 1 - row;
      if (kit ? fromTop % 2 == 1 : Pitch.isBlack(pitch)) {
        g.setFill(palette.color(Ink.ROW_DARK));
        g.fillRect(0, y, width, scale.rowHeight());
      }
      if (kit ? row == 0 : pitch % Pitch.OCTAVE == 0) {
        double line = Math.round(y + scale.rowHeight());
        Hairline.across(g, palette.color(Ink.RULE), line, 0, width);
      }
    }
  }

  /** Grid lines, thinned out until they are some pixels apart; beats and bars stronger. */
  void lines(GraphicsContext g, GridLines lines, long finest, MeterMap meters) {
    long last = (long) scale.tickAt(width) + 1;
    boolean showGrid = finest * scale.pixelsPerTick() >= LEAST_GAP;
    TickRange bar = meters.barRangeAt((long) Math.max(0, scale.originTick()));
    int step = barStep(meters);
    while (bar.start() <= last) {
      if (showGrid) {
        for (long t = lines.after(bar.start()); t < bar.end(); t = lines.after(t)) {
          vertical(g, t, palette.color(Ink.RULE, 0.75));
        }
      }
      long beat = meters.meterAt(bar.start()).ticksPerBeat();
      if (beat * scale.pixelsPerTick() >= LEAST_GAP) {
        for (long t = bar.start() + beat; t < bar.end(); t += beat) {
          vertical(g, t, palette.color(Ink.RULE_STRONG, 0.8));
        }
      }
      int number = meters.barAt(bar.start());
      if (number % step == 0) {
        vertical(g, bar.start(), palette.color(Ink.INK_SOFT, 0.75));
      }
      bar = meters.barRangeAt(meters.barStart(nextBar(number, step)));
    }
  }

  /** The bars alone, faintly. */
  public void bars(GraphicsContext g, MeterMap meters) {
    long last = (long) scale.tickAt(width) + 1;
    int step = barStep(meters);
    TickRange bar = meters.barRangeAt((long) Math.max(0, scale.originTick()));
    while (bar.start() <= last) {
      int number = meters.barAt(bar.start());
      if (number % step == 0) {
        vertical(g, bar.start(), palette.color(Ink.RULE_STRONG, 0.8));
      }
      bar = meters.barRangeAt(meters.barStart(nextBar(number, step)));
    }
  }

  /** Bar numbers, and a tick for each beat where there is room. */
  void ruler(GraphicsContext g, MeterMap meters, double rulerHeight) {
    g.setFill(palette.color(Ink.PAPER));
    g.fillRect(0, 0, width, rulerHeight);
    g.setFill(palette.color(Ink.INK));
    g.setFont(Font.font("JetBrains Mono", FontWeight.BOLD, 12));
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(TextAlignment.LEFT);
    int step = barStep(meters);
    int bar = meters.barAt((long) Math.max(0, scale.originTick()));
    bar -= Math.floorMod(bar, step);
    long last = (long) scale.tickAt(width) + 1;
    while (meters.barStart(bar) <= last) {
      double x = Math.round(scale.xOf(meters.barStart(bar))) + 0.5;
      double top = Math.round(rulerHeight * 0.3);
      Hairline.down(g, palette.color(Ink.INK_SOFT), x, top, rulerHeight);
      g.setFill(palette.color(Ink.INK));
      g.fillText(String.valueOf(bar + 1), x + 8, rulerHeight / 2);
      beats(g, meters, bar, rulerHeight);
      bar = nextBar(bar, step);
    }
    Hairline.across(g, palette.color(Ink.RULE_STRONG), rulerHeight - 1, 0, width);
  }

  /** The loop on the ruler: full when it is gone round, faint when it only stands by. */
  void loop(GraphicsContext g, TickRange loop, boolean on, double rulerHeight) {
    double from = scale.xOf(loop.start());
    double to = scale.xOf(loop.end());
    g.setFill(palette.color(Ink.WHEAT, on ? 0.85 : 0.3));
    g.fillRect(from, 0, to - from, 4);
    g.fillRect(from, 0, 3, rulerHeight * 0.6);
    g.fillRect(to - 3, 0, 3, rulerHeight * 0.6);
    if (on) {
      g.setFill(palette.color(Ink.WHEAT, 0.13));
      g.fillRect(from, 4, to - from, rulerHeight - 4);
    }
  }

  private void beats(GraphicsContext g, MeterMap meters, int bar, double rulerHeight) {
    TickRange range = meters.barRangeAt(meters.barStart(bar));
    long beat = meters.meterAt(range.start()).ticksPerBeat();
    if (beat * scale.pixelsPerTick() < LEAST_GAP) {
      return;
    }
    double top = Math.round(rulerHeight * 0.68);
    for (long t = range.start() + beat; t < range.end(); t += beat) {
      double x = Math.round(scale.xOf(t)) + 0.5;
      Hairline.down(g, palette.color(Ink.RULE_STRONG), x, top, rulerHeight);
    }
  }

  /** The piano on its side: names on C, and on every natural where they fit. */
  void rail(GraphicsContext g, double railWidth) {
    double row = beginRail(g, railWidth, TextAlignment.RIGHT);
    for (int at = lowest(); at <= highest(); at++) {
      int pitch = scale.rows().pitchAt(at);
      double y = scale.yOfRow(at);
      boolean black = Pitch.isBlack(pitch);
      if (black) {
        g.setFill(palette.color(Ink.CAP_DARK));
        g.fillRect(0, y + 0.5, railWidth * 0.55, row - 1);
      }
      boolean isC = pitch % Pitch.OCTAVE == 0;
      if (isC || !black && row >= 11) {
        g.setFill(palette.color(isC ? Ink.INK : Ink.INK_SOFT));
        g.fillText(
            isC ? Pitch.name(pitch, OctaveNames.MIDDLE_C4) : Pitch.className(pitch),
            railWidth - 5,
            y + row / 2);
      }
      if (isC || pitch % Pitch.OCTAVE == 5) {
        Ink ink = isC ? Ink.RULE_STRONG : Ink.RULE;
        Hairline.across(g, palette.color(ink), Math.round(y + row), 0, railWidth);
      }
    }
    Hairline.down(g, palette.color(Ink.RULE_STRONG), railWidth - 1, 0, height);
  }

  /** The drums of a kit, each by its row; those that have notes stand out. */
  void drums(GraphicsContext g, double railWidth, IntPredicate used) {
    double row = beginRail(g, railWidth, TextAlignment.LEFT);
    for (int at = lowest(); at <= highest() && row >= LEAST_DRUM_ROW; at++) {
      int pitch = scale.rows().pitchAt(at);
      g.setFill(palette.color(used.test(pitch) ? Ink.INK : Ink.INK_SOFT));
      g.fillText(
          DrumNames.orPitch(pitch, OctaveNames.MIDDLE_C4),
          6,
          scale.yOfRow(at) + row / 2,
          railWidth - 10);
      Hairline.across(g, palette.color(Ink.RULE), Math.round(scale.yOfRow(at) + row), 0, railWidth);
    }
    Hairline.down(g, palette.color(Ink.RULE_STRONG), railWidth - 1, 0, height);
  }

  private double beginRail(GraphicsContext g, double railWidth, TextAlignment align) {
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, railWidth, height);
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(align);
    double row = scale.rowHeight();
    g.setFont(Font.font("Lato", Math.clamp(row, 9, 12)));
    return row;
  }

  private void vertical(GraphicsContext g, long tick, Color color) {
    double x = Math.round(scale.xOf(tick)) + 0.5;
    if (x >= 0 && x <= width) {
      Hairline.down(g, color, x, 0, height);
    }
  }

  /** How many bars from one that is drawn to the next: a power of two. */
  private int barStep(MeterMap meters) {
    long bar = meters.meterAt((long) Math.max(0, scale.originTick())).ticksPerBar();
    int step = 1;
    while (bar * scale.pixelsPerTick() * step < LEAST_BAR_LABEL) {
      step *= 2;
    }
    return step;
  }

  private static int nextBar(int bar, int step) {
    return bar - Math.floorMod(bar, step) + step;
  }

  private int lowest() {
    return Math.max(0, scale.rowAt(height) - 1);
  }

  private int highest() {
    return Math.min(scale.rows().count() - 1, scale.rowAt(0) + 1);
  }
}
