package flailbeat.app.command;

import java.util.OptionalInt;

/**
 * A command that was looked for by words.
 *
 * @param typed the number that was typed with them, where it goes by one
 * @param refused whether a number was typed that it cannot go by
 */
public record Found(Command command, OptionalInt typed, boolean refused) {
  /** A command as it is, with no number typed. */
  public static Found of(Command command) {
    return new Found(command, OptionalInt.empty(), false);
  }

  /** Its title, with the number that was typed. */
  public String title() {
    String title = typed.isPresent() ? command.title(typed.getAsInt()) : command.title();
    return refused
        ? title + command.amount().map(a -> ": from " + a.least() + " to " + a.most()).orElse("")
        : title;
  }

  /** Carries it out, with the number that was typed from now on. */
  public void carryOut() {
    command.amount().ifPresent(a -> typed.ifPresent(a.give()));
    command.press().run();
  }
}
