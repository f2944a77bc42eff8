package flailbeat.app.control;

import java.nio.IntBuffer;
import java.util.Arrays;
import javafx.geometry.Dimension2D;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;

/**
 * A picture of bars and pills that is set pixel by pixel. With the software pipeline a canvas takes
 * some 12 microseconds for each rounded shape; here it is well under one. Measures are those of the
 * window; on a dense screen there are several pixels to each.
 */
public final class Pixels {
  private static final int OPAQUE = 255;
  private static final double FAR = 1 << 24;
  private static final int PARTS = 0xFF00FF;
  private static final int HALVES = 0x800080;

  private double width;
  private double height;
  private double density = 1;
  private int columns;
  private int rows;
  private int[] pixels = {};
  private byte[] taken = {};
  private PixelBuffer<IntBuffer> buffer;
  private WritableImage image;

  /**
   * Begins an empty picture.
   *
   * @param pixelsToOne how many pixels the screen has to one of the window's
   */
  public void begin(double newWidth, double newHeight, double pixelsToOne) {
    width = newWidth;
    height = newHeight;
    density = pixelsToOne;
    int wantedColumns = Math.max(1, (int) Math.ceil(width * density));
    int wantedRows = Math.max(1, (int) Math.ceil(height * density));
    if (wantedColumns != columns || wantedRows != rows) {
      columns = wantedColumns;
      rows = wantedRows;
      pixels = new int[columns * rows];
      taken = new byte[columns * rows];
      buffer =
          new PixelBuffer<>(
              columns, rows, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance());
      image = new WritableImage(buffer);
    }
    Arrays.fill(pixels, 0);
    Arrays.fill(taken, (byte) 0);
  }

  /**
   * Takes the pixel at a place, unless something as important has it.
   *
   * @param importance 1 or more
   */
  public boolean take(double x, double y, int importance) {
    int column = Math.clamp((int) (x * density), 0, columns - 1);
    int row = Math.clamp((int) (y * density), 0, rows - 1);
    int cell = row * columns + column;
    if (taken[cell] >= importance) {
      return false;
    }
    taken[cell] = (byte) importance;
    return true;
  }

  /** Fills a bar, its edges on whole pixels; it is a pixel wide at least. */
  public void bar(double x, double y, double w, double h, int argb) {
    int left = column(x);
    int right = Math.max(left + 1, column(x + w));
    int bottom = row(y + h);
    for (int row = row(y); row < bottom; row++) {
      span(row, left, right, argb);
    }
  }

  /**
   * Fills a bar as wide as the picture, column by column.
   *
   * @param argb the colours, one for each of its {@link #columns}; 0 leaves what is there
   * @param from where they begin
   */
  public void row(double y, double h, int[] argb, int from) {
    int bottom = Math.min(rows, Math.max(row(y) + 1, row(y + h)));
    for (int row = Math.max(0, row(y)); row < bottom; row++) {
      int base = row * columns;
      for (int i = 0; i < columns; i++) {
        int above = argb[from + i];
        if (above != 0) {
          pixels[base + i] = above >>> 24 == OPAQUE ? above : over(above, pixels[base + i]);
        }
      }
    }
  }

  /** How many pixels it is wide. */
  public int columns() {
    return columns;
  }

  /** The column of pixels that a place falls into; it may be outside. */
  public int column(double x) {
    return whole(x * density);
  }

  private int row(double y) {
    return whole(y * density);
  }

  /** The nearest whole number; far outside the picture, one that is still far outside it. */
  private static int whole(double value) {
    return (int) Math.rint(Math.clamp(value, -FAR, FAR));
  }

  /**
   * Fills a bar with round corners, or the part of it that lies below a place.
   *
   * @param fromY above this nothing is filled
   */
  public void pill(double x, double y, double w, double h, double radius, double fromY, int argb) {
    int left = column(x);
    int right = Math.max(left + 1, column(x + w));
    int top = row(y);
    int bottom = Math.max(top + 1, row(y + h));
    double r = Math.min(radius * density, Math.min(bottom - top, right - left) / 2.0);
    for (int row = Math.max(top, row(fromY)); row < bottom; row++) {
      double inset = inset(Math.min(row - top, bottom - 1 - row) + 0.5, r);
      int whole = (int) Math.ceil(inset);
      int edge = scaled(argb, whole - inset);
      if (whole > inset && right - whole > left + whole - 1) {
        span(row, left + whole - 1, left + whole, edge);
        span(row, right - whole, right - whole + 1, edge);
      }
      span(row, left + whole, right - whole, argb);
    }
  }

  /** How far a round corner draws a row in, that lies so far from the pill's edge. */
  private static double inset(double fromEdge, double radius) {
    double up = radius - fromEdge;
    return up <= 0 ? 0 : radius - Math.sqrt(radius * radius - up * up);
  }

  /** The outline of a bar in dashes of three, three apart. */
  public void dashes(double x, double y, double w, double h, int argb) {
    int left = column(x);
    int right = Math.max(left + 1, column(x + w));
    int top = row(y);
    int bottom = row(y + h);
    int dash = (int) Math.max(1, Math.round(3 * density));
    int thick = (int) Math.max(1, Math.round(density));
    int skipped = Math.max(0, -left / (2 * dash)) * 2 * dash;
    for (int at = left + 2 + skipped; at < Math.min(columns, right - 2); at += 2 * dash) {
      int end = Math.min(right - 2, at + dash);
      for (int i = 0; i < thick; i++) {
        span(top + i, at, end, argb);
        span(bottom - 1 - i, at, end, argb);
      }
    }
    for (int row = top + 2; row < bottom - 2; row++) {
      if ((row - top - 2) / dash % 2 == 0) {
        span(row, left, left + thick, argb);
        span(row, right - thick, right, argb);
      }
    }
  }

  private static int scaled(int argb, double coverage) {
    return times(argb, (int) Math.round(OPAQUE * coverage));
  }

  private void span(int row, int from, int to, int argb) {
    if (row < 0 || row >= rows) {
      return;
    }
    int left = Math.clamp(from, 0, columns);
    int right = Math.clamp(to, left, columns);
    int base = row * columns;
    if (argb >>> 24 == OPAQUE) {
      Arrays.fill(pixels, base + left, base + right, argb);
    } else {
      for (int i = base + left; i < base + right; i++) {
        pixels[i] = over(argb, pixels[i]);
      }
    }
  }

  private static int over(int above, int below) {
    return above + times(below, OPAQUE - (above >>> 24));
  }

  /** All four parts of a colour times so much of 255, rounded; two parts at once. */
  private static int times(int argb, int share) {
    int redAndBlue = (argb & PARTS) * share + HALVES;
    int alphaAndGreen = (argb >>> 8 & PARTS) * share + HALVES;
    redAndBlue = redAndBlue + (redAndBlue >>> 8 & PARTS) >>> 8 & PARTS;
    alphaAndGreen = alphaAndGreen + (alphaAndGreen >>> 8 & PARTS) & ~PARTS;
    return alphaAndGreen | redAndBlue;
  }

  /** Ends the picture: who shows it sees it as it is now. */
  public void end() {
    buffer.updateBuffer(all -> null);
  }

  /** The picture; another one once it has had another size. */
  public Image image() {
    return image;
  }

  /** How wide and high the picture is in the window. */
  public Dimension2D size() {
    return new Dimension2D(columns / density, rows / density);
  }

  /** Draws the picture as it was ended last. */
  public void show(GraphicsContext g) {
    g.drawImage(image, 0, 0, columns / density, rows / density);
  }

  /** A colour as a pixel has it: its parts multiplied by its alpha. */
  public static int argb(Color color) {
    int opaque =
        OPAQUE << 24
            | (int) Math.round(color.getRed() * OPAQUE) << 16
            | (int) Math.round(color.getGreen() * OPAQUE) << 8
            | (int) Math.round(color.getBlue() * OPAQUE);
    return scaled(opaque, color.getOpacity());
  }
}
