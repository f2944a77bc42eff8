package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import java.util.function.BooleanSupplier;

/**
 * Something that stands for a moment, and has the few keys that put an end to it.
 *
 * @param name who it is
 * @param stands whether it is there
 * @param anyModifiers whether its keys count with any modifiers
 */
record AnswerKeys(
    String name, Commands commands, KeyContext where, BooleanSupplier stands, boolean anyModifiers)
    implements KeyTaker {
  @Override
  public boolean take(KeyPress press) {
    Command command =
        stands.getAsBoolean()
            ? commands.at(where, anyModifiers ? press.stroke().withoutModifiers() : press.stroke())
            : null;
    if (command != null) {
      command.press().run();
    }
    return command != null;
  }
}
