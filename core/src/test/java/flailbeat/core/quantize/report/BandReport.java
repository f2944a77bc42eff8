package flailbeat.core.quantize.report;

import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.quantize.beat.SongBeat;
import flailbeat.core.time.Meter;
import flailbeat.core.work.Progress;
import java.util.List;
import java.util.Locale;

/** Prints how often tempo, meter and bar line of made songs are found; see docs/quantizing.md. */
final class BandReport {
  private static final int BARS = 16;
  private static final double NEAR = 0.02;
  static final double[] SPREADS = {8, 12, 18};

  static final List<Meter> METERS =
      List.of(
          new Meter(2, 4),
          new Meter(3, 4),
          new Meter(4, 4),
          new Meter(6, 8),
          new Meter(5, 4),
          new Meter(7, 8));

  private BandReport() {}

  static Bands.Band band(Meter meter, int parts, boolean drums, double breath, int seed) {
    double spread = SPREADS[seed % SPREADS.length];
    return Bands.of(new Bands.Manner(meter, parts, drums, spread, breath), BARS, seed);
  }

  static boolean tempoIsRight(Bands.Band band, BeatGuess guess) {
    return Math.abs(guess.bpm() / band.bpm() - 1) <= NEAR;
  }

  static boolean meterIsRight(Bands.Band band, BeatGuess guess) {
    return guess.meter().filter(band.manner().meter()::equals).isPresent();
  }

  /** Whether bar lines lie where they were meant, within an eighth of the bar or so. */
  static boolean barIsRight(Bands.Band band, BeatGuess guess) {
    double middle = band.barMs()[BARS / 2];
    double at = guess.beatsAt(middle) / guess.beatsPerBar();
    return Math.abs(at - Math.rint(at)) < 0.08;
  }

  public static void main(String[] words) {
    int seeds = words.length > 0 ? Integer.parseInt(words[0]) : 20;
    int from = words.length > 1 ? Integer.parseInt(words[1]) : 3000;
    double breath = words.length > 2 ? Double.parseDouble(words[2]) : 0.03;
    Shares tempos = new Shares();
    Shares meters = new Shares();
    System.out.println("| parts | tempo | half or double | meter | bar line, the rest right |");
    System.out.println("|---|---|---|---|---|");
    int[][] kinds = {{1, 0}, {2, 0}, {3, 0}, {4, 0}, {2, 1}, {4, 1}, {6, 1}, {8, 1}};
    int[] wrongMeters = new int[METERS.size()];
    for (int[] kind : kinds) {
      int[] right = new int[4];
      int all = 0;
      for (Meter meter : METERS) {
        for (int seed = from; seed < from + seeds; seed++) {
          Bands.Band band = band(meter, kind[0], kind[1] == 1, breath, seed);
          SongBeat.Found found = PhraseBeat.ofSong(band.song(), Progress.NONE);
          BeatGuess first = found.guesses().getFirst();
          boolean tempo = tempoIsRight(band, first);
          boolean metre = meterIsRight(band, first);
          double ratio = first.bpm() / band.bpm();
          tempos.add(found.tempo(), tempo);
          meters.add(found.meter(), metre);
          all++;
          right[0] += tempo ? 1 : 0;
          right[1] += Math.abs(ratio - 2) < 0.05 || Math.abs(ratio - 0.5) < 0.0125 ? 1 : 0;
          right[2] += metre ? 1 : 0;
          right[3] += tempo && metre && barIsRight(band, first) ? 1 : 0;
          wrongMeters[METERS.indexOf(meter)] += metre ? 0 : 1;
        }
      }
      int bars = Math.min(right[0], right[2]);
      System.out.printf(
          Locale.ROOT,
          "| %d%s | %.1f %% | %.1f %% | %.1f %% | %.1f %% |%n",
          kind[0],
          kind[1] == 1 ? ", drums among them" : "",
          100.0 * right[0] / all,
          100.0 * right[1] / all,
          100.0 * right[2] / all,
          bars == 0 ? 0 : 100.0 * right[3] / bars);
    }
    System.out.println();
    for (int i = 0; i < wrongMeters.length; i++) {
      double right = 100 - 100.0 * wrongMeters[i] / (seeds * kinds.length);
      System.out.printf(Locale.ROOT, "%s %.1f %%  ", METERS.get(i), right);
    }
    System.out.printf("%n%nThe tempo:%n%n");
    tempos.print();
    System.out.printf("%nThe meter:%n%n");
    meters.print();
  }
}
