package flailbeat.core.model;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/** Elements in an order, in chunks; what an edit does not touch is shared. */
final class Chunks<E extends Timed<E>> implements Iterable<E> {
  /** How many elements a chunk holds at most: copying one costs about as much as the list. */
  static final int FULL = 512;

  private static final int SPARSE = FULL / 8;

  /** Its elements, and the latest of their ends. */
  private record Chunk(Object[] elements, long end) {}

  interface Probe<E> {
    /** Less than 0 for an element before the one that is looked for, 0 for that one. */
    int compare(E element);
  }

  interface Before<E> {
    boolean test(E element);
  }

  private final Comparator<E> order;
  private final Chunk[] chunks;
  private final int[] firsts;

  private Chunks(Comparator<E> order, Chunk[] chunks) {
    this.order = order;
    this.chunks = chunks;
    this.firsts = new int[chunks.length + 1];
    for (int i = 0; i < chunks.length; i++) {
      firsts[i + 1] = firsts[i] + chunks[i].elements().length;
    }
  }

  static <E extends Timed<E>> Chunks<E> empty(Comparator<E> order) {
    return new Chunks<>(order, new Chunk[0]);
  }

  Chunks<E> cleared() {
    return empty(order);
  }

  int size() {
    return firsts[chunks.length];
  }

  int count() {
    return chunks.length;
  }

  long end() {
    long end = 0;
    for (Chunk chunk : chunks) {
      end = Math.max(end, chunk.end());
    }
    return end;
  }

  int shared(Chunks<E> other) {
    return (int) Arrays.stream(chunks).filter(Arrays.asList(other.chunks)::contains).count();
  }

  /** Its elements in chunks that another does not have, in order. */
  List<E> outside(Chunks<E> other) {
    Set<Chunk> shared = Collections.newSetFromMap(new IdentityHashMap<>());
    Collections.addAll(shared, other.chunks);
    List<E> result = new ArrayList<>();
    for (int chunk = 0; chunk < chunks.length; chunk++) {
      for (int i = 0; !shared.contains(chunks[chunk]) && i < sizeOf(chunk); i++) {
        result.add(at(chunk, i));
      }
    }
    return result;
  }

  private int sizeOf(int chunk) {
    return chunks[chunk].elements().length;
  }

  @SuppressWarnings("unchecked")
  private E at(int chunk, int index) {
    return (E) chunks[chunk].elements()[index];
  }

  E get(int index) {
    if (index < 0 || index >= size()) {
      throw new IndexOutOfBoundsException("No element " + index + " of " + size());
    }
    int found = Arrays.binarySearch(firsts, index);
    int chunk = found >= 0 ? found : -found - 2;
    return at(chunk, index - firsts[chunk]);
  }

  Optional<E> find(Probe<E> probe) {
    int chunk = chunksBefore(e -> probe.compare(e) <= 0) - 1;
    if (chunk < 0) {
      return Optional.empty();
    }
    int index = countIn(chunk, e -> probe.compare(e) < 0);
    boolean there = index < chunks[chunk].elements().length && probe.compare(at(chunk, index)) == 0;
    return there ? Optional.of(at(chunk, index)) : Optional.empty();
  }

  /**
   * Those of some ids, where the order is that of ids.
   *
   * @param ids in rising order; those that none has are passed over
   */
  List<E> findAll(long[] ids) {
    List<E> result = new ArrayList<>(Math.min(ids.length, size()));
    int chunk = 0;
    int index = 0;
    for (long id : ids) {
      while (chunk < chunks.length && lastId(chunk) < id) {
        chunk++;
        index = 0;
      }
      if (chunk == chunks.length) {
        break;
      }
      index = firstFrom(chunk, index, id);
      if (at(chunk, index).idNumber() == id) {
        result.add(at(chunk, index));
      }
    }
    return result;
  }

  private long lastId(int chunk) {
    return at(chunk, chunks[chunk].elements().length - 1).idNumber();
  }

  /**
   * The first element of a chunk, from an index on, whose id is no less; there is one. It is looked
   * for in steps that grow, since ids that are wanted together mostly lie together.
   */
  private int firstFrom(int chunk, int from, long id) {
    int last = chunks[chunk].elements().length - 1;
    int low = from;
    int step = 1;
    while (low + step <= last && at(chunk, low + step - 1).idNumber() < id) {
      low += step;
      step *= 2;
    }
    int high = Math.min(last, low + step - 1);
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (at(chunk, mid).idNumber() < id) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low;
  }

  /** How many elements, all at the beginning, pass a test. */
  int countBefore(Before<E> before) {
    int chunk = chunksBefore(before) - 1;
    return chunk < 0 ? 0 : firsts[chunk] + countIn(chunk, before);
  }

  /** How many chunks begin with an element that passes a test. */
  private int chunksBefore(Before<E> before) {
    int low = 0;
    int high = chunks.length;
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (before.test(at(mid, 0))) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low;
  }

  private int countIn(int chunk, Before<E> before) {
    int low = 0;
    int high = chunks[chunk].elements().length;
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (before.test(at(chunk, mid))) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low;
  }

  void forEachReaching(long from, Before<E> before, Consumer<E> each) {
    for (int c = 0; c < chunks.length; c++) {
      if (!before.test(at(c, 0))) {
        return;
      }
      if (chunks[c].end() > from) {
        int to = countIn(c, before);
        for (int i = 0; i < to; i++) {
          E element = at(c, i);
          if (element.end() > from) {
            each.accept(element);
          }
        }
      }
    }
  }

  @Override
  public Iterator<E> iterator() {
    return new Iterator<>() {
      private int chunk;
      private int index;

      @Override
      public boolean hasNext() {
        return chunk < chunks.length;
      }

      @Override
      public E next() {
        if (!hasNext()) {
          throw new NoSuchElementException();
        }
        E element = at(chunk, index++);
        if (index == chunks[chunk].elements().length) {
          chunk++;
          index = 0;
        }
        return element;
      }
    };
  }

  /** Holds just these elements, which are put in order on the way. */
  Chunks<E> holding(List<E> elements) {
    sort(elements);
    List<Chunk> made = new ArrayList<>();
    addAll(made, elements);
    return new Chunks<>(order, made.toArray(Chunk[]::new));
  }

  private void sort(List<E> elements) {
    for (int i = 1; i < elements.size(); i++) {
      if (order.compare(elements.get(i - 1), elements.get(i)) > 0) {
        elements.sort(order);
        return;
      }
    }
  }

  /** Adds elements in order as chunks of like size. */
  private void addAll(List<Chunk> made, List<E> elements) {
    int parts = Math.ceilDiv(elements.size(), FULL);
    for (int i = 0; i < parts; i++) {
      int from = (int) ((long) elements.size() * i / parts);
      int to = (int) ((long) elements.size() * (i + 1) / parts);
      made.add(chunk(elements.subList(from, to)));
    }
  }

  private Chunk chunk(List<E> elements) {
    long end = 0;
    for (E element : elements) {
      end = Math.max(end, element.end());
    }
    return new Chunk(elements.toArray(), end);
  }

  /** Without some that are here and with some that are not. */
  Chunks<E> edited(List<E> gone, List<E> come) {
    List<E> out = new ArrayList<>(gone);
    List<E> in = new ArrayList<>(come);
    sort(out);
    sort(in);
    List<Chunk> made = new ArrayList<>(chunks.length + 1);
    int outAt = 0;
    int inAt = 0;
    int next = 0;
    while (outAt < out.size() || inAt < in.size()) {
      int touched = Math.max(next, chunkFor(first(out, outAt, in, inAt)));
      made.addAll(Arrays.asList(chunks).subList(next, Math.min(touched, chunks.length)));
      int outTo = upTo(out, outAt, touched + 1);
      int inTo = upTo(in, inAt, touched + 1);
      List<E> kept = new ArrayList<>(FULL);
      if (touched < chunks.length) {
        merge(touched, out.subList(outAt, outTo), in.subList(inAt, inTo), kept);
      } else {
        kept.addAll(in.subList(inAt, inTo));
      }
      add(made, kept);
      outAt = outTo;
      inAt = inTo;
      next = touched + 1;
    }
    if (next < chunks.length) {
      made.addAll(Arrays.asList(chunks).subList(next, chunks.length));
    }
    return new Chunks<>(order, made.toArray(Chunk[]::new));
  }

  private E first(List<E> out, int outAt, List<E> in, int inAt) {
    if (outAt == out.size()) {
      return in.get(inAt);
    }
    boolean inFirst = inAt < in.size() && order.compare(in.get(inAt), out.get(outAt)) < 0;
    return inFirst ? in.get(inAt) : out.get(outAt);
  }

  /** The chunk that an element is in or belongs into. */
  private int chunkFor(E element) {
    return Math.max(0, chunksBefore(e -> order.compare(e, element) <= 0) - 1);
  }

  /** The index after those of a list that lie before a chunk. */
  private int upTo(List<E> list, int from, int chunk) {
    if (chunk >= chunks.length) {
      return list.size();
    }
    E limit = at(chunk, 0);
    int low = from;
    int high = list.size();
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (order.compare(list.get(mid), limit) < 0) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low;
  }

  private void merge(int chunk, List<E> out, List<E> in, List<E> kept) {
    int outAt = 0;
    int inAt = 0;
    for (int i = 0; i < chunks[chunk].elements().length; i++) {
      E element = at(chunk, i);
      if (outAt < out.size() && out.get(outAt) == element) {
        outAt++;
        continue;
      }
      while (inAt < in.size() && order.compare(in.get(inAt), element) < 0) {
        kept.add(in.get(inAt++));
      }
      kept.add(element);
    }
    kept.addAll(in.subList(inAt, in.size()));
  }

  /** Adds what is left of a chunk; a little is added to the chunk before it. */
  @SuppressWarnings("unchecked")
  private void add(List<Chunk> made, List<E> kept) {
    boolean joins =
        kept.size() <= SPARSE
            && !made.isEmpty()
            && made.getLast().elements().length + kept.size() <= FULL;
    if (joins && !kept.isEmpty()) {
      List<E> both = new ArrayList<>();
      for (Object element : made.removeLast().elements()) {
        both.add((E) element);
      }
      both.addAll(kept);
      made.add(chunk(both));
    } else {
      addAll(made, kept);
    }
  }
}
