package flailbeat.core.edit;

import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import java.util.AbstractSet;
import java.util.Arrays;
import java.util.Collection;
import java.util.Iterator;
import java.util.Set;
import java.util.stream.LongStream;

/**
 * Ids of notes as an immutable set over a sorted array: a selection of ten thousand is made, looked
 * up and compared with each move of the mouse.
 */
final class NoteIds extends AbstractSet<NoteId> {
  private final long[] values;

  private NoteIds(LongStream ids) {
    values = ids.sorted().distinct().toArray();
  }

  static Set<NoteId> of(Collection<NoteId> ids) {
    return ids.isEmpty()
        ? Set.of()
        : ids instanceof NoteIds same ? same : new NoteIds(ids.stream().mapToLong(NoteId::value));
  }

  static Set<NoteId> ofNotes(Collection<Note> notes) {
    return notes.isEmpty() ? Set.of() : new NoteIds(notes.stream().mapToLong(Note::idNumber));
  }

  /** All of both. */
  static Set<NoteId> union(Set<NoteId> a, Set<NoteId> b) {
    return a.isEmpty()
        ? of(b)
        : b.isEmpty()
            ? of(a)
            : new NoteIds(LongStream.concat(Arrays.stream(values(a)), Arrays.stream(values(b))));
  }

  /** Their numbers in rising order; not to be changed. */
  static long[] values(Set<NoteId> ids) {
    return ids instanceof NoteIds known
        ? known.values
        : ids.stream().mapToLong(NoteId::value).sorted().toArray();
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
