package flailbeat.core.session;

import flailbeat.core.quantize.QuantizeSettings;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/** A person's own ways to quantize, by name. */
public final class Presets {
  private static final int LONGEST_NAME = 40;

  private final Changes changes;
  private final Map<String, QuantizeSettings> named = new TreeMap<>();

  Presets(Changes changes) {
    this.changes = changes;
  }

  /** All of them, in order of their names. */
  public Map<String, QuantizeSettings> all() {
    return Collections.unmodifiableMap(named);
  }

  /**
   * Keeps settings under a name; what had that name before is replaced.
   *
   * @throws IllegalArgumentException for a name that is empty or too long, with a message fit for
   *     the person who typed it
   */
  public void keep(String name, QuantizeSettings settings) {
    String wanted = name.strip();
    if (wanted.isEmpty() || wanted.length() > LONGEST_NAME) {
      throw new IllegalArgumentException("A name of 1 to " + LONGEST_NAME + " letters");
    }
    named.put(wanted, settings);
    changes.fire(Aspect.SETTINGS);
  }

  public void remove(String name) {
    named.remove(name);
    changes.fire(Aspect.SETTINGS);
  }

  /** Takes over a whole collection. */
  public void setAll(Map<String, QuantizeSettings> value) {
    named.clear();
    named.putAll(value);
    changes.fire(Aspect.SETTINGS);
  }
}
