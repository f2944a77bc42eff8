package flailbeat.core.session.person;

import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Changes;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;

/**
 * A person's own keys for commands, in sets that have names: which keys each changed command has,
 * as people write them. What a command or a key is, a window knows; here even one that no window
 * knows is kept.
 */
public final class KeySets {
  /** The name of the set that changes nothing, which cannot be changed itself. */
  public static final String AS_IT_CAME = "";

  private static final String FIRST = "My keys";
  private static final int LONGEST_NAME = 40;

  /**
   * All sets, to be kept.
   *
   * @param chosen the name of the one in force; empty for the keys as they came
   * @param sets the changed commands of each, by its name, with the keys of each command by its id
   */
  public record Kept(String chosen, Map<String, Map<String, List<String>>> sets) {
    /** No set. */
    public static final Kept NONE = new Kept(AS_IT_CAME, Map.of());

    public Kept {
      chosen = chosen == null ? AS_IT_CAME : chosen;
      sets = sets == null ? Map.of() : withoutGaps(sets);
    }

    /** A file may say nothing where it should say something. */
    private static Map<String, Map<String, List<String>>> withoutGaps(
        Map<String, Map<String, List<String>>> sets) {
      Map<String, Map<String, List<String>>> result = new TreeMap<>();
      sets.forEach(
          (name, commands) -> {
            Map<String, List<String>> whole = new TreeMap<>();
            if (commands != null) {
              commands.forEach((id, keys) -> whole.put(id, withoutGaps(keys)));
            }
            result.put(name, whole);
          });
      return result;
    }

    private static List<String> withoutGaps(List<String> keys) {
      return keys == null ? List.of() : keys.stream().filter(Objects::nonNull).toList();
    }
  }

  private final Changes changes;
  private final Map<String, Map<String, List<String>>> sets = new TreeMap<>();
  private String chosen = AS_IT_CAME;

  public KeySets(Changes changes) {
    this.changes = changes;
  }

  /** The name of the set in force; empty for the keys as they came. */
  public String chosen() {
    return chosen;
  }

  /** The names of all sets, in order. */
  public List<String> names() {
    return List.copyOf(sets.keySet());
  }

  /** What the set in force changes: the keys of each changed command, by its id. */
  public Map<String, List<String>> inForce() {
    return Map.copyOf(sets.getOrDefault(chosen, Map.of()));
  }

  /** The set in force with other keys for a command, which is not yet in force. */
  public Map<String, List<String>> with(String command, List<String> keys) {
    Map<String, List<String>> result = new LinkedHashMap<>(inForce());
    result.put(command, List.copyOf(keys));
    return result;
  }

  /** The set in force with a command's keys as they came, which is not yet in force. */
  public Map<String, List<String>> without(String command) {
    Map<String, List<String>> result = new LinkedHashMap<>(inForce());
    result.remove(command);
    return result;
  }

  /** Changes the set in force; from the keys as they came a set of the person's own is made. */
  public void change(Map<String, List<String>> value) {
    if (chosen.equals(AS_IT_CAME)) {
      chosen = freeName();
    }
    sets.put(chosen, Map.copyOf(value));
    changes.fire(Aspect.SETTINGS);
  }

  private String freeName() {
    String name = FIRST;
    for (int i = 2; sets.containsKey(name); i++) {
      name = FIRST + " " + i;
    }
    return name;
  }

  /**
   * Keeps what is in force under another name, and goes over to it.
   *
   * @throws IllegalArgumentException for a name that is empty, too long or taken, with a message
   *     fit for the person who typed it
   */
  public void saveAs(String name) {
    String wanted = name.strip();
    if (wanted.isEmpty() || wanted.length() > LONGEST_NAME) {
      throw new IllegalArgumentException("A name of 1 to " + LONGEST_NAME + " letters");
    }
    if (sets.containsKey(wanted)) {
      throw new IllegalArgumentException("There is a set \"" + wanted + "\" already");
    }
    sets.put(wanted, inForce());
    chosen = wanted;
    changes.fire(Aspect.SETTINGS);
  }

  /** Puts a set in force; one that is not there is the keys as they came. */
  public void choose(String name) {
    chosen = sets.containsKey(name) ? name : AS_IT_CAME;
    changes.fire(Aspect.SETTINGS);
  }

  /** Removes the set in force: the keys are as they came. */
  public void removeChosen() {
    sets.remove(chosen);
    chosen = AS_IT_CAME;
    changes.fire(Aspect.SETTINGS);
  }

  /** All sets, to be kept. */
  public Kept kept() {
    return new Kept(chosen, Map.copyOf(sets));
  }

  /** Takes over what was kept. */
  public void setAll(Kept value) {
    sets.clear();
    sets.putAll(value.sets());
    choose(value.chosen());
  }
}
