package flailbeat.core.format.smf;

import flailbeat.core.model.TickOrders;
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
  private static final long[] NONE = {};

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

  /** Takes down the orders that are not the usual ones. O(n), and O(k log k) for k at one tick. */
  void take(List<SmfEvent> events, LongUnaryOperator scaled) {
    int from = 0;
    for (int i = 1; i <= events.size(); i++) {
      if (i == events.size() || events.get(i).tick() != events.get(from).tick()) {
        long[] known = i - from > 1 ? known(from, i) : NONE;
        if (!isUsual(known)) {
          orders.add(fileTrack, scaled.applyAsLong(events.get(from).tick()), known);
        }
        from = i;
      }
    }
  }

  private long[] known(int from, int to) {
    return Arrays.stream(refs, from, to).filter(r -> r != TickOrders.UNKNOWN).toArray();
  }

  private static boolean isUsual(long[] refs) {
    for (int i = 1; i < refs.length; i++) {
      if (TickOrders.comesBefore(refs[i], refs[i - 1])) {
        return false;
      }
    }
    return true;
  }
}
