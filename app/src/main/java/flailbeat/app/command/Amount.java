package flailbeat.app.command;

import java.util.Locale;
import java.util.OptionalInt;
import java.util.function.IntConsumer;
import java.util.function.IntFunction;
import java.util.function.IntSupplier;
import java.util.stream.IntStream;

/**
 * A number that a command goes by. It is typed behind the command's name in the finder, is kept,
 * and stands in the title in the place of {@value #MARK}.
 *
 * @param least the least that it can be
 * @param most the most that it can be
 * @param words how it reads
 * @param now what it is now
 * @param give sets it
 */
public record Amount(
    int least, int most, IntFunction<String> words, IntSupplier now, IntConsumer give) {
  /** Where it stands in a title. */
  public static final String MARK = "#";

  /** How it reads now. */
  String inWords() {
    return words.apply(now.getAsInt());
  }

  /** What it can be. */
  public String range() {
    return words.apply(least) + " to " + words.apply(most);
  }

  /** The first number whose words have all of those that were typed, or beginnings of them. */
  OptionalInt typed(String... typed) {
    return IntStream.rangeClosed(least, most).filter(n -> fits(n, typed)).findFirst();
  }

  private boolean fits(int number, String... typed) {
    // Asked of every number of every command for each letter typed: nothing is taken apart here.
    String own = " " + words.apply(number).toLowerCase(Locale.ROOT) + " ";
    for (String each : typed) {
      if (!own.contains(each.length() > 2 ? " " + each : " " + each + " ")) {
        return false;
      }
    }
    return true;
  }
}
