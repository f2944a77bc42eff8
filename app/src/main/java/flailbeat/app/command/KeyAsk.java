package flailbeat.app.command;

import flailbeat.app.command.Command.Keys;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.session.Session;
import flailbeat.core.session.person.KeySets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.input.KeyCode;

/**
 * Asks for a new key of a command: while it does, the next key is the answer and nothing else. A
 * key that another command has is told, and only taken from it when the person says so.
 */
public final class KeyAsk {
  /** A key that was pressed, and whose it is. */
  private record Clash(Keys wanted, String key, List<Command> others) {}

  private final Commands commands;
  private final KeySets sets;
  private final Session session;
  private final List<Runnable> listeners = new ArrayList<>();
  private Optional<Command> asked = Optional.empty();
  private Optional<Clash> clash = Optional.empty();
  private String told = "";

  public KeyAsk(Commands commands, Session session) {
    this.commands = commands;
    this.session = session;
    this.sets = session.person().keySets();
  }

  /** Calls back whenever something else is asked or told. */
  public void onChange(Runnable listener) {
    listeners.add(listener);
  }

  private void changed() {
    listeners.forEach(Runnable::run);
  }

  /** The command that a key is asked for. */
  public Optional<Command> asked() {
    return asked;
  }

  /** Whether the next key is the answer. */
  public boolean isOn() {
    return asked.isPresent();
  }

  /** Whether it is asked if a key is to be taken from another command. */
  public boolean isClash() {
    return clash.isPresent();
  }

  /** What is asked, or what became of the answer, for the person; empty for nothing. */
  public String says() {
    return told;
  }

  /** Asks for a command's key. */
  public void ask(Command command) {
    asked = Optional.of(command);
    clash = Optional.empty();
    told = "Press the new key for \"" + command.title() + "\". Esc leaves it as it is.";
    changed();
  }

  /** Leaves the question: everything is as it was. */
  public void leave() {
    end("");
  }

  private void end(String said) {
    asked = Optional.empty();
    clash = Optional.empty();
    told = said;
    changed();
  }

  /**
   * A key was pressed.
   *
   * @param sign the system's name of it, for keys that are known by their place
   * @param text what it types
   */
  public void press(Keystroke key, String sign, String text) {
    if (asked.isEmpty()) {
      return;
    }
    if (key.code() == KeyCode.ESCAPE && key.isPlain()) {
      leave();
    } else if (clash.isPresent() && key.code() == KeyCode.ENTER && key.isPlain()) {
      takeOver();
    } else if (key.code().isModifierKey()) {
      return;
    } else {
      take(asked.get(), key, session.performer().layout(), sign, text);
    }
  }

  private void take(Command command, Keystroke key, KeyLayout layout, String sign, String text) {
    Optional<PhysicalKey> place =
        command.keys().places().isEmpty() || !key.isTyped()
            ? Optional.empty()
            : layout.placeOf(sign, text);
    if (place.isPresent()) {
      Keys old = command.keys();
      offer(
          command,
          new Keys(old.own(), old.plain(), List.of(place.get())),
          layout.cap(place.get()),
          commands.clash(command, place.get()).map(List::of).orElse(List.of()));
    } else if (key.code() == KeyCode.UNDEFINED) {
      say("The system has no name for that key: press another. Esc leaves it as it is.");
    } else if (commands.refusal(command, key).isPresent()) {
      say(commands.refusal(command, key).get() + ". Press another. Esc leaves it as it is.");
    } else {
      Keys wanted = commands.withKey(command, key);
      offer(command, wanted, key.toString(), commands.clashes(command, key));
    }
  }

  private void say(String text) {
    clash = Optional.empty();
    told = text;
    changed();
  }

  private void offer(Command command, Keys wanted, String key, List<Command> others) {
    if (others.isEmpty()) {
      put(command, wanted, key, List.of());
      return;
    }
    clash = Optional.of(new Clash(wanted, key, others));
    told =
        key
            + " is the key of \""
            + others.get(0).title()
            + "\". Enter takes it from there, Esc leaves it as it is, or press another.";
    changed();
  }

  /** Takes the key from the command that has it. */
  public void takeOver() {
    clash.ifPresent(c -> put(asked.orElseThrow(), c.wanted(), c.key(), c.others()));
  }

  private void put(Command command, Keys wanted, String key, List<Command> losing) {
    Map<String, List<String>> all = sets.with(command.id(), Commands.written(wanted));
    for (Command other : losing) {
      all.put(other.id(), Commands.written(without(other.keys(), wanted)));
    }
    Optional<String> refusal = commands.refusal(all);
    if (refusal.isPresent()) {
      end(refusal.get());
      return;
    }
    sets.change(all);
    String from = losing.isEmpty() ? "" : "; \"" + losing.get(0).title() + "\" has it no more";
    String plain = wanted.plain().stream().anyMatch(k -> k.toString().equals(key)) ? PLAIN : "";
    end(key + " is now the key of \"" + command.title() + "\"" + plain + from);
  }

  private static final String PLAIN = " with the letters at Commands; at Play it is a note";

  private static Keys without(Keys keys, Keys taken) {
    return new Keys(
        keys.own().stream().filter(k -> !has(taken, k)).toList(),
        keys.plain().stream().filter(k -> !has(taken, k)).toList(),
        keys.places().stream().filter(p -> !taken.places().contains(p)).toList());
  }

  private static boolean has(Keys keys, Keystroke key) {
    return keys.own().contains(key) || keys.plain().contains(key);
  }

  /** Takes all its keys from a command. */
  public void clear(Command command) {
    change(sets.with(command.id(), List.of()), "\"" + command.title() + "\" has no key now");
  }

  /** Gives a command the keys that it came with. */
  public void reset(Command command) {
    change(
        sets.without(command.id()), "\"" + command.title() + "\" has the keys that it came with");
  }

  private void change(Map<String, List<String>> wanted, String said) {
    Optional<String> refusal = commands.refusal(wanted);
    if (refusal.isEmpty()) {
      sets.change(wanted);
    }
    end(refusal.orElse(said));
  }
}
