package flailbeat.core.edit;

import flailbeat.core.model.Note;
import flailbeat.core.model.id.IdSet;
import flailbeat.core.model.id.NoteId;
import java.util.AbstractSet;
import java.util.Arrays;
import java.util.Collection;
import java.util.Iterator;
import java.util.Set;
import java.util.function.LongPredicate;
import java.util.stream.LongStream;

/**
 * Ids of notes as an immutable set over a sorted array: a selection of ten thousand is made, looked
 * up and compared with each move of the mouse.
 */
public final class NoteIds extends AbstractSet<NoteId> {
  private final long[] values;
  private final IdSet numbers;

  private NoteIds(long[] ids) {
    values = isRising(ids) ? ids : LongStream.of(ids).sorted().distinct().toArray();
    numbers = IdSet.of(values);
  }

  private static boolean isRising(long[] ids) {
    for (int i = 1; i < ids.length; i++) {
      if (ids[i - 1] >= ids[i]) {
        return false;
      }
    }
    return true;
  }

  public static Set<NoteId> of(Collection<NoteId> ids) {
    return ids.isEmpty()
        ? Set.of()
        : ids instanceof NoteIds same
            ? same
            : new NoteIds(ids.stream().mapToLong(NoteId::value).toArray());
  }

  public static Set<NoteId> ofNotes(Collection<Note> notes) {
    return notes.isEmpty() ? Set.of() : new NoteIds(numbers(notes));
  }

  /** Their numbers, for looking them up in many clips. */
  static IdSet numbers(Set<NoteId> ids) {
    return ids instanceof NoteIds known ? known.numbers : IdSet.of(values(ids));
  }

  private static long[] numbers(Collection<Note> notes) {
    long[] ids = new long[notes.size()];
    int at = 0;
    for (Note note : notes) {
      ids[at++] = note.idNumber();
    }
    return ids;
  }

  /** All of both. */
  public static Set<NoteId> union(Set<NoteId> a, Set<NoteId> b) {
    return a.isEmpty()
        ? of(b)
        : b.isEmpty()
            ? of(a)
            : new NoteIds(
                LongStream.concat(Arrays.stream(values(a)), Arrays.stream(values(b))).toArray());
  }

  /** Their numbers in rising order; not to be changed. */
  static long[] values(Set<NoteId> ids) {
    return ids instanceof NoteIds known
        ? known.values
        : ids.stream().mapToLong(NoteId::value).sorted().toArray();
  }

  /** Whether a number is one of some ids: for looking at a great many notes. */
  public static LongPredicate test(Set<NoteId> ids) {
    return numbers(ids)::has;
  }

  @Override
  public boolean contains(Object element) {
    return element instanceof NoteId id && Arrays.binarySearch(values, id.value()) >= 0;
  }

  @Override
  public Iterator<NoteId> iterator() {
    return Arrays.stream(values).mapToObj(NoteId::new).iterator();
  }

  @Override
  public int size() {
    return values.length;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof NoteIds ids ? Arrays.equals(values, ids.values) : super.equals(other);
  }

  /** As {@link Set#hashCode()} says: the sum of what its elements have. */
  @Override
  public int hashCode() {
    return super.hashCode();
  }
}
