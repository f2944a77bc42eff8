package flailbeat.core.time;

import java.util.Arrays;
import java.util.Optional;

/**
 * The moments at which a note value recurs, in nanoseconds. Immutable. A look-up costs a binary
 * search and allocates nothing.
 */
public final class Pulses {
  /** None at all. */
  public static final Pulses NONE = new Pulses(new long[0], null);

  private static final int MOST = 100_000;

  private final long[] nanos;

  /** What is gone round; null for nothing, since the audio thread asks. */
  private final Loop loop;

  private Pulses(long[] nanos, Loop loop) {
    this.nanos = nanos;
    this.loop = loop;
  }

  /**
   * The lines of a note value over a stretch of a song, counted from each bar's start, in song
   * time.
   *
   * @param swing {@value GridLines#EVEN} to {@value GridLines#MOST_SWING} per cent
   * @param loop the loop that the stretch is, if it is gone round
   */
  public static Pulses over(
      TickRange range,
      NoteValue value,
      double swing,
      TempoMap tempos,
      MeterMap meters,
      Optional<Loop> loop) {
    GridLines lines = new GridLines(Grid.of(value), meters, swing);
    long[] found = new long[256];
    int size = 0;
    for (long tick = lines.after(range.start() - 1);
        tick < range.end() && size < MOST;
        tick = lines.after(tick)) {
      if (size == found.length) {
        found = Arrays.copyOf(found, 2 * size);
      }
      found[size++] = tempos.nanosAt(tick);
    }
    return new Pulses(Arrays.copyOf(found, size), loop.orElse(null));
  }

  /** The same, so much later. */
  public Pulses shifted(long byNanos) {
    return new Pulses(Arrays.stream(nanos).map(n -> n + byNanos).toArray(), null);
  }

  public int size() {
    return nanos.length;
  }

  public long nanosAt(int index) {
    return nanos[index];
  }

  /** The first one at or after a time; {@link #size()} when there is none. */
  public int firstAtOrAfter(long time) {
    int found = Arrays.binarySearch(nanos, time);
    return found >= 0 ? found : -found - 1;
  }

  /** The last one there is; the beginning of time without any. */
  public long horizonNanos() {
    return loop != null || nanos.length == 0 ? Long.MAX_VALUE : nanos[nanos.length - 1];
  }

  /** The first one after an unrolled time, in unrolled time; the end of time without any. */
  public long after(long unrolled) {
    if (nanos.length == 0) {
      return Long.MAX_VALUE;
    }
    long shift = loop == null ? 0 : loop.turn(unrolled) * loop.length();
    int next = firstAtOrAfter(unrolled - shift + 1);
    if (next < nanos.length && (loop == null || nanos[next] < loop.end())) {
      return nanos[next] + shift;
    }
    if (loop == null) {
      return Long.MAX_VALUE;
    }
    int first = firstAtOrAfter(loop.start());
    return first < nanos.length ? nanos[first] + shift + loop.length() : Long.MAX_VALUE;
  }
}
