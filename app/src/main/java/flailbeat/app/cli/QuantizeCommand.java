package flailbeat.app.cli;

import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.app.formats.Formats;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.files.MidiSongs;
import flailbeat.core.files.Opened;
import flailbeat.core.files.SongFiles;
import flailbeat.core.files.SongFormat;
import flailbeat.core.format.SafeFile;
import flailbeat.core.format.smf.SmfFile;
import flailbeat.core.format.smf.SmfPatch;
import flailbeat.core.format.smf.SmfReader;
import flailbeat.core.format.smf.SmfReading;
import flailbeat.core.format.smf.SmfWriter;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.quantize.Decisions;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.PhraseBeat;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.SongPlans;
import flailbeat.core.quantize.beat.BeatGuess;
import flailbeat.core.quantize.beat.SongBeat;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Ticks;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.UnaryOperator;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "quantize",
    mixinStandardHelpOptions = true,
    description = "Puts notes on a grid; nothing else in the file changes.")
final class QuantizeCommand implements Callable<Integer> {
  private static final String AUTO = "auto";

  private static final JsonMapper MAPPER =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  /** How lines are chosen. */
  @Mixin private Verbose verbose;

  @Mixin private SoundInput input;

  @Spec private CommandSpec spec;

  @Parameters(index = "0", paramLabel = "IN", description = "A .flail or .mid file.")
  private Path in;

  @Parameters(index = "1", paramLabel = "OUT", description = "Where the result goes.")
  private Path out;

  @Option(
      names = "--grid",
      required = true,
      paramLabel = "G",
      description =
          "1/16, 1/8T (triplet), 1/8D (dotted), 1/4:5 (five in a quarter) or 1/4:7, 1/16+1/8T (both), or"
              + " auto, which finds it and says so.")
  private String grid;

  @Option(
      names = "--beat",
      description = "find: it was played with no click; the song takes its tempo, beat by beat.")
  private Optional<Beat> beat;

  /** What is done about the beat. */
  enum Beat {
    FIND
  }

  @Option(names = "--method", defaultValue = "nearest", description = "nearest or fit.")
  private QuantizeSettings.Method method;

  @Option(names = "--strength", defaultValue = "100", description = "0 to 100 per cent.")
  private double strength;

  @Option(names = "--swing", defaultValue = "50", description = "50 to 75 per cent.")
  private double swing;

  @Option(
      names = "--catch",
      defaultValue = "100",
      description = "Only notes this close to a line, 0 to 100 per cent of half the gap.")
  private double catchRange;

  @Option(
      names = "--ends",
      defaultValue = "keep",
      description =
          "keep (the length), snap (the end), meant (the end goes where it was meant), lengths (snap the"
              + " length), stay (only the start moves) or only (only the end moves).")
  private QuantizeSettings.Ends ends;

  @Option(
      names = "--lag",
      description = "auto, off or milliseconds; with fit it is auto unless you say otherwise.")
  private Optional<String> lag;

  @Option(names = "--track", paramLabel = "N", description = "Only this track, from 1.")
  private Optional<Integer> track;

  @Option(names = "--report", paramLabel = "FILE.json", description = "Tell what was done.")
  private Optional<Path> report;

  @Option(names = "--timings", hidden = true, description = "Tell how long each part took.")
  private boolean timings;

  /** What is written, and in what ticks to a quarter note. */
  private record Result(SafeFile.Contents contents, int ppq, int moved, List<String> remarks) {}

  /** A song with the MIDI file it came from, if it came from one. */
  private record Input(Opened opened, Optional<SmfFile> source, List<String> departures) {
    Input(Opened opened) {
      this(opened, Optional.empty(), List.of());
    }
  }

  @Override
  public Integer call() throws CommandFault {
    boolean finds = grid.strip().equalsIgnoreCase(AUTO);
    QuantizeSettings settings = settings(finds ? "1/16" : grid);
    SoundInput.requireKnown(out);
    SoundInput.requireApart(report.map(r -> new Path[] {in, out, r}).orElse(new Path[] {in, out}));
    Progress progress = new Progress(spec.commandLine().getErr());
    QuantizeTold told = new QuantizeTold(spec.commandLine().getErr());
    long start = System.nanoTime();
    Input source = beat.isPresent() ? onItsBeat(read(), progress) : read();
    Song song = source.opened().song();
    List<Integer> chosen = chosenTracks(song);
    AutoGrid.Chosen by = AutoGrid.Chosen.alike(settings, song, chosen);
    if (finds) {
      progress.now("Looking for the grid");
      by = new AutoGrid(in, spec.commandLine().getErr(), swing).find(settings, song, chosen);
    }
    for (AutoGrid.Piece piece : by.pieces()) {
      requireWithin(song, piece.settings().grid());
    }
    progress.now("Quantizing");
    long read = System.nanoTime();
    List<QuantizePlan> plans =
        new SongPlans(song, Decisions.NONE).of(by.pieces().stream().map(p -> p.in(song)).toList());
    long quantized = System.nanoTime();
    progress.now("Writing " + out);
    Result result = result(source, plans);
    write(result, by, plans);
    told.readings(song, by.pieces().stream().map(AutoGrid.Piece::track).toList(), plans);
    long written = System.nanoTime();
    SoundInput.tell(asTold(source), spec.commandLine().getErr());
    by.pieces().stream().map(AutoGrid.Piece::settings).distinct().forEach(told::idleSwing);
    told.held(plans);
    told.ends(plans);
    result.remarks().forEach(spec.commandLine().getErr()::println);
    if (timings) {
      spec.commandLine()
          .getErr()
          .printf(
              Locale.ROOT,
              "read %.0f ms, quantize %.0f ms, write %.0f ms%n",
              (read - start) / 1e6,
              (quantized - read) / 1e6,
              (written - quantized) / 1e6);
    }
    return 0;
  }

  /** Every track on the beat that all of them together are likeliest to have. */
  private Input onItsBeat(Input read, Progress progress) throws CommandFault {
    progress.now("Looking for the beat");
    Song song = read.opened().song();
    SongBeat.Found heard = PhraseBeat.ofSong(song);
    PhraseBeat phrase = new PhraseBeat(song, List.of());
    if (heard.guesses().isEmpty()) {
      throw new CommandFault(
          CommandLineApp.shown(in) + ": no beat was found; leave out --beat to use its own tempo");
    }
    BeatGuess best = heard.guesses().getFirst();
    spec.commandLine()
        .getErr()
        .printf(
            Locale.ROOT,
            "beat: %.1f bpm (%.0f %%), varying by %.1f %%, %s (%.0f %%), the first bar at %.3f s"
                + " (all of it %.0f %%)%n",
            best.bpm(),
            100 * heard.tempo(),
            best.variationPercent(),
            best.meter().map(Object::toString).orElse("meter assumed"),
            100 * heard.meter(),
            best.beatMs()[0] / 1000,
            100 * best.probability());
    Opened o = read.opened();
    return new Input(new Opened(phrase.takeWhole(best), o.damage(), o.loss(), o.remarks()));
  }

  /** What goes from file to file is not changed by what a song cannot hold. */
  private Opened asTold(Input source) throws CommandFault {
    return SoundInput.isMidi(out) && source.source().isPresent()
        ? source.opened().withRemarks(source.departures())
        : source.opened();
  }

  private QuantizeSettings settings(String on) {
    try {
      return QuantizeSettings.standard()
          .withMethod(method)
          .withGrid(Grid.parse(on))
          .withStrength(strength)
          .withSwing(swing)
          .withCatchRange(catchRange)
          .withEnds(ends)
          .withLag(lag());
    } catch (IllegalArgumentException e) {
      throw new ParameterException(spec.commandLine(), e.getMessage(), e);
    }
  }

  private void requireWithin(Song song, Grid wanted) throws CommandFault {
    try {
      wanted.requireWithin(song.resolution());
    } catch (IllegalArgumentException e) {
      throw new CommandFault(CommandLineApp.shown(in) + ": " + e.getMessage(), e);
    }
  }

  private Lag lag() {
    String wanted = lag.orElse(method == QuantizeSettings.Method.FIT ? "auto" : "off");
    return switch (wanted.toLowerCase(Locale.ROOT)) {
      case "auto" -> new Lag.Auto();
      case "off" -> new Lag.Off();
      default -> {
        try {
          yield new Lag.Millis(Double.parseDouble(wanted));
        } catch (NumberFormatException e) {
          throw new ParameterException(
              spec.commandLine(), "--lag is auto, off or milliseconds, not " + wanted, e);
        }
      }
    };
  }

  private Input read() throws CommandFault {
    try {
      if (!Formats.ALL.isMidi(in)) {
        return new Input(Formats.ALL.read(in));
      }
      SmfReading reading = SmfReader.read(in);
      Opened opened = MidiSongs.of(reading, SongFiles.titleOf(in));
      input.requireWhole(in, opened);
      return new Input(opened, Optional.of(reading.file()), reading.departures());
    } catch (IOException e) {
      throw CommandLineApp.fault(in, e);
    }
  }

  private List<Integer> chosenTracks(Song song) {
    List<Integer> all = new ArrayList<>();
    for (int i = 0; i < song.tracks().size(); i++) {
      all.add(i);
    }
    if (track.isEmpty()) {
      return all;
    }
    if (track.get() < 1 || track.get() > all.size()) {
      throw new ParameterException(
          spec.commandLine(),
          "There is no track " + track.get() + "; " + in + " has 1 to " + all.size());
    }
    return List.of(track.get() - 1);
  }

  private Result result(Input source, List<QuantizePlan> plans) throws CommandFault {
    Song song = source.opened().song();
    UnaryOperator<Note> mover = UnaryOperator.identity();
    for (QuantizePlan plan : plans) {
      UnaryOperator<Note> before = mover;
      UnaryOperator<Note> next = plan.mover();
      mover = note -> next.apply(before.apply(note));
    }
    try {
      boolean toMidi = Formats.ALL.isMidi(out);
      return toMidi && source.source().isPresent()
          ? patched(source.source().get(), song, mover)
          : remade(song, mover, toMidi, plans);
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
  }

  /** The file's own events, those of moved notes elsewhere; its very bytes where none moves. */
  private Result patched(SmfFile file, Song song, UnaryOperator<Note> mover) throws IOException {
    SmfPatch patch = SmfPatch.apply(file, song, mover);
    byte[] same = patch.moved() == 0 ? Files.readAllBytes(in) : null;
    return new Result(
        stream -> {
          if (same != null) {
            stream.write(same);
          } else {
            SmfWriter.write(patch.file(), stream);
          }
        },
        file.ppq(),
        patch.moved(),
        patch.remarks());
  }

  private Result remade(
      Song song, UnaryOperator<Note> mover, boolean toMidi, List<QuantizePlan> plans)
      throws IOException {
    SongFormat.Written written = Formats.ALL.contents(NoteEdits.mapAll(song, mover), out);
    int ppq = toMidi ? song.resolution() : Ticks.PPQ;
    int moved =
        (int)
            plans.stream()
                .flatMap(p -> p.notes().stream().map(NotePlan::note))
                .filter(n -> isElsewhere(n, mover.apply(n), ppq))
                .count();
    return new Result(written.contents(), ppq, moved, written.remarks());
  }

  private static boolean isElsewhere(Note was, Note is, int ppq) {
    return SmfPatch.toFile(was.onset(), ppq) != SmfPatch.toFile(is.onset(), ppq)
        || SmfPatch.toFile(was.end(), ppq) != SmfPatch.toFile(is.end(), ppq);
  }

  /** All is written beside its place before anything is moved there. */
  private void write(Result result, AutoGrid.Chosen by, List<QuantizePlan> plans)
      throws CommandFault {
    List<SafeFile.Job> jobs = new ArrayList<>();
    jobs.add(new SafeFile.Job(out, result.contents()));
    report.ifPresent(
        file -> {
          QuantizeReport content = QuantizeReport.of(result.moved(), result.ppq(), by, plans);
          jobs.add(
              new SafeFile.Job(file, stream -> stream.write(MAPPER.writeValueAsBytes(content))));
        });
    try {
      SafeFile.writeAll(jobs);
    } catch (SafeFile.WriteFault e) {
      throw CommandLineApp.fault(e.target(), e);
    } catch (IOException e) {
      throw CommandLineApp.fault(out, e);
    }
  }
}
