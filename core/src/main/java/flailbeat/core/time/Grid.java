package flailbeat.core.time;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/**
 * Which lines notes may stand on: every multiple, counted from the start of each bar, of each of
 * its note values.
 *
 * @param values one or more note values; their lines are laid over one another
 */
public record Grid(List<NoteValue> values) {
  public Grid {
    values = values.stream().distinct().toList();
    if (values.isEmpty()) {
      throw new IllegalArgumentException("A grid needs a note value, such as 1/16");
    }
  }

  public static Grid of(NoteValue... values) {
    return new Grid(Arrays.asList(values));
  }

  /**
   * Reads {@code 1/16} or {@code 1/16+1/8T}.
   *
   * @throws IllegalArgumentException with a message fit for the person who typed it
   */
  public static Grid parse(String text) {
    return new Grid(Arrays.stream(text.split("\\+", -1)).map(NoteValue::parse).toList());
  }

  /** Whether it has straight values, which alone can swing. */
  public boolean hasStraight() {
    return values.stream().anyMatch(v -> v.division() == NoteValue.Division.STRAIGHT);
  }

  /** The shortest of its note values, in ticks. */
  public long finestTicks() {
    return values.stream().mapToLong(NoteValue::ticks).min().orElseThrow();
  }

  /**
   * Refuses a grid whose lines would lie closer together than a file's ticks.
   *
   * @param ppq the file's ticks to a quarter note
   * @throws IllegalArgumentException with a message fit for the person who asked for it
   */
  public Grid requireWithin(int ppq) {
    for (NoteValue value : values) {
      if (value.ticks() * ppq < Ticks.PPQ) {
        throw new IllegalArgumentException(
            "A grid of "
                + value
                + " is finer than this file can hold: it has only "
                + ppq
                + (ppq == 1 ? " tick" : " ticks")
                + " to a quarter note. Choose a coarser grid");
      }
    }
    return this;
  }

  @Override
  public String toString() {
    return values.stream().map(NoteValue::toString).collect(Collectors.joining("+"));
  }
}
