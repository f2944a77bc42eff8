package flailbeat.core.format.smf;

import flailbeat.core.model.carried.TickOrders;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongUnaryOperator;

/**
 * In what order the events of one track stand at each tick, taken down where it is not the usual
 * one: see {@link TickOrders}.
 */
final class FileOrder {
  private final int fileTrack;
  private final TickOrders.Builder orders;
  private final long[] refs;
  private final Map<Long, Integer> carriedAt = new HashMap<>();

  FileOrder(int fileTrack, TickOrders.Builder orders, int events) {
    this.fileTrack = fileTrack;
    this.orders = orders;
    this.refs = new long[events];
    Arrays.fill(refs, TickOrders.UNKNOWN);
  }

  /** Says what the event of an index has become. */
  void put(int index, long ref) {
    refs[index] = ref;
  }

  /** The event of an index is carried, and stands at a tick of the song. */
  void putCarried(int index, long tick) {
    refs[index] = TickOrders.carried(carriedAt.merge(tick, 1, Integer::sum) - 1);
  }

  /**
   * Takes down the orders that are not the usual ones. O(k) for k events with others at their tick.
   *
   * @param together the events that have another one behind them at their tick
   */
  void take(List<SmfEvent> events, int[] together, LongUnaryOperator scaled) {
    for (int i = 0; i < together.length; ) {
      int from = together[i];
      int to = from + 1;
      while (i < together.length && together[i] == to - 1) {
        i++;
        to++;
      }
      if (!isUsual(from, to)) {
        long[] known = Arrays.stream(refs, from, to).filter(r -> r != TickOrders.UNKNOWN).toArray();
        orders.add(fileTrack, scaled.applyAsLong(events.get(from).tick()), known);
      }
    }
  }

  private boolean isUsual(int from, int to) {
    long before = TickOrders.UNKNOWN;
    for (int i = from; i < to; i++) {
      if (refs[i] != TickOrders.UNKNOWN) {
        if (before != TickOrders.UNKNOWN && TickOrders.comesBefore(refs[i], before)) {
          return false;
        }
        before = refs[i];
      }
    }
    return true;
  }
}
