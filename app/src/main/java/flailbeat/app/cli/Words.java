package flailbeat.app.cli;

import flailbeat.core.quantize.QuantizeSettings;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;
import picocli.CommandLine;
import picocli.CommandLine.TypeConversionException;

/** What is typed for an option, read so that a mistake is told in plain words. */
final class Words {
  private Words() {}

  static CommandLine of(CommandLine line) {
    return line.setCaseInsensitiveEnumValuesAllowed(true)
        .registerConverter(Double.class, Words::number)
        .registerConverter(double.class, Words::number)
        .registerConverter(Integer.class, Words::whole)
        .registerConverter(Path.class, Words::path)
        .registerConverter(
            QuantizeSettings.Method.class, w -> one(QuantizeSettings.Method.class, w))
        .registerConverter(QuantizeSettings.Ends.class, w -> one(QuantizeSettings.Ends.class, w))
        .registerConverter(QuantizeCommand.Beat.class, w -> one(QuantizeCommand.Beat.class, w));
  }

  private static double number(String word) {
    try {
      return Double.parseDouble(word);
    } catch (NumberFormatException e) {
      throw fault("\"" + word + "\" is no number; write digits alone, such as 50", e);
    }
  }

  private static int whole(String word) {
    try {
      return Integer.parseInt(word);
    } catch (NumberFormatException e) {
      throw fault("\"" + word + "\" is no whole number", e);
    }
  }

  private static Path path(String word) {
    try {
      return Path.of(word);
    } catch (InvalidPathException e) {
      throw fault("\"" + word + "\" is no name that a file can have here", e);
    }
  }

  private static <E extends Enum<E>> E one(Class<E> kind, String word) {
    for (E value : kind.getEnumConstants()) {
      if (value.name().equalsIgnoreCase(word)) {
        return value;
      }
    }
    String all =
        Arrays.stream(kind.getEnumConstants())
            .map(v -> v.name().toLowerCase(Locale.ROOT))
            .collect(Collectors.joining(", "));
    throw fault("\"" + word + "\" is none of: " + all, null);
  }

  private static TypeConversionException fault(String message, Exception cause) {
    TypeConversionException fault = new TypeConversionException(message);
    fault.initCause(cause);
    return fault;
  }
}
