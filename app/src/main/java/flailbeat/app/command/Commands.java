package flailbeat.app.command;

import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Command.Keys;
import flailbeat.app.control.KeyNames;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.PhysicalKey;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Every command, in one table: keys, menus, finder, sheet and texts ask it and nothing else. */
public final class Commands implements KeyNames {
  private static final List<KeyContext> POSITIONS =
      List.of(KeyContext.COMMANDS, KeyContext.PLAY, KeyContext.STEPS);

  private final List<Command> standard;
  private final List<Runnable> listeners = new ArrayList<>();
  private final Map<String, Command> byId = new LinkedHashMap<>();
  private Map<KeyContext, Map<Keystroke, Command>> byKey = new EnumMap<>(KeyContext.class);
  private Map<KeyContext, Map<PhysicalKey, Command>> byPlace = new EnumMap<>(KeyContext.class);
  private KeyLayout layout = KeyLayout.QWERTY;

  /**
   * A table.
   *
   * @throws IllegalArgumentException when two have one id, or one key at the same place
   */
  public Commands(List<Command> commands) {
    standard = List.copyOf(commands);
    for (Command command : commands) {
      if (byId.put(command.id(), command) != null) {
        throw new IllegalArgumentException("There are two commands \"" + command.id() + "\"");
      }
    }
    index();
  }

  private void index() {
    Map<KeyContext, Map<Keystroke, Command>> keys = new EnumMap<>(KeyContext.class);
    Map<KeyContext, Map<PhysicalKey, Command>> places = new EnumMap<>(KeyContext.class);
    for (Command command : byId.values()) {
      command.keys().own().forEach(key -> put(keys, command.where(), key, command));
      command.keys().plain().forEach(key -> put(keys, KeyContext.COMMANDS, key, command));
      for (PhysicalKey place : command.keys().places()) {
        sayIfTaken(
            place,
            places
                .computeIfAbsent(command.where(), w -> new EnumMap<>(PhysicalKey.class))
                .put(place, command),
            command);
      }
    }
    byKey = keys;
    byPlace = places;
  }

  private static void put(
      Map<KeyContext, Map<Keystroke, Command>> keys,
      KeyContext where,
      Keystroke key,
      Command command) {
    sayIfTaken(key, keys.computeIfAbsent(where, w -> new HashMap<>()).put(key, command), command);
  }

  private static void sayIfTaken(Object key, Command other, Command command) {
    if (other != null) {
      throw new IllegalArgumentException(
          key + " is the key of \"" + other.id() + "\" and of \"" + command.id() + "\"");
    }
  }

  /** Whether one key there and here would be in doubt. */
  static boolean meet(KeyContext one, KeyContext other) {
    return one == other
        || POSITIONS.stream().anyMatch(p -> p.among().contains(one) && p.among().contains(other));
  }

  /** Calls back whenever commands have other keys. */
  public void onKeys(Runnable listener) {
    listeners.add(listener);
  }

  /**
   * Gives commands a person's own keys in the place of those that they come with.
   *
   * @param wanted the keys of each changed command, by its id, as {@link #written} gives them
   * @return what was left out and why, a line each
   * @throws IllegalArgumentException when it leaves no way to a command; nothing has changed then
   */
  public List<String> setKeys(Map<String, List<String>> wanted) {
    KeyPlan plan = KeyPlan.of(standard, wanted);
    if (plan.refusal().isPresent()) {
      throw new IllegalArgumentException(plan.refusal().get());
    }
    byId.clear();
    plan.commands().forEach(c -> byId.put(c.id(), c));
    index();
    listeners.forEach(Runnable::run);
    return plan.remarks();
  }

  /** Why a person's own keys cannot be put in force; empty when they can. */
  public Optional<String> refusal(Map<String, List<String>> wanted) {
    return KeyPlan.of(standard, wanted).refusal();
  }

  /** Why a key cannot be a command's; empty when it can. */
  public Optional<String> refusal(Command command, Keystroke key) {
    return KeyPlan.why(command, key);
  }

  /** The keys of a command as they are kept. */
  public static List<String> written(Keys keys) {
    return KeyPlan.written(keys);
  }

  /** A command's keys with another in the place of the one of its kind: a letter, or any other. */
  public Keys withKey(Command command, Keystroke key) {
    Keys keys = command.keys();
    return KeyPlan.isPlain(command, key)
        ? new Keys(keys.own(), List.of(key), keys.places())
        : new Keys(List.of(key), keys.plain(), keys.places());
  }

  /** The other commands that have a key where it would be this one's. */
  public List<Command> clashes(Command command, Keystroke key) {
    KeyContext where = KeyPlan.isPlain(command, key) ? KeyContext.COMMANDS : command.where();
    return byId.values().stream()
        .filter(c -> !c.id().equals(command.id()))
        .filter(
            c ->
                c.keys().own().contains(key) && meet(c.where(), where)
                    || c.keys().plain().contains(key) && meet(KeyContext.COMMANDS, where))
        .toList();
  }

  /** The other command that has a place of the keyboard. */
  public Optional<Command> clash(Command command, PhysicalKey place) {
    return byId.values().stream()
        .filter(c -> c.keys().places().contains(place) && !c.id().equals(command.id()))
        .filter(c -> meet(c.where(), command.where()))
        .findFirst();
  }

  /** Says what is printed on the person's keys. */
  public void setLayout(KeyLayout value) {
    if (!value.equals(layout)) {
      layout = value;
      listeners.forEach(Runnable::run);
    }
  }

  /** Whether the person's keyboard has a key, as far as can be known. */
  public boolean isOnKeyboard(Keystroke key) {
    return !key.withoutModifiers().isTyped()
        || Stream.of(PhysicalKey.values())
            .map(p -> layout.signAt(p))
            .anyMatch(s -> s.code().equals(key.code().name()) || isPrinted(s.text(), key));
  }

  private static boolean isPrinted(String text, Keystroke key) {
    return key.withoutModifiers().toString().equalsIgnoreCase(text);
  }

  /** All of them, in the order in which they are shown. */
  public List<Command> all() {
    return List.copyOf(byId.values());
  }

  /** Those of a group, in the order in which they are shown. */
  public List<Command> of(Group group) {
    return byId.values().stream().filter(c -> c.group() == group).toList();
  }

  /**
   * The command of an id.
   *
   * @throws IllegalArgumentException when there is none
   */
  public Command get(String id) {
    Command command = byId.get(id);
    if (command == null) {
      throw new IllegalArgumentException("There is no command \"" + id + "\"");
    }
    return command;
  }

  /** The command that has a key there, or anywhere; null for none: keys must not wait. */
  public Command at(KeyContext where, Keystroke key) {
    return first(byKey, where, key);
  }

  private static <K> Command first(Map<KeyContext, Map<K, Command>> from, KeyContext where, K key) {
    for (KeyContext each : where.among()) {
      Map<K, Command> there = from.get(each);
      Command found = there == null ? null : there.get(key);
      if (found != null) {
        return found;
      }
    }
    return null;
  }

  /** The command that has a place of the keyboard there, or anywhere; null for none. */
  public Command at(KeyContext where, PhysicalKey place) {
    return first(byPlace, where, place);
  }

  @Override
  public String of(String command) {
    Keys keys = get(command).keys();
    return Stream.of(keys.own().stream(), keys.plain().stream(), keys.places().stream())
        .flatMap(s -> s)
        .findFirst()
        .map(this::inWords)
        .orElse("");
  }

  private String inWords(Object key) {
    return key instanceof PhysicalKey place
        ? layout.cap(place)
        : key instanceof Keystroke stroke ? inWords(stroke) : key.toString();
  }

  /** A key that a keyboard has not is told by what is printed where it would lie. */
  private String inWords(Keystroke key) {
    return isOnKeyboard(key)
        ? key.toString()
        : placeOf(key).map(p -> key.modifiers() + layout.cap(p)).orElseGet(key::toString);
  }

  /** Where a key lies on the layout that the table is written in. */
  private static Optional<PhysicalKey> placeOf(Keystroke key) {
    return Stream.of(PhysicalKey.values())
        .filter(p -> KeyLayout.QWERTY.signAt(p).code().equals(key.code().name()))
        .findFirst();
  }

  /**
   * The command of a key that was pressed: where it is none's, of the key that the table means by
   * its place, if the person's keyboard has that one nowhere else. So every key can be typed.
   *
   * @param place where it lies, as far as that is known
   */
  public Command at(KeyContext where, Keystroke key, Optional<PhysicalKey> place) {
    Command found = at(where, key);
    return found != null || place.isEmpty() ? found : atPlaceOf(where, key, place.get());
  }

  private Command atPlaceOf(KeyContext where, Keystroke key, PhysicalKey place) {
    Keystroke meant = key.withCode(KeyLayout.QWERTY.signAt(place).code());
    return isOnKeyboard(meant) ? null : at(where, meant);
  }

  /** All keys of a command as people read them; empty for none. */
  public String keysOf(Command command) {
    Keys keys = command.keys();
    return inWords(
        Stream.of(keys.own().stream(), keys.plain().stream(), keys.places().stream())
            .flatMap(s -> s));
  }

  /** The keys that a command has there as people read them; empty for none. */
  public String keysOf(Command command, KeyContext where) {
    boolean here = where.among().contains(command.where());
    boolean plain = where == KeyContext.COMMANDS && !command.keys().plain().isEmpty();
    Keys keys = command.keys();
    return !here
        ? ""
        : inWords(
            Stream.concat(
                plain ? keys.plain().stream() : keys.own().stream(), keys.places().stream()));
  }

  private String inWords(Stream<?> keys) {
    return String.join(" or ", keys.map(this::inWords).toList());
  }
}
