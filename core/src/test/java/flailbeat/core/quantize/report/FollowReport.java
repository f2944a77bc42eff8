package flailbeat.core.quantize.report;

import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.quantize.report.Bands.Band;
import flailbeat.core.quantize.report.Bands.Happening;
import flailbeat.core.quantize.report.Bands.Manner;
import flailbeat.core.time.Meter;
import flailbeat.core.work.Progress;
import java.util.Locale;

/**
 * Prints how well the beat of made songs is followed where their tempo is not steady: how many of
 * their bars begin on a beat that was found; see docs/quantizing.md.
 */
final class FollowReport {
  private static final int BARS = 16;
  private static final double NEAR = 0.15;

  private FollowReport() {}

  /** Of the bars of a song, how many begin within so much of a beat that was found. */
  static double followed(Band band, BeatGuess guess) {
    int near = 0;
    for (double bar : band.barMs()) {
      double beats = guess.beatsAt(bar);
      near += Math.abs(beats - Math.rint(beats)) < NEAR ? 1 : 0;
    }
    return (double) near / band.barMs().length;
  }

  public static void main(String[] words) {
    int seeds = words.length > 0 ? Integer.parseInt(words[0]) : 6;
    int from = words.length > 1 ? Integer.parseInt(words[1]) : 1000;
    System.out.println("| what happens | parts | tempo breathes | bars on a beat | tempo right |");
    System.out.println("|---|---|---|---|---|");
    for (Happening happening : Happening.values()) {
      if (words.length > 2 && !happening.name().startsWith(words[2])) {
        continue;
      }
      for (int parts : new int[] {3, 4}) {
        for (double breath : new double[] {0.03, 0.08}) {
          double followed = 0;
          int right = 0;
          int all = 0;
          for (Meter meter : BandReport.METERS) {
            for (int seed = from; seed < from + seeds; seed++) {
              double spread = BandReport.SPREADS[seed % BandReport.SPREADS.length];
              Manner manner = new Manner(meter, parts, parts == 4, spread, breath, happening);
              Band band = Bands.of(manner, BARS, seed);
              BeatGuess first = PhraseBeat.ofSong(band.song(), Progress.NONE).guesses().getFirst();
              followed += followed(band, first);
              right += Math.abs(first.bpm() / band.bpm() - 1) < 0.04 ? 1 : 0;
              all++;
            }
          }
          System.out.printf(
              Locale.ROOT,
              "| %s | %s | %.0f %% | %.1f %% | %.1f %% |%n",
              happening.title(),
              parts == 4 ? "4, drums among them" : "3",
              100 * breath,
              100 * followed / all,
              100.0 * right / all);
        }
      }
    }
  }
}
