package flailbeat.app.view.deck;

import flailbeat.core.harmony.ChordKind;
import java.util.List;
import java.util.function.IntFunction;

/** Names a chord of stacked thirds in as few letters as a cap has room for. */
final class ChordLegend {
  private ChordLegend() {}

  static String of(List<Integer> pitches, IntFunction<String> className) {
    int root = pitches.getFirst();
    List<Integer> above = pitches.stream().map(p -> p - root).toList();
    String symbol =
        ChordKind.ofSemitones(above).map(ChordKind::symbol).orElse(above.size() == 4 ? "+7" : "+");
    return className.apply(root) + symbol;
  }
}
