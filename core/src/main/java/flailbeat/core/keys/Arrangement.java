package flailbeat.core.keys;

import java.util.EnumMap;
import java.util.Map;
import java.util.OptionalInt;

/**
 * Which notes lie under which keys, as semitones above the reach's lowest note. Immutable.
 *
 * <p>In {@link #HOME} the home row holds the naturals from C upward and the row above it the black
 * notes between them. As on a piano nothing lies between E and F, nor between B and C (common
 * practice).
 */
public final class Arrangement {
  /** The home row and the one above it. */
  public static final Arrangement HOME = home();

  private final String name;
  private final Map<PhysicalKey, Integer> semitones;

  private Arrangement(String name, Map<PhysicalKey, Integer> semitones) {
    this.name = name;
    this.semitones = semitones;
  }

  private static Arrangement home() {
    PhysicalKey[] naturals = {
      PhysicalKey.A,
      PhysicalKey.S,
      PhysicalKey.D,
      PhysicalKey.F,
      PhysicalKey.G,
      PhysicalKey.H,
      PhysicalKey.J,
      PhysicalKey.K,
      PhysicalKey.L,
      PhysicalKey.SEMICOLON,
      PhysicalKey.QUOTE
    };
    int[] scale = {0, 2, 4, 5, 7, 9, 11, 12, 14, 16, 17};
    PhysicalKey[] blacks = {
      PhysicalKey.W,
      PhysicalKey.E,
      PhysicalKey.T,
      PhysicalKey.Y,
      PhysicalKey.U,
      PhysicalKey.O,
      PhysicalKey.P
    };
    int[] between = {1, 3, 6, 8, 10, 13, 15};
    Map<PhysicalKey, Integer> map = new EnumMap<>(PhysicalKey.class);
    for (int i = 0; i < naturals.length; i++) {
      map.put(naturals[i], scale[i]);
    }
    for (int i = 0; i < blacks.length; i++) {
      map.put(blacks[i], between[i]);
    }
    return new Arrangement("Home", map);
  }

  public String name() {
    return name;
  }

  /** Semitones above the reach's lowest note; empty for a key that plays nothing. */
  public OptionalInt semitonesAt(PhysicalKey key) {
    Integer value = semitones.get(key);
    return value == null ? OptionalInt.empty() : OptionalInt.of(value);
  }

  /** Semitones from the lowest to the highest note under the hands. */
  public int span() {
    return semitones.values().stream().mapToInt(Integer::intValue).max().orElse(0);
  }
}
