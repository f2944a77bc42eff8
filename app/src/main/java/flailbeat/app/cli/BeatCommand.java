package flailbeat.app.cli;

import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.app.formats.Formats;
import flailbeat.core.model.Song;
import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.quantize.beat.SongBeat;
import flailbeat.core.text.Counted;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "beat",
    mixinStandardHelpOptions = true,
    description = "Finds tempo and bar lines of what was played with no click.")
final class BeatCommand implements Callable<Integer> {
  @Mixin private Verbose verbose;
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "IN", description = "A .flail or .mid file.")
  private Path in;

  @Option(names = "--json", description = "As JSON.")
  private boolean json;

  /** One way to hear it; times are in seconds from the file's start. */
  private record Guess(
      double weight,
      double bpm,
      double variationPercent,
      String meter,
      boolean meterAssumed,
      int beatsPerBar,
      double firstBarSeconds,
      double[] beatSeconds) {}

  /**
   * What was found.
   *
   * @param tracks how many it was heard from
   * @param tempoShare how likely the tempo of the first guess is, whatever its meter
   * @param meterShare likewise of its meter
   */
  private record Found(
      String file, int tracks, double tempoShare, double meterShare, List<Guess> guesses) {}

  @Override
  public Integer call() throws CommandFault {
    try {
      Song song = Formats.ALL.read(in).song();
      SongBeat.Found heard = PhraseBeat.ofSong(song);
      List<Guess> guesses = heard.guesses().stream().map(g -> guess(song, g)).toList();
      if (guesses.isEmpty()) {
        throw new CommandFault(
            CommandLineApp.shown(in) + ": no beat was found; it takes four notes at least");
      }
      int parts = (int) song.tracks().stream().filter(t -> t.noteCount() > 0).count();
      Found found =
          new Found(
              in.toString(),
              parts,
              CommandLineApp.rounded(heard.tempo()),
              CommandLineApp.rounded(heard.meter()),
              guesses);
      PrintWriter out = spec.commandLine().getOut();
      if (json) {
        out.println(JsonMapper.builder().build().writeValueAsString(found));
      } else {
        print(found, out);
      }
      return 0;
    } catch (IOException e) {
      throw CommandLineApp.fault(in, e);
    }
  }

  private static Guess guess(Song song, BeatGuess g) {
    double[] seconds = g.beatMs().clone();
    for (int i = 0; i < seconds.length; i++) {
      seconds[i] /= 1000;
    }
    return new Guess(
        CommandLineApp.rounded(g.probability()),
        g.bpm(),
        g.variationPercent(),
        g.meter().orElse(song.meters().meterAt(0)).toString(),
        g.meter().isEmpty(),
        g.beatsPerBar(),
        seconds[0],
        seconds);
  }

  private static void print(Found found, PrintWriter out) {
    out.printf(
        Locale.ROOT,
        "from %s: tempo %.0f %%, meter %.0f %%%n",
        Counted.of(found.tracks(), "track"),
        100 * found.tempoShare(),
        100 * found.meterShare());
    for (Guess g : found.guesses()) {
      out.printf(
          Locale.ROOT,
          "  %3.0f %%  %6.2f bpm, varying by %.1f %%, %s%s, the first bar at %.3f s%n",
          100 * g.weight(),
          g.bpm(),
          g.variationPercent(),
          g.meter(),
          g.meterAssumed() ? " (assumed)" : "",
          g.firstBarSeconds());
    }
  }
}
