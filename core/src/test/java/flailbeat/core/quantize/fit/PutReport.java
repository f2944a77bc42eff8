package flailbeat.core.quantize.fit;

import flailbeat.core.quantize.fit.Generated.Manner;
import flailbeat.core.quantize.fit.Generated.Rhythm;
import flailbeat.core.quantize.lag.LagPrior;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Prints what Fit makes of parts that were played in some places and put in others, when it listens
 * to what was put and when it does not; see docs/quantizing.md.
 */
public final class PutReport {
  private static final int PHRASES = 60;
  private static final int BARS = 8;
  private static final int TWO_BARS = 8 * Generated.TWELFTHS;

  /** What was put, and where. */
  enum Kind {
    IN_TURN("two bars played, two put"),
    HALF("the first half played, the second put"),
    ALONG("half the notes put as well, by another voice"),
    BEATS("every beat put"),
    BEATS_IN_TURN("two bars played, in the others every beat put"),
    OFF_BEATS_IN_TURN("the same with every off-beat"),
    CHANCE("a quarter of all slots put, by chance");

    private final String title;

    Kind(String title) {
      this.title = title;
    }
  }

  /** Notes that were played, with the slots, some of them anchors. */
  record Part(Generated played, Slots slots) {
    Part deaf() {
      return new Part(
          played,
          new Slots(
              slots.ms(),
              slots.place(),
              slots.weight(),
              slots.barPlace(),
              slots.beat(),
              slots.family()));
    }

    FitTrial tried() {
      FitTrial trial = new FitTrial(new double[10][3], LagPrior.UNKNOWN);
      trial.play(played, slots);
      return trial;
    }
  }

  private PutReport() {}

  public static void main(String[] words) {
    System.out.println("| what was put | Fit, deaf to it | moved whole | Fit | moved whole |");
    System.out.println("|---|---|---|---|---|");
    for (Kind kind : Kind.values()) {
      List<Part> parts = parts(kind, PHRASES);
      System.out.printf(
          Locale.ROOT,
          "| %s | %s | %s |%n",
          kind.title,
          row(parts.stream().map(Part::deaf).toList()),
          row(parts));
    }
  }

  private static String row(List<Part> parts) {
    List<FitTrial> trials = parts.parallelStream().map(Part::tried).toList();
    double right = trials.stream().mapToDouble(t -> t.fit).sum();
    double notes = trials.stream().mapToDouble(t -> t.notes).sum();
    double shifted = trials.stream().mapToDouble(t -> t.shifted).sum();
    return String.format(
        Locale.ROOT, "%.2f | %.2f %%", 100 * right / notes, 100 * shifted / trials.size());
  }

  /** Of every rhythm so many phrases, those of fewer than four played notes left out. */
  static List<Part> parts(Kind kind, int phrases) {
    return IntStream.range(0, phrases)
        .boxed()
        .flatMap(seed -> List.of(Rhythm.values()).stream().map(r -> part(kind, r, seed)))
        .filter(p -> p.played().notes.size() >= 4)
        .toList();
  }

  private static Part part(Kind kind, Rhythm rhythm, int seed) {
    Random random = new Random(1009L * seed + 7);
    double bpm = 80 + 80 * random.nextDouble();
    double lag = -25 + 85 * random.nextDouble();
    Generated g = Generated.of(new Manner(rhythm, bpm, 20, lag, 0, 0, 0.4, 0.01), BARS, seed);
    Slots slots = g.slots();
    Set<Integer> meant =
        g.notes.stream()
            .map(n -> slots.nearest(0, n[1] / 12 * g.beatMs))
            .collect(Collectors.toSet());
    IntPredicate isPut =
        switch (kind) {
          case IN_TURN, HALF -> s -> !isPlayed(kind, slots, s) && meant.contains(s);
          case ALONG -> s -> meant.contains(s) && random.nextBoolean();
          case BEATS -> s -> slots.place()[s] == 0;
          case BEATS_IN_TURN -> s -> !isPlayed(kind, slots, s) && slots.place()[s] == 0;
          case OFF_BEATS_IN_TURN ->
              s -> !isPlayed(kind, slots, s) && slots.place()[s] == slots.weight().length / 2;
          case CHANCE -> s -> random.nextInt(4) == 0;
        };
    boolean[] anchored = new boolean[slots.ms().length];
    for (int s = 0; s < anchored.length; s++) {
      anchored[s] = isPut.test(s);
    }
    g.notes.removeIf(n -> !isPlayed(kind, (int) n[1]));
    return new Part(
        g,
        new Slots(
            slots.ms(),
            slots.place(),
            slots.weight(),
            slots.barPlace(),
            slots.beat(),
            slots.family(),
            anchored,
            new boolean[anchored.length]));
  }

  private static boolean isPlayed(Kind kind, Slots slots, int slot) {
    return isPlayed(kind, slots.beat()[slot] * Generated.TWELFTHS);
  }

  private static boolean isPlayed(Kind kind, int twelfth) {
    return switch (kind) {
      case IN_TURN, BEATS_IN_TURN, OFF_BEATS_IN_TURN ->
          Math.floorMod(Math.floorDiv(twelfth, TWO_BARS), 2) == 1;
      case HALF -> twelfth < BARS / 2 * 4 * Generated.TWELFTHS;
      default -> true;
    };
  }
}
