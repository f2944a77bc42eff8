package flailbeat.core.session.person;

import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/** How often a person has chosen each command where commands are looked for, by their ids. */
public final class CommandUse {
  private static final int MOST = 1000;

  private final Changes changes;
  private final Map<String, Integer> counts = new TreeMap<>();

  public CommandUse(Changes changes) {
    this.changes = changes;
  }

  /** How often a command was chosen. */
  public int of(String command) {
    return counts.getOrDefault(command, 0);
  }

  /** It was chosen once more. */
  public void chosen(String command) {
    counts.merge(command, 1, (a, b) -> Math.min(MOST, a + b));
    changes.fire(Aspect.SETTINGS);
  }

  /** All that were chosen. */
  public Map<String, Integer> all() {
    return Collections.unmodifiableMap(counts);
  }

  /** Takes over what was counted before; what is no count is left out. */
  public void setAll(Map<String, Integer> value) {
    counts.clear();
    value.forEach(
        (id, count) -> {
          if (count != null && count > 0) {
            counts.put(id, Math.min(MOST, count));
          }
        });
  }
}
