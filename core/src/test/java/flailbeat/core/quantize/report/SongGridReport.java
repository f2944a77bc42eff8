package flailbeat.core.quantize.report;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.grids.SongGrid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/** Prints how often the right grid is named for songs of several parts; see docs/quantizing.md. */
final class SongGridReport {
  private static final int BARS = 8;
  private static final int[] PARTS = {1, 2, 3, 4, 6, 8};
  private static final double[] SPREADS = {8, 12, 18};

  private SongGridReport() {}

  static SongGrid.Found named(Clips.Kind kind, int parts, double spread, int seed) {
    double bpm = 80 + seed * 7 % 80;
    TempoMap tempos = TempoMap.of(Tempo.ofBpm(bpm));
    List<List<Note>> notes = Clips.parts(kind, parts, BARS, bpm, spread, seed);
    return new SongGrid(
            new WhichGrid(QuantizeSettings.recommended(), tempos, MeterMap.of(Meter.COMMON)))
        .find(notes, Progress.NONE);
  }

  /** How long eight parts of some 2,000 notes take. */
  private static void time() {
    Clips.Kind kind = Clips.MORE.get(2);
    List<List<Note>> notes = Clips.parts(kind, 8, 320, 120, 12, 1);
    SongGrid asked =
        new SongGrid(
            new WhichGrid(
                QuantizeSettings.recommended(),
                TempoMap.of(Tempo.ofBpm(120)),
                MeterMap.of(Meter.COMMON)));
    int count = notes.stream().mapToInt(List::size).sum();
    double best = Double.MAX_VALUE;
    for (int turn = 0; turn < 30; turn++) {
      long start = System.nanoTime();
      asked.find(notes, Progress.NONE);
      best = Math.min(best, (System.nanoTime() - start) / 1e6);
    }
    System.out.printf(Locale.ROOT, "%neight parts, %d notes: %.0f ms at best%n", count, best);
  }

  public static void main(String[] words) {
    int seeds = words.length > 0 ? Integer.parseInt(words[0]) : 20;
    int from = words.length > 1 ? Integer.parseInt(words[1]) : 0;
    Shares shares = new Shares();
    System.out.println("| made on | 1 part | 2 | 3 | 4 | 6 | 8 | named instead |");
    System.out.println("|---|---|---|---|---|---|---|---|");
    int[] all = new int[PARTS.length];
    for (Clips.Kind kind : Clips.MORE) {
      Map<String, Integer> wrong = new TreeMap<>();
      StringBuilder row = new StringBuilder("| " + kind + " |");
      for (int p = 0; p < PARTS.length; p++) {
        int right = 0;
        for (double spread : SPREADS) {
          for (int seed = from; seed < from + seeds; seed++) {
            WhichGrid.Match first = named(kind, PARTS[p], spread, seed).song().getFirst();
            boolean good = GridReport.isRight(kind, first);
            shares.add(first.probability(), good);
            right += good ? 1 : 0;
            if (!good) {
              wrong.merge(first.toString(), 1, Integer::sum);
            }
          }
        }
        all[p] += right;
        row.append(
            String.format(Locale.ROOT, " %.1f %% |", 100.0 * right / seeds / SPREADS.length));
      }
      System.out.println(row + " " + wrong + " |");
    }
    StringBuilder row = new StringBuilder("| all |");
    for (int right : all) {
      row.append(
          String.format(
              Locale.ROOT,
              " %.2f %% |",
              100.0 * right / seeds / SPREADS.length / Clips.MORE.size()));
    }
    System.out.println(row + " |");
    System.out.println();
    shares.print();
    time();
  }
}
