package flailbeat.core.session.person;

import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What a person keeps by name, for every song.
 *
 * @param <T> immutable
 */
public final class Named<T> {
  private static final int LONGEST_NAME = 40;

  private final Changes changes;
  private final Map<String, T> all = new TreeMap<>();

  public Named(Changes changes) {
    this.changes = changes;
  }

  /** All of them, in order of their names. */
  public Map<String, T> all() {
    return Collections.unmodifiableMap(all);
  }

  /**
   * Keeps something under a name; what had that name before is replaced.
   *
   * @throws IllegalArgumentException for a name that is empty or too long, with a message fit for
   *     the person who typed it
   */
  public void keep(String name, T value) {
    all.put(nameOf(name), value);
    changes.fire(Aspect.SETTINGS);
  }

  /**
   * What was typed as a name, as it is kept.
   *
   * @throws IllegalArgumentException for one that is empty or too long, with a message fit for the
   *     person who typed it
   */
  public static String nameOf(String typed) {
    String wanted = typed.strip();
    if (wanted.isEmpty() || wanted.length() > LONGEST_NAME) {
      throw new IllegalArgumentException("A name of 1 to " + LONGEST_NAME + " letters");
    }
    return wanted;
  }

  public void remove(String name) {
    all.remove(name);
    changes.fire(Aspect.SETTINGS);
  }

  /** The name after one (1) or before it (-1), round and round; any where that one is not kept. */
  public String next(String name, int by) {
    List<String> names = List.copyOf(all.keySet());
    int at = names.indexOf(name);
    return names.get(Math.floorMod(at < 0 ? Math.min(by, 0) : at + by, names.size()));
  }

  /** Takes over a whole collection, but for what is damaged in it. */
  public void setAll(Map<String, T> value) {
    all.clear();
    value.entrySet().stream()
        .filter(e -> e.getValue() != null)
        .forEach(e -> all.put(e.getKey(), e.getValue()));
    changes.fire(Aspect.SETTINGS);
  }
}
