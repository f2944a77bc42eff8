package flailbeat.app.view.bench.surface;

import java.util.HashSet;
import java.util.Set;

/**
 * Which part of the piano roll is in sight, and how large. Immutable.
 *
 * @param pixelsPerTick how wide a tick is
 * @param originTick the tick at the left edge
 * @param rowHeight how high a row is
 * @param topRow the row at the top edge; a part of a row may be cut off
 * @param rows which pitch lies in which row
 */
public record RollScale(
    double pixelsPerTick, double originTick, double rowHeight, double topRow, Rows rows)
    implements PitchSurface {
  private static final double LEAST_PIXELS_PER_TICK = 0.00001;
  private static final double MOST_PIXELS_PER_TICK = 4;
  private static final double LEAST_ROW = 4;
  private static final double MOST_ROW = 40;

  /** How high rows are that were not zoomed. */
  private static final double LEAST_COMMON_ROW = 7;

  private static final double COMMON_ROW = 18;
  private static final double HIGH_ROW = 32;

  /** How many rows more than are asked for are shown around them. */
  private static final int AROUND = 4;

  private static final int FEW = 32;

  public static RollScale initial() {
    return new RollScale(0.06, 0, 13, 84, Rows.PIANO);
  }

  @Override
  public double xOf(double tick) {
    return (tick - originTick) * pixelsPerTick;
  }

  @Override
  public double tickAt(double x) {
    return originTick + x / pixelsPerTick;
  }

  @Override
  public double yOf(int pitch) {
    return yOfRow(rows.of(pitch));
  }

  /** The upper edge of a row. */
  public double yOfRow(int row) {
    return (topRow - row) * rowHeight;
  }

  @Override
  public int pitchAt(double y) {
    return rows.pitchAt(rowAt(y));
  }

  /** The number of the row that is, or would be, there. */
  public int rowAt(double y) {
    return (int) Math.ceil(topRow - y / rowHeight);
  }

  /** Few rows may leave room below them. */
  @Override
  public boolean hasPitchAt(double y) {
    return rowAt(y) >= 0 && rowAt(y) < rows.count();
  }

  @Override
  public int pitchAbove(int pitch, int places) {
    return rows.pitchAt(rows.of(pitch) + places);
  }

  @Override
  public Set<Integer> pitchesBetween(double y, double otherY) {
    int low = Math.max(0, rowAt(Math.max(y, otherY)));
    int high = Math.min(rows.count() - 1, rowAt(Math.min(y, otherY)));
    Set<Integer> pitches = new HashSet<>();
    for (int row = low; row <= high; row++) {
      pitches.add(rows.pitchAt(row));
    }
    return pitches;
  }

  /** Larger or smaller in time, the tick under {@code x} staying where it is. */
  public RollScale zoomTime(double factor, double x) {
    double scale = Math.clamp(pixelsPerTick * factor, LEAST_PIXELS_PER_TICK, MOST_PIXELS_PER_TICK);
    double origin = tickAt(x) - x / scale;
    return new RollScale(scale, Math.max(0, origin), rowHeight, topRow, rows);
  }

  /** Larger or smaller in pitch, the row under {@code y} staying where it is. */
  public RollScale zoomPitch(double factor, double y, double height) {
    double row = Math.clamp(rowHeight * factor, LEAST_ROW, MOST_ROW);
    double top = topRow - y / rowHeight + y / row;
    return new RollScale(pixelsPerTick, originTick, row, 0, rows).withTop(top, height);
  }

  public RollScale withOrigin(double tick) {
    return new RollScale(pixelsPerTick, Math.max(0, tick), rowHeight, topRow, rows);
  }

  /** Scrolled to a top row, as far as there are rows. */
  public RollScale withTop(double row, double height) {
    double highest = rows.count() - 1.0;
    double lowest = Math.min(highest, height / rowHeight - 1);
    return new RollScale(
        pixelsPerTick, originTick, rowHeight, Math.clamp(row, lowest, highest), rows);
  }

  /** With pitches in other rows. */
  public RollScale withRows(Rows value) {
    return new RollScale(pixelsPerTick, originTick, rowHeight, topRow, value);
  }

  /** Shows a range of ticks, and these rows, over so many pixels. */
  public RollScale fit(
      double fromTick, double toTick, int low, int high, double width, double height) {
    double scale =
        Math.clamp(width / (toTick - fromTick), LEAST_PIXELS_PER_TICK, MOST_PIXELS_PER_TICK);
    return new RollScale(scale, Math.max(0, fromTick), rowHeight, topRow, rows)
        .fitRows(low, high, height);
  }

  /** Shows these rows; where they are all that there are, they may be high. */
  public RollScale fitRows(int low, int high, double height) {
    boolean few = rows.count() <= FEW;
    double most = few ? HIGH_ROW : COMMON_ROW;
    int around = few ? 0 : AROUND;
    double row = Math.clamp(height / (high - low + 1 + around), LEAST_COMMON_ROW, most);
    double spare = height / row - (high - low + 1);
    return new RollScale(pixelsPerTick, originTick, row, 0, rows).withTop(high + spare / 2, height);
  }
}
