package flailbeat.core.harmony;

import flailbeat.core.pitch.Fifths;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads names of chords as people write them on lead sheets: {@code Dm7}, {@code F#m7b5/A}, {@code
 * Bbmaj9}, {@code G-7}, {@code Co7}. Of several usual ways to write a kind all are read.
 */
public final class ChordParser {
  private static final Pattern ROOT = Pattern.compile("([A-G])(#{1,2}|b{1,2}|\u266F|\u266D)?");

  private static final String[][] WAYS = {
    {"", "maj", "M", "major"},
    {"m", "min", "-", "mi", "minor"},
    {"dim", "o", "\u00B0"},
    {"aug", "+", "#5"},
    {"sus4", "sus"},
    {"6", "maj6", "M6", "add6"},
    {"m6", "min6", "-6", "mi6"},
    {"7", "dom7"},
    {"maj7", "M7", "ma7", "\u0394", "\u03947", "\u25B3", "\u25B37", "j7"},
    {"m7", "min7", "-7", "mi7"},
    {"mMaj7", "mM7", "m/maj7", "minmaj7", "-maj7", "mmaj7", "m\u03947", "m#7"},
    {"m7b5", "\u00F8", "\u00F87", "-7b5", "min7b5", "h7"},
    {"dim7", "o7", "\u00B07"},
    {"7#5", "aug7", "+7", "7+"},
    {"maj7#5", "M7#5", "+maj7", "augmaj7"},
    {"7sus4", "7sus"},
    {"add9", "add2", "2"},
    {"madd9", "madd2", "-add9", "minadd9"},
    {"add11", "add4", "4"},
    {"madd11", "madd4"},
    {"69", "6/9", "6add9"},
    {"m69", "m6/9", "-69"},
    {"9", "dom9"},
    {"maj9", "M9", "ma9", "\u03949"},
    {"m9", "min9", "-9", "mi9"},
    {"mMaj9", "mM9", "-maj9", "mmaj9"},
    {"9sus4", "9sus", "11sus"},
    {"7#11", "7+11"},
    {"maj7#11", "M7#11", "maj7+11", "\u03947#11"},
    {"maj9#11", "M9#11"},
    {"m11", "min11", "-11", "mi11"},
    {"13", "dom13"},
    {"m13", "min13", "-13"},
    {"maj13", "M13", "ma13"},
    {"13sus4", "13sus"},
    {"7b13", "7-13"},
    {"7b9", "7-9"},
    {"7#9", "7+9"},
  };

  private static final Map<String, ChordKind> KINDS = kinds();

  private ChordParser() {}

  private static Map<String, ChordKind> kinds() {
    Map<String, ChordKind> result = new HashMap<>();
    for (ChordKind kind : ChordKind.values()) {
      result.put(kind.symbol(), kind);
    }
    for (String[] ways : WAYS) {
      ChordKind kind = result.get(ways[0]);
      Arrays.stream(ways).forEach(way -> result.put(way, kind));
    }
    return result;
  }

  /**
   * A chord.
   *
   * @param name without spaces around it
   * @param offset where it stands in what was typed: faults are told there
   */
  static Chord parse(String name, int offset) throws ChordFault {
    Matcher root = ROOT.matcher(name);
    int end = offset + name.length();
    if (!root.lookingAt()) {
      throw new ChordFault(
          "A chord begins with its root, A to G: \u201c" + name + "\u201d does not", offset, end);
    }
    int slash = bassSlash(name, root.end());
    String kindName = name.substring(root.end(), slash < 0 ? name.length() : slash);
    ChordKind kind = KINDS.get(kindName.replace("(", "").replace(")", "").replace(",", ""));
    if (kind == null) {
      throw new ChordFault(
          "There is no chord \u201c"
              + kindName
              + "\u201d on "
              + root.group()
              + "; usual are m, 7, maj7, m7, dim, sus4, 6, 9, 13",
          offset + root.end(),
          offset + root.end() + kindName.length());
    }
    int fifths = fifths(root);
    if (slash < 0) {
      return Chord.of(fifths, kind);
    }
    Matcher bass = ROOT.matcher(name.substring(slash + 1));
    if (!bass.matches()) {
      throw new ChordFault(
          "Behind the stroke stands a bass note, such as " + root.group() + "/E",
          offset + slash,
          end);
    }
    return new Chord(fifths, kind, fifths(bass));
  }

  /** A chord by its name; empty for what is none. */
  public static Optional<Chord> parse(String name) {
    try {
      return Optional.of(parse(name.strip(), 0));
    } catch (ChordFault e) {
      return Optional.empty();
    }
  }

  /** Where a bass begins: the last stroke that is not of 6/9 or m/maj7. */
  private static int bassSlash(String name, int from) {
    int slash = name.lastIndexOf('/');
    if (slash < from) {
      return -1;
    }
    boolean ofKind = KINDS.containsKey(name.substring(from)) && !name.endsWith("/");
    return ofKind ? -1 : slash;
  }

  private static int fifths(Matcher note) {
    String signs = note.group(2) == null ? "" : note.group(2);
    int sharps = 0;
    for (char sign : signs.toCharArray()) {
      sharps += sign == '#' || sign == '\u266F' ? 1 : -1;
    }
    return Fifths.of(note.group(1).charAt(0), sharps);
  }
}
