package flailbeat.app.cli;

import flailbeat.app.formats.Formats;
import flailbeat.audio.sound.SoundLibrary;
import flailbeat.audio.wav.SoundRender;
import flailbeat.audio.wav.WavSettings;
import flailbeat.audio.wav.WavSongs;
import flailbeat.core.files.MidiSongs;
import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFiles;
import flailbeat.core.format.SafeFile;
import flailbeat.core.format.smf.SmfReader;
import flailbeat.core.format.smf.SmfReading;
import flailbeat.core.format.smf.SmfWriter;
import flailbeat.core.model.Song;
import flailbeat.core.time.TickRange;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "convert",
    mixinStandardHelpOptions = true,
    description =
        "Turns one format into another, by extension: .flail, .mid; what is heard to .wav.")
final class ConvertCommand implements Callable<Integer> {
  @Mixin private Verbose verbose;
  @Spec private CommandSpec spec;

  @Parameters(index = "0", paramLabel = "IN", description = "What to read.")
  private Path in;

  @Parameters(index = "1", paramLabel = "OUT", description = "What to write.")
  private Path out;

  @Mixin private SoundInput input;

  @Option(
      names = "--bits",
      paramLabel = "N",
      description = "Of a WAV file: 16 (dithered, unless it is said) or 24.")
  private int bits = WavSettings.STANDARD.bits();

  @Option(
      names = "--rate",
      paramLabel = "N",
      description = "Of a WAV file: 44100 (unless it is said) or 48000 frames a second.")
  private int rate = WavSettings.STANDARD.frameRate();

  @Option(names = "--tracks", description = "Of WAV files: one for each track, as OUT - NAME.wav.")
  private boolean tracks;

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
    WavSettings wav = wavSettings();
    Opened opened = read();
    progress.now("Writing " + out);
    if (isWav()) {
      writeWav(opened, wav, err);
      return 0;
    }
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

  private boolean isWav() throws CommandFault {
    try {
      return Formats.ALL.formatOf(out) instanceof WavSongs;
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
  }

  private WavSettings wavSettings() {
    try {
      return new WavSettings(bits, rate);
    } catch (IllegalArgumentException e) {
      throw new ParameterException(spec.commandLine(), e.getMessage(), e);
    }
  }

  private void writeWav(Opened opened, WavSettings wav, PrintWriter err) throws CommandFault {
    WavSongs wavs = new WavSongs(wav, new SoundLibrary());
    Song song = opened.song();
    TickRange range = SoundRender.whole(song);
    try {
      if (tracks) {
        wavs.writeApart(song, range, out, flailbeat.core.work.Progress.NONE);
      } else {
        wavs.write(song, range, out, flailbeat.core.work.Progress.NONE);
      }
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
    SoundInput.tell(opened, err);
    WavSongs.remarks(song).forEach(err::println);
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
