package flailbeat.core.time;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToLongFunction;

/** What the tempo map and the meter map share: a list of changes in order of tick, and look-ups. */
final class SortedChanges {
  private SortedChanges() {}

  /** Checks the order, drops all but the last of several at one tick, and puts one at tick 0. */
  static <C> List<C> tidy(List<C> changes, ToLongFunction<C> tick, C first) {
    List<C> result = new ArrayList<>();
    if (changes.isEmpty() || tick.applyAsLong(changes.get(0)) != 0) {
      result.add(first);
    }
    long previous = 0;
    for (C change : changes) {
      long at = Ticks.require(tick.applyAsLong(change));
      if (at < previous) {
        throw new IllegalArgumentException("A change at tick " + at + " after one at " + previous);
      }
      if (at == previous && !result.isEmpty()) {
        result.remove(result.size() - 1);
      }
      result.add(change);
      previous = at;
    }
    return result;
  }

  /** Index of the last key at or before the value; 0 when it lies before all. */
  static int lastAtOrBefore(long[] keys, long value) {
    if (keys.length == 1) {
      return 0;
    }
    int found = Arrays.binarySearch(keys, value);
    return found >= 0 ? found : Math.max(0, -found - 2);
  }

  /** With one in the place of what is at its tick, if anything is; in order of tick. */
  static <C> List<C> with(List<C> changes, ToLongFunction<C> tick, C added) {
    long at = tick.applyAsLong(added);
    List<C> result = new ArrayList<>(changes);
    result.removeIf(c -> tick.applyAsLong(c) == at);
    result.add(added);
    result.sort(Comparator.comparingLong(tick));
    return result;
  }

  /** Without what is at a tick; what begins the song stays. */
  static <C> List<C> without(List<C> changes, ToLongFunction<C> tick, long at) {
    return changes.stream()
        .filter(c -> tick.applyAsLong(c) != at || tick.applyAsLong(c) == 0)
        .toList();
  }
}
