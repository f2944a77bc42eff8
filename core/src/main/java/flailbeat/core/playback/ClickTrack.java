package flailbeat.core.playback;

import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.Arrays;

/**
 * The metronome's clicks over a stretch of song time: one on each beat of the meter, the first beat
 * of a bar accented. Immutable.
 */
public final class ClickTrack {
  /** No clicks. */
  public static final ClickTrack NONE = new ClickTrack(new long[0], new boolean[0], 0);

  /** More than this many are never made at once; it is over an hour at most tempos. */
  private static final int MOST = 200_000;

  private final long[] nanos;
  private final boolean[] accents;
  private final long horizonNanos;

  private ClickTrack(long[] nanos, boolean[] accents, long horizonNanos) {
    this.nanos = nanos;
    this.accents = accents;
    this.horizonNanos = horizonNanos;
  }

  /** Clicks from one tick, which may be negative, up to but not including another. */
  public static ClickTrack between(long from, long to, TempoMap tempos, MeterMap meters) {
    long[] nanos = new long[64];
    boolean[] accents = new boolean[64];
    int size = 0;
    long tick = meters.beatAtOrAfter(from);
    while (tick < to && size < MOST) {
      if (size == nanos.length) {
        nanos = Arrays.copyOf(nanos, size * 2);
        accents = Arrays.copyOf(accents, size * 2);
      }
      nanos[size] = tempos.nanosAt(tick);
      accents[size++] = meters.barRangeAt(tick).start() == tick;
      tick = meters.beatAtOrAfter(tick + 1);
    }
    return new ClickTrack(
        Arrays.copyOf(nanos, size), Arrays.copyOf(accents, size), tempos.nanosAt(tick));
  }

  /** Clicks at moments of one's own, in order; at least one. */
  public static ClickTrack of(long[] nanos, boolean[] accents) {
    return new ClickTrack(nanos.clone(), accents.clone(), nanos[nanos.length - 1]);
  }

  public int size() {
    return nanos.length;
  }

  public long nanosAt(int index) {
    return nanos[index];
  }

  public boolean isAccent(int index) {
    return accents[index];
  }

  /** Song time up to which the clicks are complete. */
  public long horizonNanos() {
    return horizonNanos;
  }

  /** The first click at or after a song time. */
  public int firstAtOrAfter(long songNanos) {
    int found = Arrays.binarySearch(nanos, songNanos);
    return found >= 0 ? found : -found - 1;
  }
}
