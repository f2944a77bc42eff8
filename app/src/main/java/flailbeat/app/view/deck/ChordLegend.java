package flailbeat.app.view.deck;

import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;

/** Names a chord of stacked thirds in as few letters as a cap has room for. */
final class ChordLegend {
  private static final Map<List<Integer>, String> SUFFIXES =
      Map.of(
          List.of(4, 7), "",
          List.of(3, 7), "m",
          List.of(3, 6), "dim",
          List.of(4, 8), "aug",
          List.of(4, 7, 11), "maj7",
          List.of(3, 7, 10), "m7",
          List.of(4, 7, 10), "7",
          List.of(3, 6, 10), "m7b5",
          List.of(3, 6, 9), "dim7",
          List.of(3, 7, 11), "mM7");

  private ChordLegend() {}

  static String of(List<Integer> pitches, IntFunction<String> className) {
    int root = pitches.get(0);
    List<Integer> above = pitches.stream().skip(1).map(p -> p - root).toList();
    return className.apply(root) + SUFFIXES.getOrDefault(above, above.size() == 3 ? "+7" : "+");
  }
}
