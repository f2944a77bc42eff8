package flailbeat.core.model.roll;

import flailbeat.core.pitch.Pitch;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * How a track's pitches lie above one another where they are drawn, each in a row.
 *
 * @param order pitches from the top down, each once, as they were put by hand; those that are
 *     missing lie by their pitch, where the one below them is
 * @param onlyUsed whether rows without notes are hidden
 */
public record PitchRows(List<Integer> order, boolean onlyUsed) {
  /** All pitches, the highest at the top. */
  public static final PitchRows ALL = new PitchRows(List.of(), false);

  public PitchRows {
    order = List.copyOf(order);
    order.forEach(Pitch::require);
    if (new HashSet<>(order).size() < order.size()) {
      throw new IllegalArgumentException("a pitch has two rows");
    }
  }

  /**
   * The pitches of the rows, from the top down. A pitch that was never put anywhere lies above the
   * next lower one.
   *
   * @param used the pitches that have notes: their rows are never hidden; where there are none, all
   *     are shown
   */
  public List<Integer> shown(Set<Integer> used) {
    List<Integer> all = new ArrayList<>(order);
    Set<Integer> put = new HashSet<>(order);
    for (int pitch = Pitch.LOWEST; pitch <= Pitch.HIGHEST; pitch++) {
      if (!put.contains(pitch)) {
        int lower = all.indexOf(pitch - 1);
        all.add(lower < 0 ? all.size() : lower, pitch);
      }
    }
    return onlyUsed && !used.isEmpty() ? all.stream().filter(used::contains).toList() : all;
  }

  /** With only the rows that have notes shown, or all. */
  public PitchRows withOnlyUsed(boolean value) {
    return new PitchRows(order, value);
  }

  /**
   * With a pitch put into the row of another, which makes room.
   *
   * @param used the pitches that have notes
   */
  public PitchRows moved(int pitch, int toRowOf, Set<Integer> used) {
    List<Integer> all = new ArrayList<>(withOnlyUsed(false).shown(used));
    int to = all.indexOf(toRowOf);
    all.remove(Integer.valueOf(pitch));
    all.add(to, pitch);
    return new PitchRows(all, onlyUsed);
  }
}
