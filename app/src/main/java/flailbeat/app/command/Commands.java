package flailbeat.app.command;

import flailbeat.app.command.Command.Group;
import flailbeat.app.command.Command.Where;
import flailbeat.app.control.KeyNames;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Every command, in one table: keys, menus, finder, sheet and texts ask it and nothing else. */
public final class Commands implements KeyNames {
  private final Map<String, Command> byId = new LinkedHashMap<>();
  private final Map<Where, Map<Keystroke, Command>> byKey = new EnumMap<>(Where.class);

  /**
   * A table.
   *
   * @throws IllegalArgumentException when two have one id, or one key at the same place
   */
  public Commands(List<Command> commands) {
    for (Command command : commands) {
      if (byId.put(command.id(), command) != null) {
        throw new IllegalArgumentException("There are two commands \"" + command.id() + "\"");
      }
      command.keys().forEach(key -> put(command.where(), key, command));
      command.plain().forEach(key -> put(Where.COMMANDS, key, command));
    }
  }

  private void put(Where where, Keystroke key, Command command) {
    Command other = byKey.computeIfAbsent(where, w -> new HashMap<>()).put(key, command);
    if (other != null) {
      throw new IllegalArgumentException(
          key + " is the key of \"" + other.id() + "\" and of \"" + command.id() + "\"");
    }
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
  public Command at(Where where, Keystroke key) {
    Map<Keystroke, Command> there = byKey.get(where);
    Command found = there == null ? null : there.get(key);
    boolean everywhere = where == Where.COMMANDS || where == Where.PLAY;
    Map<Keystroke, Command> anywhere = byKey.get(Where.ANYWHERE);
    return found == null && everywhere && anywhere != null ? anywhere.get(key) : found;
  }

  @Override
  public String of(String command) {
    Command found = get(command);
    List<Keystroke> keys = found.keys().isEmpty() ? found.plain() : found.keys();
    return keys.isEmpty() ? "" : keys.get(0).toString();
  }

  /** All keys of a command as people read them; empty for none. */
  public static String keysOf(Command command) {
    return Keystroke.inWords(
        Stream.concat(command.keys().stream(), command.plain().stream()).toList());
  }

  /**
   * The commands whose titles have all of some words, or beginnings of words, in them: those that
   * begin with the first of them before the others.
   */
  public List<Command> find(String words) {
    String[] wanted = words.strip().toLowerCase(Locale.ROOT).split("\\s+");
    List<Command> result = new ArrayList<>();
    for (Command command : byId.values()) {
      if (rank(command, wanted).isPresent()) {
        result.add(command);
      }
    }
    result.sort(Comparator.comparingInt(c -> rank(c, wanted).orElseThrow()));
    return result;
  }

  /** 0 where the title begins with the first word, 1 where a word does, 2 where it is inside. */
  private static Optional<Integer> rank(Command command, String[] wanted) {
    String title = (command.title() + " " + command.group().title()).toLowerCase(Locale.ROOT);
    int rank = title.startsWith(wanted[0]) ? 0 : 1;
    for (String word : wanted) {
      if (!title.contains(word)) {
        return Optional.empty();
      }
      if (!(" " + title).contains(" " + word)) {
        rank = 2;
      }
    }
    return Optional.of(rank);
  }
}
