package flailbeat.core.quantize.report;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizePlan.Lines;
import flailbeat.core.quantize.QuantizePlan.WholeReading;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * Prints whether a part that swings is offered as such where even lines were asked for, and an even
 * one where swing was; see docs/quantizing.md.
 */
final class SwungReadingReport {
  private static final double NEAR = 3;
  private static final double[] EIGHTHS = {0.85, 0.6};
  private static final double[] SIXTEENTHS = {0.85, 0.4, 0.6, 0.4};

  private SwungReadingReport() {}

  /**
   * A part, and what was asked of it.
   *
   * @param swing what it is meant with
   */
  private record Case(String grid, double swing, String askedGrid, double askedSwing) {
    Lines meant() {
      return new Lines(Grid.parse(grid), swing);
    }

    Lines asked() {
      return new Lines(Grid.parse(askedGrid), askedSwing);
    }

    /** Sixteenths have the lines of even eighths too. */
    boolean isRight(Lines told) {
      boolean same = told.grid().equals(meant().grid());
      return swing == GridLines.EVEN
          ? told.swing() == GridLines.EVEN && (same || askedGrid.equals("1/16"))
          : same && Math.abs(told.swing() - swing) <= NEAR;
    }
  }

  static List<WholeReading> readings(Lines meant, Lines asked, int bars, double spread, int seed) {
    Random random = new Random(53L * seed + 11);
    double bpm = 80 + seed * 7 % 80;
    boolean eighths = meant.grid().toString().equals("1/8");
    Clips.Kind kind =
        new Clips.Kind(
            meant.grid().toString(),
            meant.swing(),
            eighths ? new double[] {0, 0.5} : new double[] {0, 0.25, 0.5, 0.75},
            eighths ? EIGHTHS : SIXTEENTHS);
    double lag = -25 + random.nextInt(66);
    List<Note> notes = Clips.of(kind, bars, bpm, lag, spread, random.nextInt(1 << 20));
    QuantizeSettings settings =
        QuantizeSettings.recommended().withGrid(asked.grid()).withSwing(asked.swing());
    QuantizePlan plan =
        Quantizer.of(settings, TempoMap.of(Tempo.ofBpm(bpm)), MeterMap.of(Meter.COMMON))
            .plan(notes, List.of());
    return plan.readings();
  }

  public static void main(String[] words) {
    int seeds = words.length > 0 ? Integer.parseInt(words[0]) : 100;
    for (int bars : new int[] {2, 8}) {
      System.out.println("Parts of " + bars + " bars:\n");
      print(bars, seeds);
    }
  }

  private static void print(int bars, int seeds) {
    Shares shares = new Shares();
    System.out.println("| meant | asked | spread 8 ms | 12 ms | 18 ms |");
    System.out.println("|---|---|---|---|---|");
    for (Case each :
        List.of(
            new Case("1/8", 50, "1/8", 50),
            new Case("1/8", 50, "1/16", 50),
            new Case("1/16", 50, "1/16", 50),
            new Case("1/8", 58, "1/8", 50),
            new Case("1/8", 62, "1/8", 50),
            new Case("1/8", 67, "1/8", 50),
            new Case("1/8", 58, "1/16", 50),
            new Case("1/8", 62, "1/16", 50),
            new Case("1/8", 67, "1/16", 50),
            new Case("1/16", 60, "1/16", 50),
            new Case("1/8", 50, "1/8", 62),
            new Case("1/8", 62, "1/8", 62))) {
      System.out.printf(Locale.ROOT, "| %s | %s |", each.meant(), each.asked());
      for (double spread : new double[] {8, 12, 18}) {
        int right = 0;
        for (int seed = 0; seed < seeds; seed++) {
          List<WholeReading> all = readings(each.meant(), each.asked(), bars, spread, seed);
          WholeReading likeliest =
              all.stream().max(Comparator.comparingDouble(WholeReading::weight)).orElseThrow();
          boolean good = each.isRight(likeliest.lines().orElse(each.asked()));
          right += good ? 1 : 0;
          double share =
              all.stream()
                  .filter(r -> r.lines().equals(likeliest.lines()))
                  .mapToDouble(WholeReading::weight)
                  .sum();
          boolean swung = likeliest.lines().orElse(each.asked()).swing() != GridLines.EVEN;
          shares.add(share, swung == (each.swing() != GridLines.EVEN));
        }
        System.out.printf(Locale.ROOT, " %.0f %% |", 100.0 * right / seeds);
      }
      System.out.println();
    }
    System.out.println();
    shares.print();
    System.out.println();
  }
}
