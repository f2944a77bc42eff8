package flailbeat.core.edit;

import flailbeat.core.model.Timed;
import flailbeat.core.model.id.IdSet;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;

/**
 * Notes or control points in order of id, each once: made once for all clips in which they are
 * looked up.
 *
 * @param <E> what they are
 */
final class ById<E extends Timed<E>> {
  private final List<E> elements;
  private final long[] numbers;
  private final IdSet ids;

  private ById(List<E> inOrder) {
    elements = inOrder;
    numbers = inOrder.stream().mapToLong(Timed::idNumber).toArray();
    ids = IdSet.of(numbers);
  }

  /** Elements in any order. */
  static <E extends Timed<E>> ById<E> of(Collection<E> elements) {
    List<E> result = new ArrayList<>(elements);
    for (int i = 1; i < result.size(); i++) {
      if (result.get(i - 1).idNumber() > result.get(i).idNumber()) {
        result.sort(Comparator.comparingLong(Timed::idNumber));
        break;
      }
    }
    return new ById<>(result);
  }

  boolean isEmpty() {
    return elements.isEmpty();
  }

  List<E> elements() {
    return elements;
  }

  IdSet ids() {
    return ids;
  }

  /** The one of an id, which is among them. */
  E get(long id) {
    return elements.get(Arrays.binarySearch(numbers, id));
  }
}
