package flailbeat.core.quantize.fit;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import flailbeat.core.quantize.fit.Generated.Manner;
import flailbeat.core.quantize.fit.Generated.Rhythm;
import flailbeat.core.quantize.lag.KnownLag;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.IntStream;

/** Prints how often rounding, an oracle and Fit find what was meant; see docs/quantizing.md. */
public final class FitReport {
  private static final int PHRASES = 100;
  private static final int BARS = 16;
  private static final int SHIFT_PHRASES = 1000;

  /** How far the lags of one person's parts are apart, as a standard deviation. */
  private static final double PART_SPREAD_MS = 9;

  /** As the first tables had them. */
  private static final List<Rhythm> EVERYDAY =
      List.of(Rhythm.values()).subList(0, Rhythm.ANSWERING.ordinal());

  private FitReport() {}

  public static void main(String[] words) {
    if (words.length > 0 && words[0].equals("shifts")) {
      shifts();
      return;
    }
    if (words.length > 0 && words[0].equals("far")) {
      far();
      return;
    }
    formula();
    double[][] reliability = new double[10][3];
    List<FitTrial> all = rows("Every condition", conditions(), reliability);
    summary(all, reliability);
    rows("Hard cases", hardCases(), new double[10][3]);
  }

  /** How long two notes take between which a million quarters lie. */
  private static void far() {
    List<Note> two = new ArrayList<>();
    for (long tick : new long[] {30, 960_000_000L + 25}) {
      two.add(Note.asPlayed(new NoteId(tick), 60, 80, new Played(tick, tick + 200)));
    }
    long[] taken = new long[50];
    for (int i = 0; i < taken.length; i++) {
      long begun = System.nanoTime();
      QuantizePlan plan =
          Quantizer.of(
                  QuantizeSettings.recommended(),
                  TempoMap.of(TempoMap.DEFAULT),
                  MeterMap.of(Meter.COMMON))
              .plan(two, List.of());
      taken[i] = System.nanoTime() - begun;
      if (plan.notes().getLast().line() != 960_000_000L) {
        throw new IllegalStateException("The second note went elsewhere");
      }
    }
    System.out.printf(Locale.ROOT, "first %.1f ms, ", taken[0] / 1e6);
    Arrays.sort(taken);
    System.out.printf(Locale.ROOT, "median of 50 %.2f ms%n", taken[25] / 1e6);
  }

  /** One thing is varied at a time, for each rhythm. */
  private static List<Manner> conditions() {
    List<Manner> manners = new ArrayList<>();
    for (Rhythm rhythm : EVERYDAY) {
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

  /** What is known of the person's lag before a phrase is read. */
  private interface Known {
    LagPrior of(double trueLagMs, Random random);
  }

  /** How often a phrase is moved whole, by kind, with nothing known, much, and what is wrong. */
  private static void shifts() {
    shifts("Nothing known, lags -25 to 40 ms", -25, 40, (lag, r) -> LagPrior.UNKNOWN);
    shifts("Nothing known, lags -60 to 80 ms", -60, 80, (lag, r) -> LagPrior.UNKNOWN);
    shifts("Five parts known, lags -25 to 40 ms", -25, 40, (lag, r) -> known(lag, 5, r));
    shifts("Five parts known, lags -60 to 80 ms", -60, 80, (lag, r) -> known(lag, 5, r));
    shifts("Known wrongly, by 40 ms, lags -25 to 40 ms", -25, 40, (lag, r) -> stale(lag, 0, r));
    shifts("The same, five parts later", -25, 40, (lag, r) -> stale(lag, 5, r));
    System.out.printf("%n### As more parts are known, lags -25 to 40 ms, all these rhythms%n%n");
    System.out.println("| parts known | Fit | moved whole |");
    System.out.println("|---|---|---|");
    for (int parts : new int[] {0, 1, 2, 3, 5, 10, 20}) {
      double[] sums = new double[3];
      for (Rhythm rhythm : kinds()) {
        for (FitTrial t : trials(rhythm, -25, 40, (lag, r) -> known(lag, parts, r))) {
          sums[0] += t.notes;
          sums[1] += t.fit;
          sums[2] += t.shifted;
        }
      }
      System.out.printf(
          Locale.ROOT,
          "| %d | %.2f | %.2f %% |%n",
          parts,
          100 * sums[1] / sums[0],
          100 * sums[2] / kinds().size() / SHIFT_PHRASES);
    }
  }

  /** Parts whose lags lie about that of the part that is to be read. */
  private static LagPrior known(double lag, int parts, Random random) {
    KnownLag known = KnownLag.NONE;
    for (int i = 0; i < parts; i++) {
      known = known.with(lag + PART_SPREAD_MS * random.nextGaussian());
    }
    return known.prior();
  }

  /** Ten parts that were 40 ms later, or earlier, and some since that were not. */
  private static LagPrior stale(double lag, int since, Random random) {
    double wrong = lag + (random.nextBoolean() ? 40 : -40);
    KnownLag known = KnownLag.NONE;
    for (int i = 0; i < 10 + since; i++) {
      known = known.with((i < 10 ? wrong : lag) + PART_SPREAD_MS * random.nextGaussian());
    }
    return known.prior();
  }

  private static List<Rhythm> kinds() {
    List<Rhythm> kinds = new ArrayList<>(List.of(Rhythm.STRAIGHT, Rhythm.OFF_BEAT));
    kinds.addAll(Rhythm.answering());
    return kinds;
  }

  private static void shifts(String title, int leastLag, int mostLag, Known known) {
    System.out.printf("%n### %s%n%n", title);
    System.out.println(
        "| rhythm | nearest | oracle | Fit | moved whole | but the same sound | offered |");
    System.out.println("|---|---|---|---|---|---|---|");
    for (Rhythm rhythm : kinds()) {
      List<FitTrial> trials = trials(rhythm, leastLag, mostLag, known);
      double notes = trials.stream().mapToDouble(t -> t.notes).sum();
      int moved = trials.stream().mapToInt(t -> t.shifted).sum();
      int alike = trials.stream().mapToInt(t -> t.alike).sum();
      int offered = trials.stream().mapToInt(t -> t.offered).sum();
      System.out.printf(
          Locale.ROOT,
          "| %s | %.2f | %.2f | %.2f | %.1f %% | %.1f %% | %s |%n",
          rhythm.title(),
          100 * trials.stream().mapToDouble(t -> t.nearest).sum() / notes,
          100 * trials.stream().mapToDouble(t -> t.oracle).sum() / notes,
          100 * trials.stream().mapToDouble(t -> t.fit).sum() / notes,
          100.0 * moved / SHIFT_PHRASES,
          100.0 * (moved - alike) / SHIFT_PHRASES,
          moved == 0 ? "" : offered + " of " + moved);
    }
  }

  private static List<FitTrial> trials(Rhythm rhythm, int leastLag, int mostLag, Known known) {
    return IntStream.range(0, SHIFT_PHRASES)
        .parallel()
        .mapToObj(seed -> shifted(rhythm, seed, leastLag, mostLag, known))
        .toList();
  }

  /** One phrase, of 4, 8 or 16 bars, with a tempo, a lag and errors of its own. */
  private static FitTrial shifted(Rhythm rhythm, int seed, int leastLag, int mostLag, Known known) {
    Random random = new Random(1009L * seed + 7);
    double bpm = 80 + 80 * random.nextDouble();
    double lag = leastLag + (mostLag - leastLag) * random.nextDouble();
    double correlation = 0.3 + 0.3 * random.nextDouble();
    Manner manner = new Manner(rhythm, bpm, 18, lag, 0, 0, correlation, 0.01);
    int bars = 4 << random.nextInt(3);
    FitTrial trial = new FitTrial(new double[10][3], known.of(lag, random));
    trial.play(Generated.of(manner, bars, seed));
    return trial;
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
    int perRhythm = all.size() / EVERYDAY.size();
    for (Rhythm rhythm : EVERYDAY) {
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
