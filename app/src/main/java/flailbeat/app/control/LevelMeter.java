package flailbeat.app.control;

import flailbeat.app.control.Palette.Ink;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;

/** The output level as a bar on a scale of decibels, from -48 to 0. */
public final class LevelMeter extends Canvas {
  private static final double FLOOR_DB = -48;
  private static final double HOT_DB = -3;

  private final Palette palette;
  private int lit = -1;

  public LevelMeter(Palette palette, double width, double height) {
    super(width, height);
    this.palette = palette;
    palette.onChange(
        () -> {
          lit = -1;
          show(0);
        });
  }

  /**
   * Shows a level; draws only when the bar has another length.
   *
   * @param peak 0 to 1
   */
  public void show(float peak) {
    int length = (int) Math.round(fraction(peak) * getWidth());
    if (length == lit) {
      return;
    }
    lit = length;
    GraphicsContext g = getGraphicsContext2D();
    g.setFill(palette.color(Ink.RULE));
    g.fillRoundRect(0, 0, getWidth(), getHeight(), 4, 4);
    double hot = (HOT_DB - FLOOR_DB) / -FLOOR_DB * getWidth();
    g.setFill(palette.color(Ink.LEVEL));
    g.fillRect(0, 0, Math.min(length, hot), getHeight());
    g.setFill(palette.color(Ink.RECORD));
    g.fillRect(hot, 0, Math.max(0, length - hot), getHeight());
  }

  private static double fraction(float peak) {
    double db = 20 * Math.log10(Math.max(1e-6, peak));
    return Math.clamp((db - FLOOR_DB) / -FLOOR_DB, 0, 1);
  }
}
