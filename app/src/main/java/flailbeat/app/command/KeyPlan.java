package flailbeat.app.command;

import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Command.Keys;
import flailbeat.core.keys.PhysicalKey;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Which keys commands have: as they come, or as a person wants them. What cannot be is left out and
 * told; of two commands that want one key, one that the person changed has it.
 *
 * @param commands all, with their keys
 * @param remarks what was left out and why, a line each
 * @param refusal why it cannot be put in force at all; empty when it can
 */
record KeyPlan(List<Command> commands, List<String> remarks, Optional<String> refusal) {
  /** The commands by one of which the letters can always be taken back from the notes. */
  private static final Set<String> WAYS_BACK = Set.of("keys-switch", "keys-commands");

  private static final String PLACE = "place ";

  /**
   * Works it out.
   *
   * @param standard the commands with their keys as they come
   * @param wanted the keys of each changed command, by its id, as {@link #written} gives them
   */
  static KeyPlan of(List<Command> standard, Map<String, List<String>> wanted) {
    List<String> remarks = new ArrayList<>();
    Map<String, Command> byId = new LinkedHashMap<>();
    standard.forEach(c -> byId.put(c.id(), c));
    wanted.keySet().stream()
        .filter(id -> !byId.containsKey(id))
        .sorted()
        .forEach(id -> remarks.add("there is no command \"" + id + "\""));
    Taken taken = new Taken(remarks);
    for (Command command : standard) {
      if (wanted.containsKey(command.id())) {
        Keys keys = read(command, wanted.get(command.id()), remarks);
        byId.put(command.id(), taken.take(command.with(keys), true));
      }
    }
    for (Command command : standard) {
      if (!wanted.containsKey(command.id())) {
        byId.put(command.id(), taken.take(command, false));
      }
    }
    boolean wayBack =
        byId.values().stream()
            .filter(c -> WAYS_BACK.contains(c.id()))
            .anyMatch(c -> !c.keys().own().isEmpty());
    boolean expected = WAYS_BACK.stream().allMatch(byId::containsKey);
    Optional<String> refusal =
        wayBack || !expected
            ? Optional.empty()
            : Optional.of(
                "With the letters at Play no key would give them back to commands: leave one for \""
                    + byId.get("keys-commands").title()
                    + "\"");
    return new KeyPlan(List.copyOf(byId.values()), List.copyOf(remarks), refusal);
  }

  /** The keys of a command as they are kept. */
  static List<String> written(Keys keys) {
    return Stream.concat(
            Stream.concat(keys.own().stream(), keys.plain().stream()).map(Keystroke::toString),
            keys.places().stream().map(p -> PLACE + p.name()))
        .toList();
  }

  private static Keys read(Command command, List<String> texts, List<String> remarks) {
    List<Keystroke> own = new ArrayList<>();
    List<Keystroke> plain = new ArrayList<>();
    List<PhysicalKey> places = new ArrayList<>();
    for (String text : texts) {
      Optional<PhysicalKey> place = placeOf(text);
      Optional<Keystroke> key = Keystroke.find(text);
      if (place.isPresent()) {
        places.add(place.get());
      } else if (key.isEmpty()) {
        remarks.add("there is no key \"" + text + "\"");
      } else if (why(command, key.get()).isPresent()) {
        remarks.add(why(command, key.get()).get());
      } else if (isPlain(command, key.get())) {
        plain.add(key.get());
      } else {
        own.add(key.get());
      }
    }
    return new Keys(List.copyOf(own), List.copyOf(plain), List.copyOf(places));
  }

  private static Optional<PhysicalKey> placeOf(String text) {
    return Arrays.stream(PhysicalKey.values())
        .filter(p -> text.equals(PLACE + p.name()))
        .findFirst();
  }

  /** Whether a key is a command's own only while the letters are commands: it types a letter. */
  static boolean isPlain(Command command, Keystroke key) {
    boolean cameSo = command.keys().plain().contains(key);
    boolean wouldPlay = command.where() == KeyContext.ANYWHERE && key.isTyped();
    return cameSo || wouldPlay && !command.keys().own().contains(key);
  }

  /** Why a key cannot be a command's; empty when it can. */
  static Optional<String> why(Command command, Keystroke key) {
    return command.where().isOfNotes() && key.isTyped()
        ? Optional.of(
            key
                + " cannot be the key of \""
                + command.title()
                + "\": with "
                + command.where().title()
                + ", letters are notes")
        : Optional.empty();
  }

  /** Which key is whose by now. */
  private static final class Taken {
    /** A key, or a place of the keyboard, at a position. */
    private record Spot(KeyContext where, Object key) {}

    private final Map<Spot, Command> owners = new HashMap<>();
    private final Map<String, Boolean> changed = new HashMap<>();
    private final List<String> remarks;

    Taken(List<String> remarks) {
      this.remarks = remarks;
    }

    /** The command with those of its keys that are still free. */
    Command take(Command command, boolean isChanged) {
      changed.put(command.id(), isChanged);
      List<Keystroke> own = free(command, command.where(), command.keys().own(), isChanged);
      List<Keystroke> plain = free(command, KeyContext.COMMANDS, command.keys().plain(), isChanged);
      List<PhysicalKey> at = free(command, command.where(), command.keys().places(), isChanged);
      return command.with(new Keys(own, plain, at));
    }

    private <K> List<K> free(Command command, KeyContext where, List<K> keys, boolean isChanged) {
      List<K> result = new ArrayList<>();
      for (K key : keys) {
        Optional<Command> other = ownerOf(where, key, isChanged);
        if (other.isEmpty()) {
          owners.put(new Spot(where, key), command);
          result.add(key);
        } else {
          String name = key instanceof PhysicalKey ? "the place of " + key : key.toString();
          remarks.add(both(name, other.get(), command));
        }
      }
      return List.copyOf(result);
    }

    /**
     * As they come, a key may mean one thing anywhere and another at Play; a wish is kept clear.
     */
    private Optional<Command> ownerOf(KeyContext where, Object key, boolean isChanged) {
      for (KeyContext each : KeyContext.values()) {
        Command other = owners.get(new Spot(each, key));
        boolean wished = other != null && (isChanged || changed.get(other.id()));
        if (other != null && (each == where || wished && Commands.meet(each, where))) {
          return Optional.of(other);
        }
      }
      return Optional.empty();
    }

    private static String both(String key, Command first, Command second) {
      return key
          + " is the key of \""
          + first.title()
          + "\" and of \""
          + second.title()
          + "\": the first has it";
    }
  }
}
