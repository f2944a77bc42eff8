package flailbeat.core.format.smf;

import java.util.Comparator;
import java.util.List;

/**
 * Notes of one pitch on one channel, as a file can say them. A file has no names for notes: the
 * first to begin is taken to be the first to end. Where one ends before another that began sooner,
 * the two would be read with each other's ends; so the sooner one is ended where the later begins.
 */
final class Overlaps {
  /** Something from one tick to another, whose end may have to be moved. */
  static final class Span {
    private final long on;
    private long off;

    Span(long on, long off) {
      this.on = on;
      this.off = off;
    }

    long on() {
      return on;
    }

    long off() {
      return off;
    }
  }

  private Overlaps() {}

  /** Says how many notes were trimmed. */
  static String told(int trimmed) {
    return (trimmed == 1 ? "1 note ends" : trimmed + " notes end")
        + " where another of the same pitch begins, since a MIDI file cannot tell them apart";
  }

  /**
   * Ends sooner what has to, and says how many; brings them in the order to be written. O(n log n).
   */
  static int trim(List<Span> spans) {
    spans.sort(Comparator.comparingLong(Span::on).thenComparingLong(Span::off));
    int trimmed = 0;
    // From the last to the first: nothing may end later than the soonest end of what begins after
    // it.
    long soonestEnd = Long.MAX_VALUE;
    for (int i = spans.size() - 1; i >= 0; i--) {
      Span span = spans.get(i);
      if (span.off > soonestEnd) {
        span.off = nextOn(spans, i);
        trimmed++;
      }
      soonestEnd = Math.min(soonestEnd, span.off);
    }
    return trimmed;
  }

  private static long nextOn(List<Span> spans, int index) {
    for (int i = index + 1; i < spans.size(); i++) {
      if (spans.get(i).on > spans.get(index).on) {
        return spans.get(i).on;
      }
    }
    throw new IllegalStateException("what begins together is in order of its ends");
  }
}
