package flailbeat.core.model;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The versions of a clip: the number of the one that is heard, whose content is the clip's own, and
 * the others.
 *
 * @param others in order of number; none for a clip that was recorded once
 */
public record Takes(int active, List<Take> others) {
  /** One version only. */
  public static final Takes NONE = new Takes(1, List.of());

  public Takes {
    others = List.copyOf(others);
    long distinct = IntStream.concat(IntStream.of(active), numbers(others)).distinct().count();
    if (active < 1 || distinct != others.size() + 1) {
      throw new IllegalArgumentException("Takes have different numbers, from 1");
    }
  }

  private static IntStream numbers(List<Take> takes) {
    return takes.stream().mapToInt(Take::number);
  }

  Takes shifted(long ticks) {
    return ticks == 0 || others.isEmpty()
        ? this
        : new Takes(active, others.stream().map(t -> t.shifted(ticks)).toList());
  }

  /** Whether there is anything to choose from. */
  public boolean isChoice() {
    return !others.isEmpty();
  }

  /** The numbers of all, in order. */
  public List<Integer> numbers() {
    return Stream.concat(Stream.of(active), others.stream().map(Take::number)).sorted().toList();
  }

  /** The number of the latest. */
  public int last() {
    return numbers().getLast();
  }
}
