package flailbeat.core.quantize.report;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/** Prints how often the right grid is named for clips of 8 bars; see docs/quantizing.md. */
final class GridReport {
  private static final int BARS = 8;

  /** A swing so near to the right one is right. */
  private static final double NEAR = 3;

  /** Swing below this is heard as even. */
  private static final double HEARD = 54;

  private GridReport() {}

  static void print(int clips) {
    System.out.println("| made on | right | named instead |");
    System.out.println("|---|---|---|");
    int right = 0;
    for (Clips.Kind kind : Clips.KINDS) {
      Map<String, Integer> wrong = new TreeMap<>();
      int here = 0;
      for (int seed = 0; seed < clips; seed++) {
        WhichGrid.Match named = named(kind, seed);
        if (isRight(kind, named)) {
          here++;
        } else {
          wrong.merge(named.toString(), 1, Integer::sum);
        }
      }
      right += here;
      System.out.printf(Locale.ROOT, "| %s | %.0f %% | %s |%n", kind, 100.0 * here / clips, wrong);
    }
    System.out.printf(Locale.ROOT, "%nAll: %.1f %%%n", 100.0 * right / clips / Clips.KINDS.size());
  }

  static WhichGrid.Match named(Clips.Kind kind, int seed) {
    double bpm = 80 + seed * 7 % 80;
    double lag = seed * 13 % 80 - 30;
    double spread = 10 + seed * 5 % 14;
    TempoMap tempos = TempoMap.of(Tempo.ofBpm(bpm));
    List<Note> notes = Clips.of(kind, BARS, bpm, lag, spread, seed);
    return new WhichGrid(QuantizeSettings.recommended(), tempos, MeterMap.of(Meter.COMMON))
        .rank(notes)
        .get(0);
  }

  static boolean isRight(Clips.Kind kind, WhichGrid.Match named) {
    boolean swingRight =
        kind.swing() == GridLines.EVEN
            ? named.swing() < HEARD
            : Math.abs(named.swing() - kind.swing()) <= NEAR;
    return named.grid().toString().equals(kind.grid()) && swingRight;
  }

  public static void main(String[] words) {
    print(words.length > 0 ? Integer.parseInt(words[0]) : 100);
  }
}
