package flailbeat.core.keys;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Learns a person's keyboard: asks for one place after another, the home row first, and takes down
 * what the system says of the key that is pressed there.
 */
public final class Lesson {
  /** What came of a key press. */
  public enum Answer {
    LEARNED,
    /** The system says the same of a key learned before. */
    SAME_AS_ANOTHER,
    /** The system says nothing by which the key could be known. */
    UNKNOWABLE,
    /** Every place has been asked for. */
    OVER
  }

  private static final int[] ROW_ORDER = {2, 1, 3, 0};

  private final List<PhysicalKey> order = new ArrayList<>();
  private final Map<PhysicalKey, KeySign> signs = new EnumMap<>(PhysicalKey.class);
  private int next;

  public Lesson() {
    for (int row : ROW_ORDER) {
      Arrays.stream(PhysicalKey.values())
          .filter(k -> k.row() == row)
          .sorted(Comparator.comparingDouble(PhysicalKey::column))
          .forEach(order::add);
    }
  }

  /** The place that is asked for; empty when all were. */
  public Optional<PhysicalKey> asked() {
    return next < order.size() ? Optional.of(order.get(next)) : Optional.empty();
  }

  /** How many places were learned. */
  public int learned() {
    return signs.size();
  }

  /** The key at the place that is asked for was pressed. */
  public Answer take(KeySign sign) {
    if (asked().isEmpty()) {
      return Answer.OVER;
    }
    if (!sign.isKnowable()) {
      return Answer.UNKNOWABLE;
    }
    if (signs.values().stream().anyMatch(s -> s.isSameKey(sign))) {
      return Answer.SAME_AS_ANOTHER;
    }
    signs.put(order.get(next++), sign);
    return Answer.LEARNED;
  }

  /** Passes over a place that the keyboard has no key at, or that cannot be learned. */
  public void skip() {
    next = Math.min(order.size(), next + 1);
  }

  /** Goes back to the place before, and forgets it. */
  public void back() {
    next = Math.max(0, next - 1);
    signs.remove(order.get(next));
  }

  /** What was learned; where nothing was, what another layout says. */
  public KeyLayout layout(KeyLayout other) {
    return KeyLayout.learned(signs, other);
  }
}
