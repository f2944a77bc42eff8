package flailbeat.core.harmony;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Chords as they are typed: {@code Dm7 G13 | Cmaj7}. Bar lines part bars; the chords of a bar share
 * it evenly. {@code /} holds the chord before for one more share, {@code %} repeats the bar before,
 * {@code N.C.} is silence.
 *
 * @param bars each with its chords; never empty
 */
public record Progression(List<List<Step>> bars) {
  private static final Pattern WORD = Pattern.compile("\\||[^\\s|]+");
  private static final int MOST_IN_A_BAR = 32;
  private static final int MOST_BARS = 400;

  /**
   * A chord in a bar.
   *
   * @param chord empty for silence
   * @param shares how many of the even parts of its bar it holds
   */
  public record Step(Optional<Chord> chord, int shares) {}

  public Progression {
    bars = bars.stream().map(List::copyOf).toList();
  }

  /**
   * Reads what was typed.
   *
   * @throws ChordFault for the first thing that is wrong, with its place
   */
  public static Progression parse(String text) throws ChordFault {
    List<List<Step>> bars = new ArrayList<>();
    List<Step> bar = new ArrayList<>();
    Matcher word = WORD.matcher(text);
    while (word.find()) {
      if (word.group().equals("|")) {
        if (!bar.isEmpty()) {
          bars.add(bar);
          bar = new ArrayList<>();
        }
      } else {
        add(bars, bar, word);
      }
    }
    if (!bar.isEmpty()) {
      bars.add(bar);
    }
    if (bars.isEmpty()) {
      throw new ChordFault("Type chords, such as Dm7 G7 | C", 0, text.length());
    }
    if (bars.size() > MOST_BARS) {
      throw new ChordFault("That is more than " + MOST_BARS + " bars", 0, text.length());
    }
    return new Progression(bars);
  }

  private static void add(List<List<Step>> bars, List<Step> bar, Matcher word) throws ChordFault {
    String name = word.group();
    switch (name) {
      case "%" -> {
        if (bars.isEmpty() || !bar.isEmpty()) {
          throw new ChordFault(
              "% stands alone in a bar, and repeats the one before", word.start(), word.end());
        }
        bar.addAll(bars.getLast());
      }
      case "/" -> {
        if (bar.isEmpty()) {
          throw new ChordFault(
              "/ holds a chord of the same bar, and there is none yet", word.start(), word.end());
        }
        Step last = bar.removeLast();
        bar.add(new Step(last.chord(), last.shares() + 1));
      }
      case "N.C.", "NC", "-" -> bar.add(new Step(Optional.empty(), 1));
      default -> bar.add(new Step(Optional.of(ChordParser.parse(name, word.start())), 1));
    }
    if (bar.stream().mapToInt(Step::shares).sum() > MOST_IN_A_BAR) {
      throw new ChordFault(
          "A bar holds " + MOST_IN_A_BAR + " chords at most", word.start(), word.end());
    }
  }

  /** Its chords in order. */
  public List<Chord> chords() {
    return bars.stream().flatMap(List::stream).flatMap(s -> s.chord().stream()).toList();
  }
}
