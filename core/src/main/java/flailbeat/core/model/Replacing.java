package flailbeat.core.model;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;

/**
 * Elements that come in the place of those that have their ids. Looking one up takes O(1) where the
 * ids lie close, else O(log k) for k of them.
 *
 * @param <E> what they are
 */
final class Replacing<E extends Timed<E>> {
  /** With more room to each id than this, a table would take too much of it. */
  private static final long SPARSE = 8;

  private final List<E> byId;
  private final long[] ids;
  private final int[] places;
  private final boolean[] found;

  Replacing(Collection<E> elements) {
    byId = new ArrayList<>(elements);
    if (!isInOrder(byId)) {
      byId.sort(Comparator.comparingLong(Timed::idNumber));
    }
    ids = new long[byId.size()];
    for (int i = 0; i < ids.length; i++) {
      ids[i] = byId.get(i).idNumber();
      if (i > 0 && ids[i] == ids[i - 1]) {
        throw new IllegalArgumentException("the number " + ids[i] + " is given twice");
      }
    }
    found = new boolean[ids.length];
    long span = ids[ids.length - 1] - ids[0] + 1;
    places = span <= SPARSE * ids.length ? table((int) span) : new int[0];
  }

  private static boolean isInOrder(List<? extends Timed<?>> elements) {
    for (int i = 1; i < elements.size(); i++) {
      if (elements.get(i - 1).idNumber() > elements.get(i).idNumber()) {
        return false;
      }
    }
    return true;
  }

  private int[] table(int span) {
    int[] result = new int[span];
    Arrays.fill(result, -1);
    for (int i = 0; i < ids.length; i++) {
      result[(int) (ids[i] - ids[0])] = i;
    }
    return result;
  }

  /** What comes in the place of an element; itself where nothing does. */
  E of(E element) {
    int at = placeOf(element.idNumber());
    if (at < 0) {
      return element;
    }
    found[at] = true;
    return byId.get(at);
  }

  private int placeOf(long id) {
    if (places.length == 0) {
      return Arrays.binarySearch(ids, id);
    }
    long at = id - ids[0];
    return at >= 0 && at < places.length ? places[(int) at] : -1;
  }

  /** Those that came in the place of none so far. */
  List<E> others() {
    List<E> result = new ArrayList<>();
    for (int i = 0; i < found.length; i++) {
      if (!found[i]) {
        result.add(byId.get(i));
      }
    }
    return result;
  }
}
