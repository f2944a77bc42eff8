package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Hairline;
import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.app.view.bench.surface.Surface;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;

/** Draws what stands for time on a surface: lines, beats and bars, the ruler and the loop on it. */
public final class TimeLines {
  private static final double LEAST_GAP = 7;
  private static final double LEAST_BAR_LABEL = 34;

  private final Palette palette;
  private final Surface surface;
  private final double width;
  private final double height;

  public TimeLines(Palette palette, Surface surface, double width, double height) {
    this.palette = palette;
    this.surface = surface;
    this.width = width;
    this.height = height;
  }

  /** Grid lines, thinned out until they are some pixels apart; beats and bars stronger. */
  public void lines(GraphicsContext g, GridLines lines, long finest, MeterMap meters) {
    long last = (long) surface.tickAt(width) + 1;
    boolean showGrid = finest * surface.pixelsPerTick() >= LEAST_GAP;
    TickRange bar = meters.barRangeAt((long) Math.max(0, surface.tickAt(0)));
    int step = barStep(meters);
    while (bar.start() <= last) {
      if (showGrid) {
        for (long t = lines.after(bar.start()); t < bar.end(); t = lines.after(t)) {
          vertical(g, t, palette.color(Ink.RULE, 0.7));
        }
      }
      long beat = meters.meterAt(bar.start()).ticksPerBeat();
      if (beat * surface.pixelsPerTick() >= LEAST_GAP) {
        for (long t = bar.start() + beat; t < bar.end(); t += beat) {
          vertical(g, t, palette.color(Ink.RULE));
        }
      }
      int number = meters.barAt(bar.start());
      if (number % step == 0) {
        vertical(g, bar.start(), palette.color(Ink.RULE_STRONG));
      }
      bar = meters.barRangeAt(meters.barStart(nextBar(number, step)));
    }
  }

  /** The bars alone, faintly. */
  public void bars(GraphicsContext g, MeterMap meters) {
    long last = (long) surface.tickAt(width) + 1;
    int step = barStep(meters);
    TickRange bar = meters.barRangeAt((long) Math.max(0, surface.tickAt(0)));
    while (bar.start() <= last) {
      int number = meters.barAt(bar.start());
      if (number % step == 0) {
        vertical(g, bar.start(), palette.color(Ink.RULE_STRONG, 0.8));
      }
      bar = meters.barRangeAt(meters.barStart(nextBar(number, step)));
    }
  }

  /** Bar numbers, and a tick for each beat where there is room. */
  public void ruler(GraphicsContext g, MeterMap meters, double rulerHeight) {
    g.setFill(palette.color(Ink.PAPER));
    g.fillRect(0, 0, width, rulerHeight);
    g.setFill(palette.color(Ink.INK));
    g.setFont(palette.fittedFigures(12, 0.8 * rulerHeight));
    g.setTextBaseline(VPos.CENTER);
    g.setTextAlign(TextAlignment.LEFT);
    int step = barStep(meters);
    int bar = meters.barAt((long) Math.max(0, surface.tickAt(0)));
    bar -= Math.floorMod(bar, step);
    long last = (long) surface.tickAt(width) + 1;
    while (meters.barStart(bar) <= last) {
      double x = Math.round(surface.xOf(meters.barStart(bar))) + 0.5;
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
  public void loop(GraphicsContext g, TickRange loop, boolean on, double rulerHeight) {
    double from = surface.xOf(loop.start());
    double to = surface.xOf(loop.end());
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
    if (beat * surface.pixelsPerTick() < LEAST_GAP) {
      return;
    }
    double top = Math.round(rulerHeight * 0.68);
    for (long t = range.start() + beat; t < range.end(); t += beat) {
      double x = Math.round(surface.xOf(t)) + 0.5;
      Hairline.down(g, palette.color(Ink.RULE_STRONG), x, top, rulerHeight);
    }
  }

  private void vertical(GraphicsContext g, long tick, Color color) {
    double x = Math.round(surface.xOf(tick)) + 0.5;
    if (x >= 0 && x <= width) {
      Hairline.down(g, color, x, 0, height);
    }
  }

  /** How many bars from one that is drawn to the next: a power of two. */
  private int barStep(MeterMap meters) {
    long bar = meters.meterAt((long) Math.max(0, surface.tickAt(0))).ticksPerBar();
    int step = 1;
    while (bar * surface.pixelsPerTick() * step < LEAST_BAR_LABEL) {
      step *= 2;
    }
    return step;
  }

  private static int nextBar(int bar, int step) {
    return bar - Math.floorMod(bar, step) + step;
  }
}
