package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Command.Kind;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Keystroke;
import flailbeat.app.control.EntryField;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.session.Session;
import flailbeat.core.session.hands.Performer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** The commands: done once, again and again, or for as long as their key is held. */
final class CommandKeys implements KeyTaker {
  private final Session session;
  private final Performer performer;
  private final Commands commands;
  private final Map<KeyName, Command> held = new HashMap<>();

  /** Goes on although its keys came up, until they are pressed again. */
  private final List<Command> latched = new ArrayList<>();

  CommandKeys(Session session, Commands commands) {
    this.session = session;
    this.performer = session.performer();
    this.commands = commands;
  }

  @Override
  public String name() {
    return "the commands";
  }

  @Override
  public boolean take(KeyPress press) {
    if (!press.repeat() && !latched.isEmpty() && press.stroke().code() == KeyCode.ESCAPE) {
      endLatched();
      return true;
    }
    Optional<PhysicalKey> place = press.placeIn(performer.layout());
    Command command = commandAt(press.stroke(), place);
    if (command == null) {
      command = placeCommand(press, place);
    }
    if (command == null) {
      return false;
    }
    if (EntryField.takeTyped(press.scene())) {
      carryOut(command, press);
    }
    return true;
  }

  private void carryOut(Command command, KeyPress press) {
    if (!command.isPossible()) {
      if (!press.repeat()) {
        session.notices().tell(command.whyNot());
      }
    } else if (command.kind() == Kind.HOLD) {
      hold(command, press);
    } else if (!press.repeat() || command.kind() == Kind.REPEAT) {
      command.press().run();
    }
  }

  private void hold(Command command, KeyPress press) {
    if (press.repeat()) {
      return;
    }
    if (latched.remove(command)) {
      command.release().run();
    } else if (session.person().ease().isLatching()) {
      latched.add(command);
      command.press().run();
    } else if (held.putIfAbsent(press.name(), command) == null) {
      command.press().run();
    }
  }

  private void endLatched() {
    latched.forEach(command -> command.release().run());
    latched.clear();
  }

  /** At Steps, Ctrl or Alt reaches the command at a place that a note covers. */
  private Command placeCommand(KeyPress press, Optional<PhysicalKey> place) {
    KeyEvent e = press.event();
    boolean covered = performer.keysMode() == KeysMode.STEPS && e.isShortcutDown() != e.isAltDown();
    return press.hasCommandModifier() && !covered
        ? null
        : place
            .map(p -> commands.at(position(), p))
            .filter(command -> !covered || command.where() == KeyContext.STEPS)
            .orElse(null);
  }

  private KeyContext position() {
    return KeyContext.of(performer.keysMode());
  }

  /** While Shift is held to accent, what a key does while it is held is still there. */
  private Command commandAt(Keystroke key, Optional<PhysicalKey> place) {
    KeyContext where = position();
    Command found = commands.at(where, key, place);
    if (found != null || !key.shift() || where == KeyContext.COMMANDS) {
      return found;
    }
    Command plain = commands.at(where, key.withoutShift(), place);
    return plain != null && plain.kind() == Kind.HOLD ? plain : null;
  }

  @Override
  public boolean release(KeyName name, KeyEvent e, long nanos) {
    Command command = held.remove(name);
    if (command != null) {
      command.release().run();
    }
    return false;
  }

  /** What is held by a key with Ctrl or Alt ends with whichever of them comes up first. */
  void modifierUp(KeyCode modifier) {
    if (modifier == KeyCode.SHIFT) {
      return;
    }
    held.values()
        .removeIf(
            command -> {
              boolean ends = command.keys().own().stream().noneMatch(Keystroke::isPlain);
              if (ends) {
                command.release().run();
              }
              return ends;
            });
  }

  @Override
  public void letGo(long nanos) {
    held.values().forEach(command -> command.release().run());
    held.clear();
    endLatched();
  }
}
