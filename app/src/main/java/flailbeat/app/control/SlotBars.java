package flailbeat.app.control;

import flailbeat.app.control.Palette.Ink;
import flailbeat.core.quantize.SlotTiming;
import java.util.List;
import java.util.Locale;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.TextAlignment;

/** One bar for each place of the bar that is played on: down for early, up for late. */
public final class SlotBars extends Canvas {
  private static final double LABELS = 15;
  private static final double LEAST_RANGE_MS = 20;

  private final Palette palette;
  private List<SlotTiming> slots = List.of();

  public SlotBars(Palette palette, double width, double height) {
    super(width, height);
    this.palette = palette;
    palette.onChange(
        () -> {
          setWidth(width * palette.textScale());
          setHeight(height * palette.textScale());
          draw();
        });
  }

  public void show(List<SlotTiming> value) {
    slots = value;
    draw();
  }

  private void draw() {
    GraphicsContext g = getGraphicsContext2D();
    double w = getWidth();
    double h = getHeight() - LABELS * palette.textScale();
    g.setFill(palette.color(Ink.RAISED));
    g.fillRect(0, 0, w, getHeight());
    double range =
        slots.stream().mapToDouble(s -> Math.abs(s.meanMs())).reduce(LEAST_RANGE_MS, Math::max);
    int most = slots.stream().mapToInt(SlotTiming::notes).max().orElse(1);
    for (int beat = 0; beat < 4; beat++) {
      g.setStroke(palette.color(beat == 0 ? Ink.RULE_STRONG : Ink.RULE));
      g.strokeLine(x(beat / 4.0) + 0.5, 0, x(beat / 4.0) + 0.5, h);
    }
    for (SlotTiming slot : slots) {
      double height = slot.meanMs() / range * (h / 2 - 10);
      double width = 3 + 4.0 * slot.notes() / most;
      g.setFill(palette.color(slot.meanMs() < 0 ? Ink.EARLY : Ink.LATE));
      double top = Math.min(h / 2, h / 2 - height);
      g.fillRect(x(slot.place()) - width / 2 + 0.5, top, width, Math.max(1.5, Math.abs(height)));
    }
    g.setStroke(palette.color(Ink.INK));
    g.strokeLine(0, Math.round(h / 2) + 0.5, w, Math.round(h / 2) + 0.5);
    labels(g, w, h, range);
  }

  private double x(double place) {
    double margin = 8;
    return Math.round(margin + place * (getWidth() - margin));
  }

  private void labels(GraphicsContext g, double w, double h, double range) {
    g.setFill(palette.color(Ink.INK_SOFT));
    g.setFont(palette.font(11));
    g.setTextAlign(TextAlignment.RIGHT);
    g.fillText(String.format(Locale.ROOT, "%.0f ms late", range), w - 2, 10);
    g.fillText(String.format(Locale.ROOT, "%.0f ms early", range), w - 2, h - 2);
    g.setTextAlign(TextAlignment.CENTER);
    for (int beat = 0; beat < 4; beat++) {
      g.fillText(fraction(beat), x(beat / 4.0), getHeight() - 3);
    }
  }

  private static String fraction(int quarter) {
    return switch (quarter) {
      case 0 -> "bar";
      case 1 -> "\u00bc";
      case 2 -> "\u00bd";
      default -> "\u00be";
    };
  }
}
