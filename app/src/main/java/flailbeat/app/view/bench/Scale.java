package flailbeat.app.view.bench;

/**
 * Which part of the piano roll is in sight, and how large. Immutable.
 *
 * @param pixelsPerTick how wide a tick is
 * @param originTick the tick at the left edge
 * @param rowHeight how high a pitch's row is
 * @param topPitch the pitch at the top edge; a part of a row may be cut off
 */
record Scale(double pixelsPerTick, double originTick, double rowHeight, double topPitch) {
  private static final double LEAST_PIXELS_PER_TICK = 0.00001;
  private static final double MOST_PIXELS_PER_TICK = 4;
  private static final double LEAST_ROW = 4;
  private static final double MOST_ROW = 40;
  private static final double PITCHES = 128;

  static Scale initial() {
    return new Scale(0.06, 0, 13, 84);
  }

  double xOf(double tick) {
    return (tick - originTick) * pixelsPerTick;
  }

  double tickAt(double x) {
    return originTick + x / pixelsPerTick;
  }

  /** The upper edge of a pitch's row. */
  double yOf(double pitch) {
    return (topPitch - pitch) * rowHeight;
  }

  int pitchAt(double y) {
    return (int) Math.ceil(topPitch - y / rowHeight);
  }

  /** Larger or smaller in time, the tick under {@code x} staying where it is. */
  Scale zoomTime(double factor, double x) {
    double scale = Math.clamp(pixelsPerTick * factor, LEAST_PIXELS_PER_TICK, MOST_PIXELS_PER_TICK);
    double origin = tickAt(x) - x / scale;
    return new Scale(scale, Math.max(0, origin), rowHeight, topPitch);
  }

  /** Larger or smaller in pitch, the pitch under {@code y} staying where it is. */
  Scale zoomPitch(double factor, double y, double height) {
    double row = Math.clamp(rowHeight * factor, LEAST_ROW, MOST_ROW);
    double top = topPitch - y / rowHeight + y / row;
    return new Scale(pixelsPerTick, originTick, row, 0).withTop(top, height);
  }

  Scale withOrigin(double tick) {
    return new Scale(pixelsPerTick, Math.max(0, tick), rowHeight, topPitch);
  }

  /** Scrolled to a top pitch, as far as the piano's 128 notes allow. */
  Scale withTop(double pitch, double height) {
    double lowest = Math.min(PITCHES - 1, height / rowHeight - 1);
    return new Scale(pixelsPerTick, originTick, rowHeight, Math.clamp(pitch, lowest, PITCHES - 1));
  }

  /** Shows a range of ticks and pitches over so many pixels. */
  static Scale fit(double fromTick, double toTick, int low, int high, double width, double height) {
    double scale =
        Math.clamp(width / (toTick - fromTick), LEAST_PIXELS_PER_TICK, MOST_PIXELS_PER_TICK);
    double row = Math.clamp(height / (high - low + 5), 7, 18);
    double spare = height / row - (high - low + 1);
    return new Scale(scale, Math.max(0, fromTick), row, 0).withTop(high + spare / 2, height);
  }
}
