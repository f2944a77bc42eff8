package flailbeat.core.model;

import flailbeat.core.time.Ticks;

/**
 * When a note was played, in ticks at the tempo it was played to; or where it was put.
 *
 * @param onset may lie before the song's start, as of a note struck just ahead of bar 1; {@link
 *     #FIRST} at the least
 * @param release after {@code onset}; {@link #LAST} at the most
 * @param isPerformed whether it was played, and may be early or late; else it was put there:
 *     entered by steps or drawn, and stands exactly where it was meant
 */
public record Played(long onset, long release, boolean isPerformed) {
  /** The earliest tick at which anything was played. */
  public static final long FIRST = -2 * Ticks.LAST;

  /** The latest tick at which anything was let go. */
  public static final long LAST = 2 * Ticks.LAST;

  public Played {
    if (release <= onset || onset < FIRST || release > LAST) {
      throw new IllegalArgumentException(
          "A note struck at " + onset + " cannot be let go at " + release);
    }
  }

  /** A stroke that was played. */
  public Played(long onset, long release) {
    this(onset, release, true);
  }

  /** What was put at its place. */
  public static Played put(long onset, long release) {
    return new Played(onset, release, false);
  }

  /** The same at other ticks, as far as they lie within bounds: played or put as it was. */
  public Played at(long newOnset, long newRelease) {
    Played there = within(newOnset, newRelease);
    return isPerformed ? there : put(there.onset, there.release);
  }

  public long length() {
    return release - onset;
  }

  /** A stroke at ticks that may lie beyond all bounds, as far as it lies within them. */
  public static Played within(long onset, long release) {
    long start = Math.clamp(onset, FIRST, LAST - 1);
    return new Played(start, Math.clamp(release, start + 1, LAST));
  }

  /** The same stroke, so many ticks later, or as many as the bounds allow. */
  public Played shifted(long ticks) {
    long by = Math.clamp(ticks, FIRST - onset, LAST - release);
    return new Played(onset + by, release + by, isPerformed);
  }
}
