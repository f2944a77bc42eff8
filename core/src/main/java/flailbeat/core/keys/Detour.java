package flailbeat.core.keys;

import flailbeat.core.pitch.Pitch;
import flailbeat.core.pitch.Scale;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Another way to the same notes, on keys that are not known to block one another.
 *
 * @param base the note that the arrangement counts from then
 * @param keys the keys that play the notes then
 */
public record Detour(ArrangementKind kind, int base, Set<PhysicalKey> keys) {
  private static final int MOST_SHIFT = 12;

  /**
   * The nearest one: the same arrangement with the reach moved as little as will do, else another
   * arrangement. Chords on one key are the last resort.
   *
   * @param pitches the notes that are to sound together
   * @param arrangement how the notes lie now, for a base
   * @param key the tonic, 0 to 11, for arrangements that have one
   */
  public static Optional<Detour> find(
      Set<Integer> pitches,
      ArrangementKind arrangement,
      int base,
      KeyGhosting ghosting,
      int key,
      Scale scale) {
    List<ArrangementKind> kinds = new ArrayList<>(List.of(arrangement));
    Arrays.stream(ArrangementKind.values())
        .filter(k -> k != arrangement && k != ArrangementKind.CHORDS)
        .forEach(kinds::add);
    for (ArrangementKind kind : kinds) {
      Arrangement candidate = Arrangement.of(kind, key, scale);
      int from = kind == arrangement ? base : base + kind.base() - arrangement.base();
      for (int shift : nearestFirst()) {
        Optional<Detour> found = at(pitches, candidate, from + shift, ghosting);
        if (found.isPresent()) {
          return found;
        }
      }
    }
    return Optional.empty();
  }

  private static int[] nearestFirst() {
    return IntStream.rangeClosed(0, 2 * MOST_SHIFT)
        .map(i -> (i & 1) == 1 ? (i + 1) / 2 : -i / 2)
        .toArray();
  }

  private static Optional<Detour> at(
      Set<Integer> pitches, Arrangement arrangement, int base, KeyGhosting ghosting) {
    Set<PhysicalKey> keys = EnumSet.noneOf(PhysicalKey.class);
    if (base < Pitch.LOWEST || base > Pitch.HIGHEST) {
      return Optional.empty();
    }
    for (int pitch : pitches) {
      Optional<PhysicalKey> at =
          Arrays.stream(PhysicalKey.values())
              .filter(k -> arrangement.semitonesAt(k).equals(List.of(pitch - base)))
              .filter(k -> !ghosting.blocks(with(keys, k)))
              .findFirst();
      if (at.isEmpty()) {
        return Optional.empty();
      }
      keys.add(at.get());
    }
    return Optional.of(new Detour(arrangement.kind(), base, keys));
  }

  private static Set<PhysicalKey> with(Set<PhysicalKey> keys, PhysicalKey more) {
    Set<PhysicalKey> result = EnumSet.of(more);
    result.addAll(keys);
    return result;
  }
}
