package flailbeat.core.session.run;

import flailbeat.core.capture.RecordingMode;
import flailbeat.core.capture.RecordingStart;

/**
 * How recordings are made.
 *
 * @param alwaysReplace whether replacing clears what the pass runs over though nothing was played
 * @param catchMs how early a note may come before the start, 0 to {@value #MOST_CATCH_MS} ms
 * @param quantize whether what is recorded is quantized as the timing desk says
 * @param offsetMs how late the person plays, which is taken off: from {@value #MOST_OFFSET_MS} ms
 *     early to as many late
 */
public record RecordSettings(
    RecordingMode mode, boolean alwaysReplace, int catchMs, boolean quantize, double offsetMs) {
  /** Longer than this it would be another note. */
  public static final int MOST_CATCH_MS = 500;

  /** Nobody is farther off than this. */
  public static final int MOST_OFFSET_MS = 250;

  private static final double NANOS_PER_MS = 1e6;

  public RecordSettings {
    if (catchMs < 0 || catchMs > MOST_CATCH_MS) {
      throw new IllegalArgumentException("The catch goes from 0 to 500 ms, not " + catchMs);
    }
    if (!(Math.abs(offsetMs) <= MOST_OFFSET_MS)) {
      throw new IllegalArgumentException(
          "The input offset goes from -250 to 250 ms, not " + offsetMs);
    }
  }

  /** Overdub, a catch of 120 ms, as played, no offset. */
  public static RecordSettings standard() {
    return new RecordSettings(RecordingMode.OVERDUB, false, 120, false, 0);
  }

  /** Settings as a recording was made with. */
  static RecordSettings of(RecordingStart.Manner manner) {
    return new RecordSettings(
        manner.mode(),
        manner.alwaysReplace(),
        manner.catchMs(),
        manner.quantize(),
        manner.offsetMs());
  }

  RecordingStart.Manner manner() {
    return new RecordingStart.Manner(mode, alwaysReplace, catchMs, quantize, offsetMs);
  }

  long catchNanos() {
    return Math.round(catchMs * NANOS_PER_MS);
  }

  long offsetNanos() {
    return Math.round(offsetMs * NANOS_PER_MS);
  }

  public RecordSettings withMode(RecordingMode value) {
    return new RecordSettings(value, alwaysReplace, catchMs, quantize, offsetMs);
  }

  public RecordSettings withAlwaysReplace(boolean value) {
    return new RecordSettings(mode, value, catchMs, quantize, offsetMs);
  }

  public RecordSettings withCatchMs(int value) {
    return new RecordSettings(mode, alwaysReplace, value, quantize, offsetMs);
  }

  public RecordSettings withQuantize(boolean value) {
    return new RecordSettings(mode, alwaysReplace, catchMs, value, offsetMs);
  }

  public RecordSettings withOffsetMs(double value) {
    return new RecordSettings(mode, alwaysReplace, catchMs, quantize, value);
  }
}
