package flailbeat.core.quantize.fit;

import flailbeat.core.quantize.fit.Generated.Manner;
import flailbeat.core.quantize.fit.Generated.Rhythm;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.quantize.report.Shares;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Prints how often Fit moves a whole part, of somebody of whom nothing is known, with other parts
 * in place and without; see docs/quantizing.md.
 */
public final class WithinReport {
  /** From part to part a person's lag is other by so much. */
  private static final double PARTS_MS = 8;

  /** What is in place beside the part. */
  enum Beside {
    NOTHING("nothing"),
    DRUMS("drums, drawn"),
    BASS("a bass, drawn"),
    ALIKE("half of its rhythm, drawn"),
    PLAYED("a part that was played, and quantized"),
    BOTH("that, and drawn drums");

    private final String title;

    Beside(String title) {
      this.title = title;
    }

    private boolean isPlayed() {
      return this == PLAYED || this == BOTH;
    }
  }

  private WithinReport() {}

  public static void main(String[] words) {
    int phrases = words.length > 0 ? Integer.parseInt(words[0]) : 300;
    int from = words.length > 1 ? Integer.parseInt(words[1]) : 0;
    List<Rhythm> rhythms = new ArrayList<>(List.of(Rhythm.STRAIGHT, Rhythm.OFF_BEAT));
    rhythms.addAll(Rhythm.answering());
    System.out.print("| rhythm |");
    for (Beside beside : Beside.values()) {
      System.out.print(" " + beside.title + " |");
    }
    System.out.println("\n|---|---|---|---|---|---|---|");
    Shares shares = new Shares();
    double[][] all = new double[Beside.values().length][4];
    for (Rhythm rhythm : rhythms) {
      System.out.print("| " + rhythm.title() + " |");
      for (Beside beside : Beside.values()) {
        List<FitTrial> trials =
            IntStream.range(from, from + phrases)
                .parallel()
                .mapToObj(seed -> trial(rhythm, beside, seed))
                .toList();
        trials.forEach(t -> shares.add(t.told, t.shifted == 0));
        double[] sums = all[beside.ordinal()];
        int moved = trials.stream().mapToInt(t -> t.shifted).sum();
        sums[0] += moved;
        sums[1] += phrases;
        sums[2] += trials.stream().mapToDouble(t -> t.fit).sum();
        sums[3] += trials.stream().mapToDouble(t -> t.notes).sum();
        System.out.printf(Locale.ROOT, " %.2f %% |", 100.0 * moved / phrases);
      }
      System.out.println();
    }
    System.out.print("| moved whole, of all |");
    for (double[] sums : all) {
      System.out.printf(Locale.ROOT, " %.2f %% |", 100 * sums[0] / sums[1]);
    }
    System.out.print("\n| notes right, of all |");
    for (double[] sums : all) {
      System.out.printf(Locale.ROOT, " %.2f %% |", 100 * sums[2] / sums[3]);
    }
    System.out.printf("%n%nTold of a reading, and right:%n%n");
    shares.print();
  }

  /** One phrase, of 4, 8 or 16 bars at 80 to 180 bpm, 25 ms early to 60 late. */
  private static FitTrial trial(Rhythm rhythm, Beside beside, int seed) {
    Random random = new Random(1009L * seed + 11);
    double bpm = 80 + 100 * random.nextDouble();
    double lag = -25 + 85 * random.nextDouble();
    double spread = new double[] {8, 12, 18}[random.nextInt(3)];
    Manner manner = new Manner(rhythm, bpm, spread, lag, 0, 0, 0.3, 0.01);
    int bars = 4 << random.nextInt(3);
    double other = lag + PARTS_MS * random.nextGaussian();
    LagPrior prior = beside.isPlayed() ? LagPrior.ofParts(List.of(other)) : LagPrior.UNKNOWN;
    FitTrial trial = new FitTrial(new double[10][3], prior);
    Generated g = Generated.of(manner, bars, seed);
    trial.play(g, besides(g, beside, random));
    return trial;
  }

  private static Slots besides(Generated g, Beside beside, Random random) {
    Slots slots = g.slots();
    Set<Integer> meant =
        g.notes.stream()
            .map(n -> slots.nearest(0, n[1] / Generated.TWELFTHS * g.beatMs))
            .collect(Collectors.toSet());
    boolean[] there = new boolean[slots.ms().length];
    int beatSlots = slots.weight().length;
    boolean[] bass = new boolean[16];
    for (int i = 0; i < 16; i++) {
      bass[i] = i % 4 == 0 ? random.nextDouble() < 0.8 : i % 2 == 0 && random.nextDouble() < 0.4;
    }
    for (int s = 0; s < there.length; s++) {
      int place = slots.place()[s];
      boolean drums = place % Math.max(1, beatSlots / 2) == 0;
      there[s] =
          switch (beside) {
            case NOTHING -> false;
            case ALIKE -> meant.contains(s) ? random.nextBoolean() : random.nextInt(10) == 0;
            case DRUMS, BOTH -> drums;
            case BASS, PLAYED -> bass[slots.barPlace()[s] % 16];
          };
    }
    return new Slots(
        slots.ms(),
        slots.place(),
        slots.weight(),
        slots.barPlace(),
        slots.beat(),
        slots.family(),
        new boolean[there.length],
        there);
  }
}
