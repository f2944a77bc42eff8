package flailbeat.app.view.bench;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.core.pitch.DrumNames;
import flailbeat.core.pitch.OctaveNames;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
import javafx.scene.text.TextAlignment;

/** Draws the bench's ground: rows, lines, ruler and pitch rail. */
final class GridPainter {
  private static final double LEAST_GAP = 7;
  private static final double LEAST_DRUM_ROW = 9;
  private static final double LEAST_BAR_LABEL = 34;

  private final Palette palette;
  private final Scale scale;
  private final double width;
  private final double height;

  GridPainter(Palette palette, Scale scale, double width, double height) {
    this.palette = palette;
    this.scale = scale;
    this.width = width;
    this.height = height;
  }

  /** Rows of black notes shaded; a rule between B and C. */
  void rows(GraphicsContext g) {
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, width, height);
    for (int pitch = lowest(); pitch <= highest(); pitch++) {
      double y = scale.yOf(pitch);
      if (Pitch.isBlack(pitch)) {
        g.setFill(palette.color(Ink.ROW_DARK));
        g.fillRect(0, y, width, scale.rowHeight());
      }
      if (pitch % Pitch.OCTAVE == 0) {
        double line = Math.round(y + scale.rowHeight());
        Hairline.across(g, palette.color(Ink.RULE), line, 0, width);
      }
    }
  }

  /** The drums of a kit, each in its row, where rows are high enough. */
  void drums(GraphicsContext g) {
    double row = scale.rowHeight();
    if (row < LEAST_DRUM_ROW) {
      return;
    }
    g.setFont(Font.font("Lato", Math.clamp(row - 2, 9, 12)));
    g.setTextAlign(TextAlignment.LEFT);
    g.setTextBaseline(VPos.CENTER);
    g.setFill(palette.color(Ink.INK_SOFT, 0.85));
    for (int pitch = lowest(); pitch <= highest(); pitch++) {
      double y = scale.yOf(pitch) + row / 2;
      DrumNames.of(pitch).ifPresent(name -> g.fillText(name, 5, y));
    }
  }

  /** Grid lines, thinned out until they are some pixels apart; beats and bars stronger. */
  void lines(GraphicsContext g, QuantizeSettings settings, MeterMap meters) {
    Grid grid = settings.grid();
    GridLines lines = new GridLines(grid, meters, settings.swing(), settings.groove());
    long last = (long) scale.tickAt(width) + 1;
    boolean showGrid = grid.finestTicks() * scale.pixelsPerTick() >= LEAST_GAP;
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
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, railWidth, height);
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(TextAlignment.RIGHT);
    double row = scale.rowHeight();
    g.setFont(Font.font("Lato", Math.clamp(row, 9, 12)));
    for (int pitch = lowest(); pitch <= highest(); pitch++) {
      double y = scale.yOf(pitch);
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
    return Math.max(Pitch.LOWEST, scale.pitchAt(height) - 1);
  }

  private int highest() {
    return Math.min(Pitch.HIGHEST, scale.pitchAt(0) + 1);
  }
}
