package flailbeat.core.quantize.fit;

import flailbeat.core.quantize.fit.Generated.Manner;
import flailbeat.core.quantize.fit.Generated.Rhythm;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** Prints how often rounding, an oracle and Fit find what was meant; see docs/quantizing.md. */
public final class FitReport {
  private static final int PHRASES = 100;
  private static final int BARS = 16;

  private FitReport() {}

  public static void main(String[] words) {
    formula();
    double[][] reliability = new double[10][3];
    List<FitTrial> all = rows("Every condition", conditions(), reliability);
    summary(all, reliability);
    rows("Hard cases", hardCases(), new double[10][3]);
  }

  /** One thing is varied at a time, for each rhythm. */
  private static List<Manner> conditions() {
    List<Manner> manners = new ArrayList<>();
    for (Rhythm rhythm : Rhythm.values()) {
      for (double spread : new double[] {10, 18, 25, 32}) {
        manners.add(new Manner(rhythm, 110, spread, 20, 0, 0));
      }
      for (double lag : new double[] {-60, -30, 0, 40, 60, 80}) {
        manners.add(new Manner(rhythm, 110, 18, lag, 0, 0));
      }
      for (double bpm : new double[] {80, 140, 180}) {
        manners.add(new Manner(rhythm, bpm, 18, 20, 0, 0));
      }
      manners.add(new Manner(rhythm, 110, 18, 20, 3, 0));
      manners.add(new Manner(rhythm, 110, 18, 20, 0, 0.0025));
    }
    return manners;
  }

  /** Late by half a slot, and off-beat playing that is late as well. */
  private static List<Manner> hardCases() {
    return List.of(
        new Manner(Rhythm.STRAIGHT, 110, 18, 68.2, 0, 0),
        new Manner(Rhythm.OFF_BEAT, 110, 18, 68.2, 0, 0),
        new Manner(Rhythm.OFF_BEAT, 140, 18, 53.6, 0, 0),
        new Manner(Rhythm.OFF_BEAT, 110, 25, 80, 0, 0),
        new Manner(Rhythm.TRIPLET, 140, 18, 71.4, 0, 0));
  }

  private static List<FitTrial> rows(String title, List<Manner> manners, double[][] reliability) {
    System.out.printf("%n### %s%n%n", title);
    System.out.println(
        "| rhythm | bpm | spread ms | lag ms | walk | creep | nearest | oracle | Fit | worst |");
    System.out.println("|---|---|---|---|---|---|---|---|---|---|");
    List<FitTrial> trials = new ArrayList<>();
    for (Manner m : manners) {
      FitTrial t = FitTrial.of(m, PHRASES, BARS, reliability);
      trials.add(t);
      System.out.printf(
          Locale.ROOT,
          "| %s | %.0f | %.0f | %.0f | %.0f | %.2f %% | %.2f | %.2f | %.2f | %+.1f |%n",
          m.rhythm().title(),
          m.bpm(),
          m.spreadMs(),
          m.lagMs(),
          m.walkMs(),
          100 * m.creep(),
          t.percent(t.nearest),
          t.percent(t.oracle),
          t.percent(t.fit),
          t.worst);
    }
    return trials;
  }

  private static void summary(List<FitTrial> all, double[][] reliability) {
    System.out.printf("%n### In the mean%n%n");
    System.out.println(
        "| rhythms | nearest | oracle | Fit | doubtful | right once those are decided |");
    System.out.println("|---|---|---|---|---|---|");
    int perRhythm = all.size() / Rhythm.values().length;
    for (Rhythm rhythm : Rhythm.values()) {
      int from = rhythm.ordinal() * perRhythm;
      mean(rhythm.title(), all.subList(from, from + perRhythm));
    }
    mean("all but sixteenths mixed with triplets", all.subList(0, all.size() - perRhythm));
    mean("all", all);
    System.out.printf("%n### Doubt against truth%n%n");
    System.out.println("| doubt said | notes | mean said | wrong |");
    System.out.println("|---|---|---|---|");
    for (int i = 0; i < reliability.length; i++) {
      double[] r = reliability[i];
      if (r[0] > 0) {
        System.out.printf(
            Locale.ROOT,
            "| %d to %d %% | %.0f | %.1f %% | %.1f %% |%n",
            10 * i,
            10 * i + 10,
            r[0],
            100 * r[1] / r[0],
            100 * r[2] / r[0]);
      }
    }
  }

  private static void mean(String title, List<FitTrial> trials) {
    System.out.printf(
        Locale.ROOT,
        "| %s | %.2f | %.2f | %.2f | %.2f %% | %.2f %% |%n",
        title,
        trials.stream().mapToDouble(t -> t.percent(t.nearest)).average().orElse(0),
        trials.stream().mapToDouble(t -> t.percent(t.oracle)).average().orElse(0),
        trials.stream().mapToDouble(t -> t.percent(t.fit)).average().orElse(0),
        trials.stream().mapToDouble(t -> t.percent(t.asked)).average().orElse(0),
        100 - trials.stream().mapToDouble(t -> t.percent(t.wrongUnasked)).average().orElse(0));
  }

  /** Rounding against the closed formula of facts.md, on lines 125 ms apart. */
  private static void formula() {
    System.out.printf("%n### Rounding against the formula%n%n");
    System.out.println("| mean ms | deviation ms | formula | found | sampling error |");
    System.out.println("|---|---|---|---|---|");
    int n = 200_000;
    for (double[] c : new double[][] {{0, 25}, {50, 25}, {20, 15}, {-40, 30}}) {
      Random random = new Random(5);
      int right = 0;
      for (int i = 0; i < n; i++) {
        right += Math.rint((c[0] + c[1] * random.nextGaussian()) / 125) == 0 ? 1 : 0;
      }
      double p = normal((62.5 - c[0]) / c[1]) - normal((-62.5 - c[0]) / c[1]);
      System.out.printf(
          Locale.ROOT,
          "| %.0f | %.0f | %.2f %% | %.2f %% | %.2f |%n",
          c[0],
          c[1],
          100 * p,
          100.0 * right / n,
          100 * Math.sqrt(p * (1 - p) / n));
    }
  }

  /** The normal distribution, by M. Abramowitz, I. Stegun, Handbook, 26.2.17 (from memory). */
  private static double normal(double x) {
    double t = 1 / (1 + 0.2316419 * Math.abs(x));
    double poly =
        t
            * (0.319381530
                + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
    double tail = Math.exp(-x * x / 2) / Math.sqrt(2 * Math.PI) * poly;
    return x >= 0 ? 1 - tail : tail;
  }
}
