package flailbeat.core.session.person;

import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/** The numbers that commands go by, as a person gave them last, by the commands' ids. */
public final class CommandNumbers {
  private final Changes changes;
  private final Map<String, Integer> given = new TreeMap<>();

  public CommandNumbers(Changes changes) {
    this.changes = changes;
  }

  /** The number of a command, or another where none was given. */
  public int of(String command, int otherwise) {
    Integer value = given.get(command);
    return value == null ? otherwise : value;
  }

  /** From now on a command goes by a number. */
  public void give(String command, int value) {
    if (!Integer.valueOf(value).equals(given.put(command, value))) {
      changes.fire(Aspect.SETTINGS);
    }
  }

  /** All that were given. */
  public Map<String, Integer> all() {
    return Collections.unmodifiableMap(given);
  }

  /** Takes over a whole collection. */
  public void setAll(Map<String, Integer> value) {
    given.clear();
    given.putAll(value);
    changes.fire(Aspect.SETTINGS);
  }
}
