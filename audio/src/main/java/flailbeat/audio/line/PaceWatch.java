package flailbeat.audio.line;

/**
 * Judges whether a device keeps pace with the buffer that it was given. It does not where it takes
 * sound more slowly than sound goes, though there is always more for it, or where its buffer has
 * run dry again and again. What is spent elsewhere than in writing is not the device's fault.
 */
final class PaceWatch {
  /** Over how long the pace is measured; two such stretches in a row must be slow. */
  private static final long WINDOW_NANOS = 250_000_000;

  /** Devices' clocks differ by far less than this. */
  private static final double LEAST_PACE = 0.9;

  private static final double LEAST_WAITING = 0.5;

  /** So often it may run dry within {@link #DRY_NANOS}, as it does when the machine is busy. */
  private static final int MOST_DRY = 2;

  private static final long DRY_NANOS = 2_000_000_000;
  private static final int SLOW_WINDOWS = 2;

  private final long bufferFrames;
  private long frames;
  private boolean filled;
  private long windowStart;
  private long windowFrames;
  private long windowWaiting;
  private int slowWindows;
  private int dry;
  private long dryStart;

  /** A watch over a device whose buffer holds so many frames, which it takes at once. */
  PaceWatch(long bufferFrames) {
    this.bufferFrames = bufferFrames;
  }

  /**
   * Frames were written.
   *
   * @param wasDry whether nothing was left to be heard before
   */
  void wrote(int count, long beforeNanos, long afterNanos, boolean wasDry) {
    frames += count;
    if (frames <= bufferFrames) {
      windowStart = afterNanos;
      dryStart = afterNanos;
      return;
    }
    if (wasDry && filled) {
      dry++;
    }
    filled = true;
    windowFrames += count;
    windowWaiting += afterNanos - beforeNanos;
    if (afterNanos - dryStart > DRY_NANOS) {
      dry = 0;
      dryStart = afterNanos;
    }
    if (afterNanos - windowStart >= WINDOW_NANOS) {
      judge(afterNanos - windowStart);
      windowStart = afterNanos;
      windowFrames = 0;
      windowWaiting = 0;
    }
  }

  private void judge(long elapsedNanos) {
    double pace = windowFrames * 1e9 / OutputLine.FRAME_RATE / elapsedNanos;
    boolean waited = windowWaiting > LEAST_WAITING * elapsedNanos;
    slowWindows = pace < LEAST_PACE && waited ? slowWindows + 1 : 0;
  }

  /** Whether a larger buffer is called for. */
  boolean isTooSmall() {
    return slowWindows >= SLOW_WINDOWS || dry > MOST_DRY;
  }
}
