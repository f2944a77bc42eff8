package flailbeat.app.view.bench.paint;

import flailbeat.app.control.Pixels;
import flailbeat.app.view.bench.surface.PitchSurface;
import java.util.Arrays;

/**
 * Notes by the thousand as cells, one for each pitch and column of pixels: a note sets a few of
 * them, whatever the height of its row, and the rows are painted once all are set.
 */
final class Cells {
  private static final int PITCHES = 128;

  /** What is seen of other tracks and of repeated rounds: a little lower than a note. */
  static final byte FAINT = 1;

  static final byte PLAIN = 2;
  static final byte SELECTED = 3;

  /** Which ticks the columns are of. */
  record Frame(double originTick, double columnsPerTick, int columns) {
    int columnOf(long tick) {
      // A cast stops at the ends of what a whole number can be; rounding to a long would not.
      return (int) Math.floor((tick - originTick) * columnsPerTick + 0.5);
    }
  }

  private int columns;
  private int[] colours = {};
  private byte[] weights = {};
  private boolean anySet;

  /** Begins with nothing set. */
  void begin(int newColumns) {
    if (newColumns != columns) {
      columns = newColumns;
      colours = new int[columns * PITCHES];
      weights = new byte[columns * PITCHES];
    } else if (anySet) {
      Arrays.fill(colours, 0);
      Arrays.fill(weights, (byte) 0);
    }
    anySet = false;
  }

  /** Sets a note's cells, unless one that weighs as much begins in the same. */
  void set(int pitch, int left, int right, byte weight, int argb) {
    int from = Math.max(0, left);
    int base = pitch * columns;
    if (right >= 0 && from < columns && weights[base + from] < weight) {
      weights[base + from] = weight;
      anySet = true;
      int to = Math.min(columns, Math.max(from + 1, right));
      for (int i = base + from; i < base + to; i++) {
        colours[i] = argb;
      }
    }
  }

  /** Paints all rows that are in sight. */
  void paint(Pixels pixels, PitchSurface scale, double height) {
    for (int pitch = 0; anySet && pitch < PITCHES; pitch++) {
      double y = scale.yOf(pitch);
      if (y + scale.rowHeight() > 0 && y < height) {
        pixels.row(y + 1, scale.rowHeight() - 2, colours, pitch * columns);
      }
    }
  }
}
