package flailbeat.core.quantize.report;

import flailbeat.core.quantize.beat.BeatFinder;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.quantize.beat.Stroke;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** Prints how often the beat of a phrase with no click is found; see docs/quantizing.md. */
final class BeatReport {
  private static final int BEATS = 16;
  private static final double DRIFT = 0.03;
  private static final double NEAR = 0.02;

  /** Straight, off-beat, triplet, mixed: how likely each part of a beat is to be played on. */
  private static final double[][] CHANCES = {
    {0.85, 0.25, 0.6, 0.2}, {0.35, 0.2, 0.85, 0.2}, {0.85, 0.4, 0.7}, {0.9, 0, 0.6, 0}
  };

  private static final String[] NAMES = {"straight", "off-beat", "triplet", "eighths"};

  private BeatReport() {}

  /** A phrase with what was meant. */
  record Phrase(List<Stroke> strokes, double bpm, double firstBarMs) {}

  /**
   * Sixteen beats, begun on the bar line three times out of four, else half a beat before it; the
   * tempo swings slowly by 3 % from slowest to fastest; notes last to the next, more or less; half
   * of the bar lines carry a chord; velocities are those of a keyboard that senses no force.
   */
  static Phrase phrase(int kind, long seed) {
    Random random = new Random(71 * seed + kind);
    double bpm = 75 + random.nextInt(75);
    double turn = random.nextDouble() * 2 * Math.PI;
    double[] chances = CHANCES[kind];
    double ms = 1000;
    boolean pickup = random.nextInt(4) == 0;
    double firstBar = 0;
    List<double[]> onsets = new ArrayList<>();
    boolean[][] pattern = new boolean[4][chances.length];
    for (int beat = 0; beat < BEATS; beat++) {
      double length = 60_000 / bpm * (1 + DRIFT / 2 * Math.sin(turn + 2 * Math.PI * beat / BEATS));
      if (beat == 0) {
        firstBar = ms;
        if (pickup) {
          onsets.add(new double[] {ms - length / 2, 1});
        }
      }
      boolean fresh = beat < 4 || random.nextInt(3) == 0;
      for (int i = 0; i < chances.length; i++) {
        boolean begins = beat == 0 && i == 0 && !pickup;
        pattern[beat % 4][i] = fresh ? random.nextDouble() < chances[i] : pattern[beat % 4][i];
        if (pattern[beat % 4][i] || begins) {
          boolean chord = beat % 4 == 0 && i == 0 && random.nextBoolean();
          onsets.add(new double[] {ms + i * length / chances.length, chord ? 3 : 1});
        }
      }
      ms += length;
    }
    List<Stroke> strokes = new ArrayList<>();
    double spread = 10 + random.nextInt(12);
    for (int i = 0; i < onsets.size(); i++) {
      double end = i + 1 < onsets.size() ? onsets.get(i + 1)[0] : onsets.get(i)[0] + 600;
      double held = (end - onsets.get(i)[0]) * (0.6 + 0.35 * random.nextDouble());
      double at = onsets.get(i)[0] + spread * random.nextGaussian();
      int low = onsets.get(i)[1] > 1 ? 52 : 60 + random.nextInt(12);
      strokes.add(new Stroke(at, held, 80, (int) onsets.get(i)[1], low));
    }
    strokes.sort((a, b) -> Double.compare(a.ms(), b.ms()));
    return new Phrase(strokes, bpm, firstBar);
  }

  static boolean tempoIsRight(Phrase phrase, BeatGuess guess) {
    return Math.abs(guess.bpm() / phrase.bpm() - 1) <= NEAR;
  }

  static boolean barIsRight(Phrase phrase, BeatGuess guess) {
    double at = guess.beatsAt(phrase.firstBarMs());
    double apart = Math.abs(at - guess.beatsPerBar() * Math.rint(at / guess.beatsPerBar()));
    return apart < 0.2;
  }

  static void print(int phrases) {
    System.out.println(
        "| rhythm | tempo | half or double | tempo among those offered | bar line, tempo right |");
    System.out.println("|---|---|---|---|---|");
    double[] all = new double[4];
    for (int kind = 0; kind < CHANCES.length; kind++) {
      int tempo = 0;
      int octave = 0;
      int offered = 0;
      int bar = 0;
      for (int seed = 0; seed < phrases; seed++) {
        Phrase phrase = phrase(kind, seed);
        List<BeatGuess> guesses = new BeatFinder(phrase.strokes(), 4).guesses();
        BeatGuess first = guesses.get(0);
        boolean right = tempoIsRight(phrase, first);
        double ratio = first.bpm() / phrase.bpm();
        tempo += right ? 1 : 0;
        octave += Math.abs(ratio - 2) < 0.05 || Math.abs(ratio - 0.5) < 0.0125 ? 1 : 0;
        offered += guesses.stream().anyMatch(g -> tempoIsRight(phrase, g)) ? 1 : 0;
        bar += right && barIsRight(phrase, first) ? 1 : 0;
      }
      System.out.printf(
          Locale.ROOT,
          "| %s | %.0f %% | %.0f %% | %.0f %% | %.0f %% |%n",
          NAMES[kind],
          100.0 * tempo / phrases,
          100.0 * octave / phrases,
          100.0 * offered / phrases,
          tempo == 0 ? 0 : 100.0 * bar / tempo);
      all[0] += tempo;
      all[1] += octave;
      all[2] += offered;
      all[3] += bar;
    }
    double n = (double) phrases * CHANCES.length;
    System.out.printf(
        Locale.ROOT,
        "| all | %.1f %% | %.1f %% | %.1f %% | %.1f %% |%n",
        100 * all[0] / n,
        100 * all[1] / n,
        100 * all[2] / n,
        100 * all[3] / all[0]);
  }

  public static void main(String[] words) {
    print(words.length > 0 ? Integer.parseInt(words[0]) : 100);
  }
}
