package flailbeat.core.model;

/**
 * When a note was played, in ticks at the tempo it was played to.
 *
 * @param onset may lie before the song's start: a note struck just ahead of bar 1
 * @param release after {@code onset}
 */
public record Played(long onset, long release) {
  public Played {
    if (release <= onset) {
      throw new IllegalArgumentException(
          "A note struck at " + onset + " cannot be let go at " + release);
    }
  }

  public long length() {
    return release - onset;
  }

  /** The same stroke, so many ticks later. */
  public Played shifted(long ticks) {
    return new Played(onset + ticks, release + ticks);
  }
}
