package flailbeat.app.command;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Properties;
import java.util.Set;
import java.util.function.ToIntFunction;
import java.util.stream.Stream;
import org.apache.commons.text.similarity.DamerauLevenshteinDistance;

/**
 * Finds commands by what people call things: by their titles, by other words of the trade, by their
 * keys, and by all of these with a letter or two wrong. What comes nearer comes first; of those
 * that come as near, what was chosen more often.
 */
public final class CommandSearch {
  /** A word so long may have one letter wrong, or two neighbours in each other's place. */
  private static final int LONG = 4;

  /** One so long may have two. */
  private static final int LONGER = 8;

  private static final int NEAREST = 5;

  /** Shorter words say nothing of what is nearest. */
  private static final int LEAST = 3;

  /** Ranks: the smaller, the nearer. */
  private static final int ITS_KEY = 0;

  private static final int TITLE_BEGINS = 1;
  private static final int WORD_BEGINS = 2;
  private static final int OTHER_WORDS = 3;
  private static final int INSIDE = 4;
  private static final int MISSPELT = 5;

  private static final Map<String, List<String>> OTHER_WORDS_OF = new LinkedHashMap<>();
  private static final Map<List<String>, String> NOT_HERE = new LinkedHashMap<>();

  static {
    read("other-words").forEach((id, words) -> OTHER_WORDS_OF.put(id, listOf(words)));
    for (String entry : read("not-here").values()) {
      String[] parts = entry.split("\\|", 2);
      NOT_HERE.put(listOf(parts[0]), parts[1].strip());
    }
  }

  /** What keys are called, as far as they are not one sign or a number behind an F. */
  private static final List<String> KEY_WORDS =
      List.of(
          "ctrl",
          "alt",
          "shift",
          "tab",
          "space",
          "enter",
          "esc",
          "delete",
          "backspace",
          "home",
          "end",
          "page");

  /**
   * What a command is called, in small letters: put together once, and not for each letter typed.
   */
  private record Named(Command command, String title, String all, List<String> others) {
    static Named of(Command command) {
      String title =
          (command.titleWords() + " " + command.group().title()).toLowerCase(Locale.ROOT);
      List<String> others = otherWords(command.id());
      return new Named(command, title, " " + title + " " + String.join(" ", others), others);
    }
  }

  private final Commands commands;
  private final ToIntFunction<String> used;
  private List<Named> table = List.of();

  /**
   * Searches a table.
   *
   * @param used how often a command was chosen, by its id
   */
  public CommandSearch(Commands commands, ToIntFunction<String> used) {
    this.commands = commands;
    this.used = used;
  }

  private static Map<String, String> read(String name) {
    Properties properties = new Properties();
    try (Reader in =
        new InputStreamReader(
            CommandSearch.class.getResourceAsStream(name + ".properties"),
            StandardCharsets.UTF_8)) {
      properties.load(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Map<String, String> result = new LinkedHashMap<>();
    properties.stringPropertyNames().stream()
        .sorted()
        .forEach(key -> result.put(key, properties.getProperty(key)));
    return result;
  }

  private static List<String> listOf(String words) {
    return Stream.of(words.split(",")).map(String::strip).toList();
  }

  /** What else a command is called. */
  public static List<String> otherWords(String id) {
    return OTHER_WORDS_OF.getOrDefault(id, List.of());
  }

  /** The ids of all that have other words. */
  public static Set<String> named() {
    return OTHER_WORDS_OF.keySet();
  }

  private record Ranked(Found found, int rank) {}

  private List<Named> all() {
    if (table.isEmpty()) {
      table = commands.all().stream().map(Named::of).toList();
    }
    return table;
  }

  /**
   * The commands that some words are looked for by, the nearest first. Words that nothing has may
   * be the number that a command goes by.
   */
  public List<Found> find(String typed) {
    String[] wanted = wordsOf(typed);
    String key = plain(typed);
    boolean mayBeKey = mayBeKey(key);
    List<Ranked> ranked = new ArrayList<>();
    for (Named each : all()) {
      if (mayBeKey && isKey(each.command(), key)) {
        ranked.add(new Ranked(Found.of(each.command()), ITS_KEY));
      } else {
        rank(each, wanted).ifPresent(ranked::add);
      }
    }
    if (ranked.isEmpty()) {
      all().stream()
          .filter(c -> Arrays.stream(wanted).allMatch(word -> isLike(c.all(), word)))
          .forEach(c -> ranked.add(new Ranked(Found.of(c.command()), MISSPELT)));
    }
    return ranked.stream()
        .sorted(
            Comparator.comparingInt(Ranked::rank)
                .thenComparing(r -> -used.applyAsInt(r.found().command().id())))
        .map(Ranked::found)
        .toList();
  }

  /** What comes nearest where nothing is found: what has most of the words, or the like of them. */
  public List<Found> nearest(String typed) {
    String[] wanted = wordsOf(typed);
    Map<Found, Double> near = new LinkedHashMap<>();
    for (Named each : all()) {
      double sum = 0;
      for (String word : wanted) {
        sum += word.length() < LEAST ? 0 : likeness(each.all(), word);
      }
      if (!each.command().isAnswer() && sum > 0) {
        near.put(Found.of(each.command()), sum);
      }
    }
    return near.entrySet().stream()
        .sorted(Map.Entry.<Found, Double>comparingByValue().reversed())
        .limit(NEAREST)
        .map(Map.Entry::getKey)
        .toList();
  }

  /**
   * What is to be said to who looks for something that is not in this program.
   *
   * @param wasFound whether something was found: then only who typed just that is told
   */
  public Optional<String> notHere(String typed, boolean wasFound) {
    String words = " " + String.join(" ", wordsOf(typed)) + " ";
    return NOT_HERE.entrySet().stream()
        .filter(
            e ->
                e.getKey().stream()
                    .map(w -> " " + w + " ")
                    .anyMatch(w -> wasFound ? words.equals(w) : words.contains(w)))
        .map(Map.Entry::getValue)
        .findFirst()
        .map(commands::inText);
  }

  private static String[] wordsOf(String typed) {
    return typed.strip().toLowerCase(Locale.ROOT).split("\\s+");
  }

  private static Optional<Ranked> rank(Named named, String... wanted) {
    Command command = named.command();
    if (named.others().contains(String.join(" ", wanted))) {
      return Optional.of(new Ranked(Found.of(command), TITLE_BEGINS));
    }
    String title = named.title();
    if (command.amount().isPresent() || isIn(title, "", wanted)) {
      Optional<Ranked> byTitle =
          withLastWords(command, title, wanted)
              .or(() -> with(command, notIn(title, wanted)))
              .map(found -> new Ranked(found, rank(title, wanted)));
      if (byTitle.isPresent()) {
        return byTitle;
      }
    }
    return isIn(named.all(), " ", wanted)
        ? Optional.of(new Ranked(Found.of(command), OTHER_WORDS))
        : Optional.empty();
  }

  /** Whether all words stand in a text, with something before each. */
  private static boolean isIn(String text, String before, String... words) {
    for (String word : words) {
      if (!text.contains(before + word)) {
        return false;
      }
    }
    return true;
  }

  /** Whether a key is the command's, such as ctrl+t. */
  private boolean isKey(Command command, String key) {
    return Stream.of(commands.keysOf(command).split(" or ")).anyMatch(k -> plain(k).equals(key));
  }

  /** Whether somebody may have typed a key, such as ctrl+t or f10: few words look so. */
  private static boolean mayBeKey(String key) {
    return key.length() == 1
        || key.startsWith("f") && Character.isDigit(key.charAt(1))
        || KEY_WORDS.stream().anyMatch(key::startsWith);
  }

  /** A key with no plus and no space in it: both are typed, or neither. */
  private static String plain(String key) {
    return key.toLowerCase(Locale.ROOT).replace(" ", "").replace("+", "");
  }

  private static String[] notIn(String title, String... words) {
    return Stream.of(words).filter(w -> !title.contains(w)).toArray(String[]::new);
  }

  /** Whether a text has a word, or one that is spelt nearly so. */
  private static boolean isLike(String text, String word) {
    return text.contains(word) || misspelt(text, word) >= 0;
  }

  /** How many letters are wrong; -1 for too many. */
  private static int misspelt(String text, String word) {
    if (word.length() < LONG) {
      return -1;
    }
    DamerauLevenshteinDistance distance =
        new DamerauLevenshteinDistance(word.length() < LONGER ? 1 : 2);
    return Stream.of(text.split("[^\\p{L}\\p{N}]+"))
        .filter(w -> w.length() >= LONG - 1)
        .mapToInt(w -> distance.apply(w, word))
        .filter(d -> d >= 0)
        .min()
        .orElse(-1);
  }

  private static double likeness(String text, String word) {
    if (text.contains(word)) {
      return 1;
    }
    int wrong = misspelt(text, word);
    boolean stem = word.length() > LONG && text.contains(word.substring(0, word.length() - 2));
    return wrong >= 0 ? 0.8 / (1 + wrong) : stem ? 0.5 : 0;
  }

  /** A command whose title has the first words, and whose number the last ones are. */
  private static Optional<Found> withLastWords(Command command, String title, String... words) {
    for (int first = 1; first < words.length && command.amount().isPresent(); first++) {
      String[] last = Arrays.copyOfRange(words, first, words.length);
      OptionalInt typed = command.amount().get().typed(last);
      if (typed.isPresent() && isIn(title, "", Arrays.copyOf(words, first))) {
        return Optional.of(new Found(command, typed, false));
      }
    }
    return Optional.empty();
  }

  /** A command with what is left of the words that were typed; empty where that fits nothing. */
  private static Optional<Found> with(Command command, String... left) {
    if (left.length == 0) {
      return Optional.of(Found.of(command));
    }
    if (command.amount().isEmpty()) {
      return Optional.empty();
    }
    OptionalInt typed = command.amount().get().typed(left);
    boolean isNumber = left.length == 1 && left[0].matches("[-+]?\\d+");
    return typed.isPresent() || isNumber
        ? Optional.of(new Found(command, typed, typed.isEmpty()))
        : Optional.empty();
  }

  private static int rank(String title, String... wanted) {
    int rank = title.startsWith(wanted[0]) ? TITLE_BEGINS : WORD_BEGINS;
    for (String word : wanted) {
      if (title.contains(word) && !(" " + title).contains(" " + word)) {
        rank = INSIDE;
      }
    }
    return rank;
  }
}
