package flailbeat.core.keys;

import flailbeat.core.pitch.Pitch;
import flailbeat.core.pitch.Scale;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * Which notes lie under which keys, as semitones above the reach's note. Immutable. Places are
 * physical: what is printed on them is the {@link KeyLayout}'s affair.
 *
 * <ul>
 *   <li><b>Home</b>: the home row holds the naturals from C upward, the row above it the black
 *       notes between them; as on a piano nothing lies between E and F, nor between B and C (common
 *       practice).
 *   <li><b>Span</b>: two such rows stacked, the lowest row and the one above it, then the row of Q
 *       and the digits, an octave higher.
 *   <li><b>Pads</b>: four by four, from the lower left corner upward, row by row.
 *   <li><b>Scale</b>: degrees of a scale in a row; the next row up is an octave higher.
 *   <li><b>Chords</b>: triads of a scale on the home row, an octave lower on the row below it,
 *       sevenths on the row above it.
 * </ul>
 */
public final class Arrangement {
  private static final String WHITE_STEPS = "0 2 4 5 7 9 11 12 14 16 17 19";
  private static final String HOME_NATURALS = "A S D F G H J K L SEMICOLON QUOTE";
  private static final String LOW_ROW = "Z X C V B N M COMMA PERIOD SLASH";
  private static final String TOP_ROW = "Q W E R T Y U I O P LEFT_BRACKET RIGHT_BRACKET";
  private static final String PADS = "Z X C V A S D F Q W E R DIGIT_1 DIGIT_2 DIGIT_3 DIGIT_4";

  private final ArrangementKind kind;
  private final boolean own;
  private final Map<PhysicalKey, List<Integer>> semitones = new EnumMap<>(PhysicalKey.class);

  private Arrangement(ArrangementKind kind, boolean own) {
    this.kind = kind;
    this.own = own;
  }

  /**
   * An arrangement.
   *
   * @param key the tonic's pitch class, 0 to 11; for those kinds that have a key
   */
  public static Arrangement of(ArrangementKind kind, int key, Scale scale) {
    Arrangement result = new Arrangement(kind, false);
    switch (kind) {
      case HOME -> {
        result.put(HOME_NATURALS, WHITE_STEPS);
        result.put("W E T Y U O P", "1 3 6 8 10 13 15");
      }
      case SPAN -> {
        result.put(LOW_ROW, WHITE_STEPS);
        result.put("S D G H J L SEMICOLON", "1 3 6 8 10 13 15");
        result.put(TOP_ROW, "12 14 16 17 19 21 23 24 26 28 29 31");
        result.put(
            "DIGIT_2 DIGIT_3 DIGIT_5 DIGIT_6 DIGIT_7 DIGIT_9 DIGIT_0", "13 15 18 20 22 25 27");
      }
      case PADS -> result.putRow(PADS, i -> List.of(i));
      case SCALE -> {
        result.putRow(LOW_ROW, i -> List.of(key + scale.semitones(i) - Pitch.OCTAVE));
        result.putRow(HOME_NATURALS, i -> List.of(key + scale.semitones(i)));
        result.putRow(TOP_ROW, i -> List.of(key + scale.semitones(i) + Pitch.OCTAVE));
      }
      case CHORDS -> {
        Scale full = scale.forChords();
        result.putRow(LOW_ROW, i -> chord(key - Pitch.OCTAVE, full, i, 3));
        result.putRow(HOME_NATURALS, i -> chord(key, full, i, 3));
        result.putRow(TOP_ROW, i -> chord(key, full, i, 4));
      }
    }
    return result;
  }

  /** How many chords have a key of their own. */
  public static final int MOST_CHORDS = 33;

  /**
   * Chords of a person's own: the first under the home row, then the row above it, then that below.
   *
   * @param chords in semitones above the reach's note, each from its lowest note; more than {@link
   *     #MOST_CHORDS} have no key
   */
  public static Arrangement ofChords(List<List<Integer>> chords) {
    Arrangement result = new Arrangement(ArrangementKind.CHORDS, true);
    String[] names = (HOME_NATURALS + " " + TOP_ROW + " " + LOW_ROW).split(" ");
    for (int i = 0; i < Math.min(names.length, chords.size()); i++) {
      result.semitones.put(PhysicalKey.valueOf(names[i]), List.copyOf(chords.get(i)));
    }
    return result;
  }

  /** Home, which is what one starts with. */
  public static Arrangement home() {
    return of(ArrangementKind.HOME, 0, Scale.MAJOR);
  }

  /** Thirds of the scale, one on another. */
  private static List<Integer> chord(int key, Scale scale, int degree, int notes) {
    return IntStream.range(0, notes)
        .map(n -> key + scale.semitones(degree + 2 * n))
        .boxed()
        .toList();
  }

  private void put(String keys, String steps) {
    String[] values = steps.split(" ");
    putRow(keys, i -> List.of(Integer.valueOf(values[i])));
  }

  private void putRow(String keys, java.util.function.IntFunction<List<Integer>> notes) {
    String[] names = keys.split(" ");
    for (int i = 0; i < names.length; i++) {
      semitones.put(PhysicalKey.valueOf(names[i]), notes.apply(i));
    }
  }

  public ArrangementKind kind() {
    return kind;
  }

  /** Whether it holds chords of a person's own, which are of one song and for the moment. */
  public boolean isOwn() {
    return own;
  }

  /** Semitones above the reach's note, lowest first; none for a key that plays nothing. */
  public List<Integer> semitonesAt(PhysicalKey key) {
    return semitones.getOrDefault(key, List.of());
  }

  /** The lowest semitone under the hands: below 0 where rows lie under the reach's note. */
  public int lowest() {
    return semitones.values().stream().mapToInt(List::getFirst).min().orElse(0);
  }

  /** The highest semitone under the hands. */
  public int highest() {
    return semitones.values().stream().mapToInt(List::getLast).max().orElse(0);
  }
}
