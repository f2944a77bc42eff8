package flailbeat.core.model.id;

import java.util.Arrays;
import java.util.BitSet;
import java.util.stream.LongStream;

/**
 * The numbers of some ids, for looking many elements up in many clips: asking for one costs O(1)
 * where the ids lie close, else O(log k) for k of them.
 */
public final class IdSet {
  /** With more room to each id than this, bits would take too much of it. */
  private static final long SPARSE = 1000;

  private final long[] values;
  private volatile BitSet bits;

  private IdSet(long[] values) {
    this.values = values;
  }

  /** Of numbers in any order. */
  public static IdSet ofAny(LongStream numbers) {
    return new IdSet(numbers.sorted().distinct().toArray());
  }

  /**
   * Of numbers.
   *
   * @param rising in rising order, each once; not changed from now on
   */
  public static IdSet of(long[] rising) {
    return new IdSet(rising);
  }

  public boolean isEmpty() {
    return values.length == 0;
  }

  /** Whether a number is one of them. */
  public boolean has(long id) {
    if (values.length == 0 || id < values[0] || id > values[values.length - 1]) {
      return false;
    }
    long span = values[values.length - 1] - values[0];
    if (span > SPARSE * values.length) {
      return Arrays.binarySearch(values, id) >= 0;
    }
    BitSet known = bits;
    if (known == null) {
      known = bits((int) span);
      bits = known;
    }
    return known.get((int) (id - values[0]));
  }

  private BitSet bits(int span) {
    BitSet result = new BitSet(span + 1);
    for (long id : values) {
      result.set((int) (id - values[0]));
    }
    return result;
  }

  /** Those from one number to another, both included; not to be changed. */
  public long[] between(long first, long last) {
    int from = firstFrom(first);
    int to = last == Long.MAX_VALUE ? values.length : firstFrom(last + 1);
    return from == 0 && to == values.length ? values : Arrays.copyOfRange(values, from, to);
  }

  private int firstFrom(long id) {
    int found = Arrays.binarySearch(values, id);
    return found >= 0 ? found : -found - 1;
  }
}
