package flailbeat.app.cli;

import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.app.formats.Formats;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.beat.BeatGuess;
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
      int beatsPerBar,
      double firstBarSeconds,
      double[] beatSeconds) {}

  private record Found(String file, int track, List<Guess> guesses) {}

  @Override
  public Integer call() throws CommandFault {
    try {
      Song song = Formats.ALL.read(in).song();
      Track most = PhraseBeat.busiest(song);
      List<Guess> guesses =
          new PhraseBeat(song, most.notes()).guesses().stream().map(BeatCommand::guess).toList();
      if (guesses.isEmpty()) {
        throw new CommandFault(
            CommandLineApp.shown(in) + ": no beat was found; it takes four notes at least");
      }
      Found found = new Found(in.toString(), song.tracks().indexOf(most) + 1, guesses);
      PrintWriter out = spec.commandLine().getOut();
      if (json) {
        out.println(JsonMapper.builder().build().writeValueAsString(found));
      } else {
        print(found, most, out);
      }
      return 0;
    } catch (IOException e) {
      throw CommandLineApp.fault(in, e);
    }
  }

  private static Guess guess(BeatGuess g) {
    double[] seconds = g.beatMs().clone();
    for (int i = 0; i < seconds.length; i++) {
      seconds[i] /= 1000;
    }
    return new Guess(
        g.probability(), g.bpm(), g.variationPercent(), g.beatsPerBar(), seconds[0], seconds);
  }

  private static void print(Found found, Track track, PrintWriter out) {
    out.printf("track %d (%s):%n", found.track(), CommandLineApp.plain(track.name()));
    for (Guess g : found.guesses()) {
      out.printf(
          Locale.ROOT,
          "  %3.0f %%  %6.2f bpm, varying by %.1f %%, %d beats to a bar, the first bar at %.3f s%n",
          100 * g.weight(),
          g.bpm(),
          g.variationPercent(),
          g.beatsPerBar(),
          g.firstBarSeconds());
    }
  }
}
