package flailbeat.core.keys;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.Set;

/**
 * The combinations of keys that a person's keyboard is known not to let through. Immutable.
 *
 * @param combinations each at least two keys of which one does not arrive
 */
public record KeyGhosting(Set<Set<PhysicalKey>> combinations) {
  public static final KeyGhosting NONE = new KeyGhosting(Set.of());

  public KeyGhosting {
    combinations = Set.copyOf(combinations);
  }

  /** With what a check found: each key that did not arrive, with all that did. */
  public KeyGhosting with(ChordCheck check) {
    Set<Set<PhysicalKey>> result = new LinkedHashSet<>(combinations);
    result.remove(check.wanted());
    for (PhysicalKey missing : check.blocked()) {
      Set<PhysicalKey> keys = new LinkedHashSet<>(check.arrived());
      keys.add(missing);
      result.add(Set.copyOf(keys));
    }
    if (check.phase() == ChordCheck.Phase.DONE && check.blocked().isEmpty()) {
      result.removeIf(keys -> check.wanted().containsAll(keys));
    }
    return new KeyGhosting(result);
  }

  /** Whether keys that are to be held together hold a combination that does not pass. */
  public boolean blocks(Collection<PhysicalKey> keys) {
    return combinations.stream().anyMatch(keys::containsAll);
  }

  /** Whether a key is known not to arrive while others are held. */
  public boolean blocks(PhysicalKey key, Collection<PhysicalKey> held) {
    return combinations.stream()
        .filter(c -> c.contains(key) && !held.contains(key))
        .anyMatch(c -> c.stream().allMatch(k -> k == key || held.contains(k)));
  }
}
