package flailbeat.core.model;

import flailbeat.core.model.id.IdSet;
import java.util.AbstractList;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import java.util.stream.LongStream;

/**
 * Notes or control points in order, each id once. Immutable; what is made from one by a few changes
 * shares all but a few of its chunks, so that the history of a long clip costs little.
 *
 * <p>It is kept twice, in order of time and in order of id. With n elements, finding one by time,
 * index or id takes O(log n); changing k of them O(k log n + n / {@value Chunks#FULL}), and as much
 * new memory.
 *
 * @param <E> what is in it
 */
public final class Sequence<E extends Timed<E>> extends AbstractList<E> {
  private static final Sequence<Note> NO_NOTES = new Sequence<>(Note.ORDER);
  private static final Sequence<ControlPoint> NO_CONTROLS = new Sequence<>(ControlPoint.ORDER);

  /** With fewer it does not matter how they are put in. */
  private static final int MANY = 1000;

  /** One in so many, and it is quicker to look at each than for each of the ids. */
  private static final int MANY_IDS = 3;

  private final Chunks<E> byTime;
  private final Chunks<E> byId;

  private Sequence(Comparator<E> order) {
    this(Chunks.empty(order), Chunks.empty((a, b) -> Long.compare(a.idNumber(), b.idNumber())));
  }

  private Sequence(Chunks<E> byTime, Chunks<E> byId) {
    this.byTime = byTime;
    this.byId = byId;
  }

  /**
   * Notes, given in any order.
   *
   * @throws IllegalArgumentException when two have one id
   */
  public static Sequence<Note> ofNotes(Collection<Note> notes) {
    return NO_NOTES.holding(notes);
  }

  /**
   * Control points, given in any order.
   *
   * @throws IllegalArgumentException when two have one id
   */
  public static Sequence<ControlPoint> ofControls(Collection<ControlPoint> points) {
    return NO_CONTROLS.holding(points);
  }

  private Sequence<E> holding(Collection<E> elements) {
    List<E> sorted = new ArrayList<>(elements);
    Chunks<E> inTime = byTime.holding(sorted);
    Chunks<E> inIds = byId.holding(sorted);
    for (int i = 1; i < sorted.size(); i++) {
      if (sorted.get(i - 1).idNumber() == sorted.get(i).idNumber()) {
        throw new IllegalArgumentException(
            "the number " + sorted.get(i).idNumber() + " is given twice");
      }
    }
    return new Sequence<>(inTime, inIds);
  }

  @Override
  public int size() {
    return byTime.size();
  }

  @Override
  public E get(int index) {
    return byTime.get(index);
  }

  @Override
  public Iterator<E> iterator() {
    return byTime.iterator();
  }

  /** The one of an id. */
  public Optional<E> find(long id) {
    return byId.find(e -> Long.compare(e.idNumber(), id));
  }

  /**
   * Those of some ids, in order of id. Far quicker than one by one.
   *
   * @param ids in rising order; those that none has are passed over
   */
  public List<E> findAll(long[] ids) {
    return byId.findAll(ids);
  }

  /**
   * Those of some ids, in order of id, found in whichever way is quicker: O(k log n), where only
   * those k ids count that lie between its lowest and its highest, and O(n) at most.
   */
  public List<E> findAll(IdSet ids) {
    if (isEmpty() || ids.isEmpty()) {
      return List.of();
    }
    long[] near = ids.between(byId.get(0).idNumber(), byId.get(size() - 1).idNumber());
    if (near.length * MANY_IDS < size()) {
      return byId.findAll(near);
    }
    List<E> result = new ArrayList<>(Math.min(near.length, size()));
    for (E element : byId) {
      if (ids.has(element.idNumber())) {
        result.add(element);
      }
    }
    return result;
  }

  /** The same without those of some ids; ids that none has are passed over. */
  public Sequence<E> without(IdSet ids) {
    return edited(findAll(ids), List.of());
  }

  private static long[] sorted(LongStream ids) {
    return ids.sorted().toArray();
  }

  /** How many begin before a tick: the index of the first that does not. */
  public int indexAt(long tick) {
    return byTime.countBefore(e -> e.tick() < tick);
  }

  /** Those that begin from one tick up to but not including another. */
  public List<E> beginningIn(long from, long to) {
    int first = indexAt(from);
    return subList(first, Math.max(first, indexAt(to)));
  }

  /** Shows those that begin before {@code to} and end after {@code from}, in order. */
  public void forEachIn(long from, long to, Consumer<E> each) {
    byTime.forEachReaching(from, e -> e.tick() < to, each);
  }

  /** The latest tick at which one ends; 0 without any. */
  public long end() {
    return byTime.end();
  }

  /** The same with some put in, each in the place of the one that has its id, if there is one. */
  public Sequence<E> with(Collection<E> put) {
    if (put.isEmpty()) {
      return this;
    }
    if (put.size() > MANY && put.size() > size() / 2) {
      return madeAnew(put);
    }
    List<E> gone = findAll(sorted(put.stream().mapToLong(Timed::idNumber)));
    boolean same = put.size() == 1 && gone.size() == 1 && gone.get(0) == put.iterator().next();
    return same ? this : edited(gone, List.copyOf(put));
  }

  /** With so many put in that hardly a chunk could be shared: each of them is looked at once. */
  private Sequence<E> madeAnew(Collection<E> put) {
    Replacing<E> replacing = new Replacing<>(put);
    List<E> inTime = new ArrayList<>(size() + put.size());
    List<E> inIds = new ArrayList<>(size() + put.size());
    byTime.forEach(e -> inTime.add(replacing.of(e)));
    byId.forEach(e -> inIds.add(replacing.of(e)));
    List<E> come = replacing.others();
    inTime.addAll(come);
    inIds.addAll(come);
    return new Sequence<>(byTime.holding(inTime), byId.holding(inIds));
  }

  /** The same without those of some ids; ids that none has are passed over. */
  public Sequence<E> withoutIds(Collection<Long> ids) {
    return edited(findAll(sorted(ids.stream().mapToLong(Long::longValue))), List.of());
  }

  private Sequence<E> edited(List<E> gone, List<E> come) {
    return gone.isEmpty() && come.isEmpty()
        ? this
        : new Sequence<>(byTime.edited(gone, come), byId.edited(gone, come));
  }

  /** All of them put through a function that leaves their ids as they are. O(n log n). */
  public Sequence<E> map(UnaryOperator<E> change) {
    List<E> result = new ArrayList<>(size());
    forEach(e -> result.add(change.apply(e)));
    return new Sequence<E>(byTime.cleared(), byId.cleared()).holding(result);
  }

  /** All of them so many ticks later. */
  public Sequence<E> shifted(long ticks) {
    return ticks == 0 || isEmpty() ? this : map(e -> e.shifted(ticks));
  }

  /**
   * What makes this of an earlier version of it. What the two share is not looked at: O(n / {@value
   * Chunks#FULL}) and the size of the chunks in which they differ.
   */
  public Difference<E> since(Sequence<E> before) {
    List<E> was = before.byId.outside(byId);
    List<E> is = byId.outside(before.byId);
    List<E> gone = new ArrayList<>();
    List<E> come = new ArrayList<>();
    int w = 0;
    int i = 0;
    while (w < was.size() || i < is.size()) {
      long older = w < was.size() ? was.get(w).idNumber() : Long.MAX_VALUE;
      long newer = i < is.size() ? is.get(i).idNumber() : Long.MAX_VALUE;
      boolean same = older == newer && was.get(w).equals(is.get(i));
      if (older <= newer) {
        E element = was.get(w++);
        if (!same) {
          gone.add(element);
        }
      }
      if (newer <= older) {
        E element = is.get(i++);
        if (!same) {
          come.add(element);
        }
      }
    }
    return new Difference<>(gone, come);
  }

  /** How many chunks are the same objects in both: what the two share. */
  int sharedChunks(Sequence<E> other) {
    return byTime.shared(other.byTime) + byId.shared(other.byId);
  }

  /** How many chunks it is kept in. */
  int chunks() {
    return byTime.count() + byId.count();
  }
}
