package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.core.session.Session;
import javafx.scene.input.KeyCode;

/**
 * While doubtful notes are walked through, a key that types something decides: any but the walk's
 * commands keeps the line. The Esc that follows its last note is still meant for it.
 */
final class WalkKeys implements KeyTaker {
  private final Session session;
  private final Commands commands;
  private boolean justEnded;

  WalkKeys(Session session, Commands commands) {
    this.session = session;
    this.commands = commands;
  }

  @Override
  public String name() {
    return "the walk through doubtful notes";
  }

  @Override
  public boolean take(KeyPress press) {
    boolean isEscape = press.event().getCode() == KeyCode.ESCAPE;
    boolean wasJustEnded = justEnded;
    justEnded = false;
    if (wasJustEnded && isEscape) {
      return true;
    }
    if (!session.doubts().isOn() || press.hasCommandModifier()) {
      return false;
    }
    Command command = commands.at(KeyContext.WALK, press.stroke());
    if (command == null && !press.stroke().isTyped()) {
      return false;
    }
    if (!press.repeat()) {
      decide(command);
      justEnded = !session.doubts().isOn() && !isEscape;
    }
    return true;
  }

  private void decide(Command command) {
    if (command == null) {
      session.doubts().keep().ifPresent(session.notices()::tell);
    } else {
      command.press().run();
    }
  }
}
