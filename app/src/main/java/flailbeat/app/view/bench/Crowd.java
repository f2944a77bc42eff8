package flailbeat.app.view.bench;

import java.util.Arrays;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;

/**
 * Notes by the thousand, each no more than a bar in its colour: they are set pixel by pixel, since
 * drawing each as a shape takes far longer than a frame. Where several begin on one pixel of a row
 * the first is seen, and the selected before all.
 */
final class Crowd {
  private int width;
  private int height;
  private int[] pixels = {};
  private byte[] taken = {};
  private WritableImage image;

  /** Begins an empty picture. */
  void begin(int newWidth, int newHeight) {
    if (newWidth != width || newHeight != height) {
      width = newWidth;
      height = newHeight;
      pixels = new int[width * height];
      taken = new byte[width * (height + 1)];
      image = new WritableImage(Math.max(1, width), Math.max(1, height));
    }
    Arrays.fill(pixels, 0);
    Arrays.fill(taken, (byte) 0);
  }

  /** Whether a note that begins there would be hidden by one that is drawn already. */
  boolean isTaken(double x, double y, boolean selected) {
    int cell = cell(x, y);
    return taken[cell] > (selected ? 1 : 0);
  }

  private int cell(double x, double y) {
    int column = Math.clamp((int) x, 0, width - 1);
    int row = Math.clamp((int) y, 0, height);
    return row * width + column;
  }

  /** Sets a bar. */
  void bar(double x, double y, double w, double h, int argb, boolean selected) {
    taken[cell(x, y)] = (byte) (selected ? 2 : 1);
    int left = Math.clamp((int) Math.round(x), 0, width);
    int right = Math.clamp((int) Math.round(x + Math.max(1, w)), 0, width);
    int top = Math.clamp(Math.round(y), 0, height);
    int bottom = Math.clamp(Math.round(y + h), 0, height);
    for (int row = top; row < bottom; row++) {
      Arrays.fill(pixels, row * width + left, row * width + Math.max(left, right), argb);
    }
  }

  /** Draws the picture. */
  void end(GraphicsContext g) {
    if (width > 0 && height > 0) {
      image
          .getPixelWriter()
          .setPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
      g.drawImage(image, 0, 0);
    }
  }

  /** A colour as a pixel has it. */
  static int argb(Color color) {
    return (int) Math.round(color.getOpacity() * 255) << 24
        | (int) Math.round(color.getRed() * 255) << 16
        | (int) Math.round(color.getGreen() * 255) << 8
        | (int) Math.round(color.getBlue() * 255);
  }
}
