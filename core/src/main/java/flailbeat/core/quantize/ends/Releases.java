package flailbeat.core.quantize.ends;

/**
 * When keys came up, and where each note may have been meant to end. The possible ends of note i
 * are those from {@code first[i]} up to {@code first[i + 1]}, in order of time, all after its
 * onset; there may be none.
 *
 * @param onsetMs where each note is meant to begin
 * @param releaseMs when its key came up, less the lag of the onsets
 * @param first n + 1 places
 * @param endMs when each possible end comes
 * @param kind what each is
 * @param weight how likely each is among those of its note that are of its kind, up to a factor
 */
public record Releases(
    double[] onsetMs,
    double[] releaseMs,
    int[] first,
    double[] endMs,
    Kind[] kind,
    double[] weight) {
  /** What a possible end is. */
  public enum Kind {
    /** The next onset: the note fills the time up to it. */
    FILLS,
    /** Before the next onset: a rest follows. */
    RESTS,
    /** Beyond the next onset, where a later one is: it is held while others begin. */
    HELD,
    /** Beyond the next onset, where none is. */
    BEYOND
  }

  int size() {
    return onsetMs.length;
  }
}
