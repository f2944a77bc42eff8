package flailbeat.app.cli;

import flailbeat.app.formats.Formats;
import flailbeat.app.place.Places;
import flailbeat.core.model.Song;
import flailbeat.core.text.Counted;
import flailbeat.core.version.ToldVersion;
import flailbeat.core.version.Version;
import flailbeat.core.version.Versions;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "versions",
    mixinStandardHelpOptions = true,
    description =
        "Lists what a song was before it was saved over, or writes one of those versions.")
final class VersionsCommand implements Callable<Integer> {
  @Mixin private Verbose verbose;
  @Spec private CommandSpec spec;

  @Parameters(index = "0", paramLabel = "SONG", description = "A .flail file.")
  private Path song;

  @Parameters(index = "1", arity = "0..1", paramLabel = "N", description = "Which of the list.")
  private Integer number;

  @Parameters(
      index = "2",
      arity = "0..1",
      paramLabel = "OUT",
      description = "Where it is written: a .flail or .mid file.")
  private Path out;

  @Override
  public Integer call() throws CommandFault {
    List<Version> all;
    try {
      all = new Versions(Places.versions(), System::currentTimeMillis).of(song);
    } catch (IOException e) {
      throw CommandLineApp.fault(song, e);
    }
    if (number == null) {
      list(all);
      return 0;
    }
    if (out == null) {
      throw new CommandFault("say where to write it: flailbeat versions SONG " + number + " OUT");
    }
    if (number < 1 || number > all.size()) {
      throw new CommandFault(
          song + ": there is no version " + number + "; there are " + all.size());
    }
    Song chosen = read(all.get(number - 1));
    try {
      Formats.ALL.write(chosen, out);
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
    return 0;
  }

  private static Song read(Version version) throws CommandFault {
    try {
      return version.song();
    } catch (IOException e) {
      throw CommandLineApp.fault(version.file(), e);
    }
  }

  /** The latest first, each with what was changed after it. */
  private void list(List<Version> all) throws CommandFault {
    PrintWriter to = spec.commandLine().getOut();
    if (all.isEmpty()) {
      to.println("No earlier version is kept of " + CommandLineApp.shown(song) + ".");
    }
    int row = 1;
    for (ToldVersion each : ToldVersion.of(all, now(), all.size())) {
      String notes = each.notes().map(n -> "  " + Counted.of(n, "note")).orElse("");
      String after = each.notes().isPresent() && !each.words().isEmpty() ? "; after it: " : "  ";
      String line = row + "  " + Times.of(each.version().millis()) + notes + (after + each.words());
      to.println(CommandLineApp.plain(line.stripTrailing()));
      row++;
    }
  }

  private Optional<Song> now() throws CommandFault {
    try {
      return Files.exists(song) ? Optional.of(Formats.ALL.read(song).song()) : Optional.empty();
    } catch (IOException e) {
      throw CommandLineApp.fault(song, e);
    }
  }
}
