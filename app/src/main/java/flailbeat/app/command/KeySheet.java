package flailbeat.app.command;

import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Command.Keys;
import flailbeat.app.command.Command.Kind;
import flailbeat.core.keys.KeyLayout;
import java.util.ArrayList;
import java.util.List;

/** The commands with their keys, as a page to read. */
public final class KeySheet {
  private static final KeyLayout QWERTY = KeyLayout.QWERTY;

  private KeySheet() {}

  /** Those of a group that have a key there, in the order in which they are shown. */
  public static List<Command> of(Commands commands, Group group, KeyContext where) {
    return commands.of(group).stream().filter(c -> !commands.keysOf(c, where).isEmpty()).toList();
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
        text.append("| ").append(command.title()).append(" | ").append(keys(command.keys()));
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

  /** The keys that there are at some positions as a page for a browser, a part for each. */
  public static String html(Commands commands, List<KeyContext> positions) {
    StringBuilder text =
        new StringBuilder("<!doctype html>\n<html lang=\"en\"><meta charset=\"utf-8\">")
            .append("<title>Flailbeat: the keys</title>\n<style>body { font: 10pt sans-serif }")
            .append(" section { columns: 3; break-after: page } table { break-inside: avoid }")
            .append(" td { padding: 1pt 6pt; vertical-align: top } .k { font-weight: bold }")
            .append("</style>\n");
    for (KeyContext where : positions) {
      text.append("<h1>The keys, with ").append(where.title()).append("</h1>\n<section>\n");
      for (Group group : Group.values()) {
        List<Command> list = of(commands, group, where);
        if (!list.isEmpty()) {
          text.append("<table><caption>").append(group.title()).append("</caption>\n");
          list.forEach(c -> row(text, commands.keysOf(c, where), c.title() + c.untilWhen()));
          text.append("</table>\n");
        }
      }
      text.append("</section>\n");
    }
    return text.append("</html>\n").toString();
  }

  private static void row(StringBuilder text, String keys, String what) {
    text.append("<tr><td class=\"k\">")
        .append(escaped(keys))
        .append("</td><td>")
        .append(escaped(what))
        .append("</td></tr>\n");
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
  }

  private static String keys(Keys keys) {
    List<String> parts = new ArrayList<>();
    if (!keys.own().isEmpty()) {
      parts.add(code(keys.own()));
    }
    if (!keys.plain().isEmpty()) {
      parts.add("with the keys at *Commands* " + code(keys.plain()));
    }
    if (!keys.places().isEmpty()) {
      parts.add("where QWERTY has " + code(keys.places().stream().map(QWERTY::cap).toList()));
    }
    return String.join("; ", parts);
  }

  private static String code(List<?> keys) {
    return String.join(
        " or ",
        keys.stream().map(k -> k.toString().equals("`") ? "`` ` ``" : "`" + k + "`").toList());
  }
}
