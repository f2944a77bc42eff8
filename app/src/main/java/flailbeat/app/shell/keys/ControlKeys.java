package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.app.control.ControlWalk;
import java.util.Set;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;

/**
 * While the focus is led through the controls: Tab goes on, Space and Enter press, arrows move what
 * can be moved and go on elsewhere, Esc gives the keys back. Other letters are nobody's; keys with
 * Ctrl or Alt and function keys are commands as ever.
 */
final class ControlKeys implements KeyTaker {
  /** Who gives the letters to somebody else has left the controls. */
  private static final Set<String> LETTERS_TO = Set.of("keys-switch", "keys-steps");

  private final ControlWalk walk;
  private final Commands commands;

  ControlKeys(ControlWalk walk, Commands commands) {
    this.walk = walk;
    this.commands = commands;
  }

  @Override
  public String name() {
    return "the controls";
  }

  @Override
  public boolean take(KeyPress press) {
    if (!walk.on().get() || press.hasCommandModifier()) {
      return false;
    }
    int shift = press.event().isShiftDown() ? -1 : 1;
    switch (press.event().getCode()) {
      case TAB -> walk.step(shift);
      case ESCAPE -> walk.leave();
      case ENTER, SPACE -> {
        if (!press.repeat()) {
          walk.press();
        }
      }
      case RIGHT, UP -> move(press, 1);
      case LEFT, DOWN -> move(press, -1);
      default -> {
        Command command = commands.at(KeyContext.ANYWHERE, press.stroke());
        if (command != null && LETTERS_TO.contains(command.id())) {
          walk.leave();
        }
        return !press.event().getCode().isFunctionKey();
      }
    }
    return true;
  }

  /** In a list down is on; a slider goes up by right and up. */
  private void move(KeyPress press, int by) {
    boolean isList = walk.current().filter(n -> n instanceof ListView).isPresent();
    boolean vertical =
        press.event().getCode() == KeyCode.UP || press.event().getCode() == KeyCode.DOWN;
    if (!walk.move(isList && vertical ? -by : by)) {
      walk.step(vertical ? -by : by);
    }
  }
}
