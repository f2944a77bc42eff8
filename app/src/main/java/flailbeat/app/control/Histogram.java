package flailbeat.app.control;

import flailbeat.app.control.Palette.Ink;
import flailbeat.core.quantize.Timing;
import java.util.Locale;
import javafx.scene.Cursor;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.TextAlignment;

/** How far notes were played from their lines: early to the left, late to the right. */
public final class Histogram extends Canvas {
  private static final int BINS = 41;
  private static final double LABELS = 16;
  private static final double LEAST_BRUSH = 3;

  private final Palette palette;
  private Timing timing = Timing.of(new double[0]);
  private double rangeMs = 100;
  private double brushFrom = Double.NaN;
  private double brushTo = Double.NaN;

  /** Gets a stretch that was brushed over, in ms; of no width for a click. */
  public interface OnBrushed {
    void brushed(double fromMs, double toMs);
  }

  public Histogram(Palette palette, double width, double height, OnBrushed onBrushed) {
    super(width, height);
    this.palette = palette;
    palette.onChange(
        () -> {
          setWidth(width * palette.textScale());
          setHeight(height * palette.textScale());
          draw();
        });
    setCursor(Cursor.CROSSHAIR);
    Hints.on(this, "Drag over a part to select its notes; click for the whole clip");
    setOnMousePressed(e -> brush(e.getX(), e.getX()));
    setOnMouseDragged(e -> brush(brushFrom, e.getX()));
    setOnMouseReleased(
        e -> {
          double from = msAt(Math.min(brushFrom, brushTo));
          double to = msAt(Math.max(brushFrom, brushTo));
          boolean click = Math.abs(brushTo - brushFrom) < LEAST_BRUSH;
          brush(Double.NaN, Double.NaN);
          onBrushed.brushed(from, click ? from : to);
        });
  }

  private void brush(double from, double to) {
    brushFrom = from;
    brushTo = to;
    draw();
  }

  /** The deviation at a place; at either end, all that lies beyond as well. */
  private double msAt(double x) {
    if (x <= 1 || x >= getWidth() - 1) {
      return x <= 1 ? -Double.MAX_VALUE : Double.MAX_VALUE;
    }
    return (x / getWidth() * 2 - 1) * rangeMs;
  }

  /**
   * Shows deviations.
   *
   * @param halfGapMs half the distance between lines: nothing lies farther off
   */
  public void show(Timing value, double halfGapMs) {
    timing = value;
    rangeMs = Math.max(1, halfGapMs);
    draw();
  }

  private void draw() {
    GraphicsContext g = getGraphicsContext2D();
    double w = getWidth();
    double base = getHeight() - LABELS * palette.textScale();
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, w, getHeight());
    drawBars(g, w, base);
    g.setStroke(palette.color(Ink.RULE_STRONG));
    g.strokeLine(0, base + 0.5, w, base + 0.5);
    g.setStroke(palette.color(Ink.INK));
    g.strokeLine(w / 2, 4, w / 2, base + 3);
    drawLag(g, w, base);
    drawLabels(g, w);
    if (!Double.isNaN(brushFrom)) {
      g.setFill(palette.color(Ink.WHEAT, 0.25));
      g.fillRect(Math.min(brushFrom, brushTo), 0, Math.abs(brushTo - brushFrom), base);
    }
  }

  private void drawBars(GraphicsContext g, double w, double base) {
    int[] counts = counts();
    int most = 1;
    for (int count : counts) {
      most = Math.max(most, count);
    }
    double barWidth = w / BINS;
    for (int i = 0; i < BINS; i++) {
      if (counts[i] > 0) {
        double height = Math.max(2, (base - 8) * counts[i] / most);
        g.setFill(palette.color(i < BINS / 2 ? Ink.EARLY : i > BINS / 2 ? Ink.LATE : Ink.INK));
        g.fillRect(i * barWidth + 0.5, base - height, barWidth - 1, height);
      }
    }
  }

  private int[] counts() {
    int[] counts = new int[BINS];
    for (double ms : timing.deviationsMs()) {
      int bin = (int) Math.floor((ms / rangeMs + 1) / 2 * BINS);
      counts[Math.clamp(bin, 0, BINS - 1)]++;
    }
    return counts;
  }

  private void drawLag(GraphicsContext g, double w, double base) {
    if (timing.count() > 0) {
      double x = w / 2 + Math.clamp(timing.lagMs() / rangeMs, -1, 1) * w / 2;
      g.setFill(palette.color(Ink.WHEAT));
      g.fillPolygon(new double[] {x - 5, x + 5, x}, new double[] {0, 0, 8}, 3);
      g.setStroke(palette.color(Ink.WHEAT));
      g.strokeLine(x, 0, x, base);
    }
  }

  private void drawLabels(GraphicsContext g, double w) {
    g.setFill(palette.color(Ink.INK_SOFT));
    g.setFont(palette.font(11));
    double y = getHeight() - 4;
    String range = String.format(Locale.ROOT, "%.0f ms", rangeMs);
    g.setTextAlign(TextAlignment.LEFT);
    g.fillText(range + " early", 2, y);
    g.setTextAlign(TextAlignment.CENTER);
    g.fillText("on the line", w / 2, y);
    g.setTextAlign(TextAlignment.RIGHT);
    g.fillText(range + " late", w - 2, y);
  }
}
