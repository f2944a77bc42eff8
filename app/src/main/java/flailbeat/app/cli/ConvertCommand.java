package flailbeat.app.cli;

import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFiles;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "convert",
    mixinStandardHelpOptions = true,
    description = "Turns one format into another, by extension: .flail, .mid.")
final class ConvertCommand implements Callable<Integer> {
  @Mixin private Verbose verbose;
  @Spec private CommandSpec spec;

  @Parameters(index = "0", paramLabel = "IN", description = "What to read.")
  private Path in;

  @Parameters(index = "1", paramLabel = "OUT", description = "What to write.")
  private Path out;

  @Override
  public Integer call() throws CommandFault {
    Progress progress = new Progress(spec.commandLine().getErr());
    Opened opened = SoundInput.read(in, out);
    progress.now("Writing " + out);
    try {
      SongFiles.write(opened.song(), out);
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
    opened.remarks().forEach(spec.commandLine().getErr()::println);
    return 0;
  }
}
