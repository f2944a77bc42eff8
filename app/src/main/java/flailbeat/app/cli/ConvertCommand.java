package flailbeat.app.cli;

import flailbeat.app.formats.Formats;
import flailbeat.core.files.MidiSongs;
import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFiles;
import flailbeat.core.format.SafeFile;
import flailbeat.core.format.smf.SmfReader;
import flailbeat.core.format.smf.SmfReading;
import flailbeat.core.format.smf.SmfWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
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

  @Mixin private SoundInput input;

  @Override
  public Integer call() throws CommandFault {
    PrintWriter err = spec.commandLine().getErr();
    Progress progress = new Progress(err);
    SoundInput.requireKnown(out);
    SoundInput.requireApart(in, out);
    if (SoundInput.isMidi(in) && SoundInput.isMidi(out)) {
      fromMidiToMidi(err);
      return 0;
    }
    Opened opened = read();
    progress.now("Writing " + out);
    List<String> lost;
    try {
      lost = Formats.ALL.write(opened.song(), out);
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
    SoundInput.tell(opened, err);
    lost.forEach(err::println);
    return 0;
  }

  /** The file's own events at its own resolution, which a song need not be able to hold. */
  private void fromMidiToMidi(PrintWriter err) throws CommandFault {
    SmfReading reading;
    try {
      reading = SmfReader.read(in);
    } catch (IOException e) {
      throw CommandLineApp.fault(in, e);
    }
    Opened opened = MidiSongs.of(reading, SongFiles.titleOf(in)).withRemarks(reading.departures());
    input.requireWhole(in, opened);
    try {
      SafeFile.write(out, stream -> SmfWriter.write(reading.file(), stream));
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
    SoundInput.tell(opened, err);
  }

  private Opened read() throws CommandFault {
    try {
      Opened opened = Formats.ALL.read(in);
      input.requireWhole(in, opened);
      return opened;
    } catch (IOException e) {
      throw CommandLineApp.fault(in, e);
    }
  }
}
