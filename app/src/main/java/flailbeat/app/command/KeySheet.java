package flailbeat.app.command;

import flailbeat.app.command.Command.Group;
import flailbeat.app.command.Command.Kind;
import flailbeat.app.command.Command.Where;
import java.util.List;

/** The commands with their keys, as a page to read. */
public final class KeySheet {
  private KeySheet() {}

  /** Those of a group that have a key there, in the order in which they are shown. */
  public static List<Command> of(Commands commands, Group group, Where where) {
    return commands.of(group).stream().filter(c -> !keys(c, where).isEmpty()).toList();
  }

  /** The keys that a command has there; empty for none. */
  public static String keys(Command command, Where where) {
    boolean here = command.where() == Where.ANYWHERE || command.where() == where;
    List<Keystroke> keys =
        here && where == Where.COMMANDS && !command.plain().isEmpty()
            ? command.plain()
            : here ? command.keys() : List.of();
    return Keystroke.inWords(keys);
  }

  /** All commands as a table of Markdown, a part for each group. */
  public static String markdown(Commands commands) {
    StringBuilder text =
        new StringBuilder("# Commands and their keys\n\nMade from the table of commands: ")
            .append("`mvn test -pl app -am -Dtest=CommandsTest -Dkeys.write=true ")
            .append("-Dsurefire.failIfNoSpecifiedTests=false` writes it anew.\n");
    for (Group group : Group.values()) {
      text.append("\n## ")
          .append(group.title())
          .append("\n\n| what | keys | when |\n|---|---|---|\n");
      for (Command command : commands.of(group)) {
        text.append("| ").append(command.title()).append(" | ").append(code(command.keys()));
        if (!command.plain().isEmpty()) {
          text.append(command.keys().isEmpty() ? "" : "; ")
              .append("with the keys at *Commands* ")
              .append(code(command.plain()));
        }
        String repeats = command.kind() == Kind.REPEAT ? ", repeats" : "";
        text.append(" | ")
            .append(command.where().title())
            .append(repeats)
            .append(command.untilWhen())
            .append(" |\n");
      }
    }
    return text.toString();
  }

  private static String code(List<Keystroke> keys) {
    return String.join(
        " or ",
        keys.stream().map(k -> k.toString().equals("`") ? "`` ` ``" : "`" + k + "`").toList());
  }
}
