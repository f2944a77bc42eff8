package flailbeat.core.keys;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/**
 * Finds out which keys of a chord the hardware lets through together. Many keyboards pass only some
 * combinations of three keys and more; of a key that is blocked nothing arrives at all. So the keys
 * are pressed one by one first, and then held together: those that do not arrive are blocked.
 */
public final class ChordCheck {
  /** What is waited for. */
  public enum Phase {
    /** Keys are pressed one by one. */
    ONE_BY_ONE,
    /** All of them are held. */
    TOGETHER,
    /** They were let go: there is a result. */
    DONE
  }

  private static final int FEWEST = 2;

  private final Set<PhysicalKey> wanted = EnumSet.noneOf(PhysicalKey.class);
  private final Set<PhysicalKey> down = EnumSet.noneOf(PhysicalKey.class);
  private final Set<PhysicalKey> arrived = EnumSet.noneOf(PhysicalKey.class);
  private Phase phase = Phase.ONE_BY_ONE;

  public Phase phase() {
    return phase;
  }

  /** The keys of the chord. */
  public Set<PhysicalKey> wanted() {
    return Collections.unmodifiableSet(wanted);
  }

  /** Those that arrived when all were held. */
  public Set<PhysicalKey> arrived() {
    return Collections.unmodifiableSet(arrived);
  }

  /** Those that did not; none before there is a result. */
  public Set<PhysicalKey> blocked() {
    Set<PhysicalKey> result = EnumSet.noneOf(PhysicalKey.class);
    if (phase == Phase.DONE) {
      result.addAll(wanted);
      result.removeAll(arrived);
    }
    return result;
  }

  public void press(PhysicalKey key) {
    if (phase == Phase.ONE_BY_ONE) {
      wanted.add(key);
    } else if (phase == Phase.TOGETHER && wanted.contains(key)) {
      down.add(key);
      if (down.size() > arrived.size()) {
        arrived.clear();
        arrived.addAll(down);
      }
    }
  }

  public void release(PhysicalKey key) {
    down.remove(key);
    if (phase == Phase.TOGETHER && down.isEmpty() && !arrived.isEmpty()) {
      phase = Phase.DONE;
    }
  }

  /** Goes on: from the single keys to the chord, from the result to another chord. */
  public void next() {
    switch (phase) {
      case ONE_BY_ONE -> phase = wanted.size() >= FEWEST ? Phase.TOGETHER : Phase.ONE_BY_ONE;
      case TOGETHER -> {
        // The chord is still to be held.
      }
      case DONE -> {
        wanted.clear();
        arrived.clear();
        down.clear();
        phase = Phase.ONE_BY_ONE;
      }
    }
  }
}
