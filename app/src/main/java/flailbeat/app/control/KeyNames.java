package flailbeat.app.control;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Tells which key a command has, for texts that name one: they name the command. */
@FunctionalInterface
public interface KeyNames {
  /** A command in a text, with the bracket that it is alone in, if it is. */
  Pattern COMMAND = Pattern.compile("( \\()?\\{([a-z0-9-]+)}(\\))?");

  /** The key of a command as people read it; empty when it has none. */
  String of(String command);

  /** A text with the key of each command that it names in braces, such as {@code {undo}}. */
  default String inText(String text) {
    if (text.indexOf('{') < 0) {
      return text;
    }
    Matcher matcher = COMMAND.matcher(text);
    StringBuilder result = new StringBuilder();
    while (matcher.find()) {
      String key = of(matcher.group(2));
      String before = matcher.group(1) == null ? "" : matcher.group(1);
      String after = matcher.group(3) == null ? "" : matcher.group(3);
      boolean alone = !before.isEmpty() && !after.isEmpty();
      String shown = key.isEmpty() && alone ? "" : before + key + after;
      matcher.appendReplacement(result, Matcher.quoteReplacement(shown));
    }
    return matcher.appendTail(result).toString();
  }
}
