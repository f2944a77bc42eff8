package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.core.keys.KeySign;
import flailbeat.core.session.hands.KeyboardStudy;
import javafx.scene.input.KeyEvent;

/** While the application learns the keyboard, or checks a chord, keys are answers. */
record StudyKeys(KeyboardStudy keyboard, Commands commands) implements KeyTaker {
  @Override
  public String name() {
    return "a lesson or a chord check";
  }

  @Override
  public boolean take(KeyPress press) {
    if (!keyboard.isAsking() || press.hasCommandModifier()) {
      return false;
    }
    if (!press.repeat() && !press.event().getCode().isModifierKey()) {
      answer(press);
    }
    return true;
  }

  private void answer(KeyPress press) {
    Command command = commands.at(KeyContext.LESSON, press.stroke());
    if (command == null) {
      keyboard.press(press.sign());
    } else {
      command.press().run();
    }
  }

  @Override
  public boolean release(KeyName name, KeyEvent e, long nanos) {
    if (keyboard.isAsking()) {
      keyboard.release(new KeySign(e.getCode().name(), e.getText()));
    }
    return false;
  }
}
