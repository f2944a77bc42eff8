package flailbeat.core.quantize.report;

import flailbeat.core.model.Note;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.grids.SwingSections;
import flailbeat.core.quantize.grids.SwingSections.Section;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * Prints how often the stretches of made parts are found whose swing changes after eight bars, or
 * does not; see docs/quantizing.md.
 */
final class SwingReport {
  private static final long HALF = 8 * 3840L;
  private static final double NEAR = 3;

  private SwingReport() {}

  /** Eight bars with one swing, then eight with another. */
  static List<Note> part(String grid, double before, double after, double spread, int seed) {
    Random random = new Random(31L * seed + 7);
    double bpm = bpm(seed);
    double lag = -25 + random.nextInt(66);
    double[] places =
        grid.equals("1/8") ? new double[] {0, 0.5} : new double[] {0, 0.25, 0.5, 0.75};
    double[] chances =
        grid.equals("1/8") ? new double[] {0.85, 0.6} : new double[] {0.85, 0.4, 0.6, 0.4};
    List<Note> notes = new ArrayList<>();
    for (double swing : new double[] {before, after}) {
      long later = notes.isEmpty() ? 0 : HALF;
      Clips.Kind kind = new Clips.Kind(grid, swing, places, chances);
      for (Note note : Clips.of(kind, 8, bpm, lag, spread, random.nextInt(1 << 20))) {
        notes.add(note.withId(new NoteId(notes.size() + 1L)).shifted(later));
      }
    }
    return notes;
  }

  private static double bpm(int seed) {
    return 80 + seed * 7 % 70;
  }

  static List<Section> found(List<Note> part, String grid, int seed) {
    MeterMap meters = MeterMap.of(Meter.COMMON);
    TempoMap tempos = TempoMap.of(Tempo.ofBpm(bpm(seed)));
    return new SwingSections(new WhichGrid(QuantizeSettings.recommended(), tempos, meters), meters)
        .find(part, Grid.parse(grid), Progress.NONE);
  }

  static boolean isRight(List<Section> found, double before, double after) {
    if (before == after) {
      return found.size() == 1;
    }
    return found.size() == 2
        && found.get(0).range().equals(new TickRange(0, HALF))
        && Math.abs(found.get(0).swing() - before) <= NEAR
        && Math.abs(found.get(1).swing() - after) <= NEAR;
  }

  public static void main(String[] words) {
    int seeds = words.length > 0 ? Integer.parseInt(words[0]) : 20;
    System.out.println("| grid | swing before | after | spread 8 ms | 12 ms | 18 ms |");
    System.out.println("|---|---|---|---|---|---|");
    for (String grid : new String[] {"1/8", "1/16"}) {
      for (double[] swing :
          new double[][] {{50, 50}, {62, 62}, {50, 58}, {50, 66}, {66, 50}, {58, 68}}) {
        System.out.printf(Locale.ROOT, "| %s | %.0f | %.0f |", grid, swing[0], swing[1]);
        for (double spread : new double[] {8, 12, 18}) {
          int right = 0;
          for (int seed = 0; seed < seeds; seed++) {
            List<Note> part = part(grid, swing[0], swing[1], spread, seed);
            right += isRight(found(part, grid, seed), swing[0], swing[1]) ? 1 : 0;
          }
          System.out.printf(Locale.ROOT, " %.0f %% |", 100.0 * right / seeds);
        }
        System.out.println();
      }
    }
  }
}
