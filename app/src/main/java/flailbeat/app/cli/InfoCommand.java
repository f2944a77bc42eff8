package flailbeat.app.cli;

import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.app.formats.Formats;
import flailbeat.core.files.Opened;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
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
    name = "info",
    mixinStandardHelpOptions = true,
    description = "Tells what is in a song or MIDI file, and any damage found.")
final class InfoCommand implements Callable<Integer> {
  @Mixin private Verbose verbose;
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "A .flail or .mid file.")
  private Path file;

  @Option(names = "--json", description = "As JSON.")
  private boolean json;

  /** The same facts, as JSON. */
  private record Facts(
      String file,
      String title,
      int notes,
      String tempo,
      String meter,
      int tempoChanges,
      int meterChanges,
      int bars,
      double seconds,
      int resolution,
      List<Part> tracks,
      List<ClipFacts> clips,
      String damage,
      String lost,
      List<String> remarks) {}

  private record Part(String name, int channel, int program, boolean kit, int notes) {}

  /**
   * A clip of a song.
   *
   * @param start where it begins, bar.beat.tick
   * @param length in ticks, 960 to a quarter note
   * @param loop after how many ticks it begins anew; 0 where it does not
   * @param link clips of a track with one number share what is in them; 0 for none
   */
  private record ClipFacts(
      String track,
      String name,
      String start,
      long startTick,
      long length,
      long loop,
      long link,
      boolean muted,
      int transpose,
      int louder,
      int notes) {}

  @Override
  public Integer call() throws CommandFault {
    try {
      Facts facts = facts(Formats.ALL.read(file));
      PrintWriter out = spec.commandLine().getOut();
      if (json) {
        out.println(JsonMapper.builder().build().writeValueAsString(facts));
      } else {
        print(facts, out);
      }
      return 0;
    } catch (IOException e) {
      throw CommandLineApp.fault(file, e);
    }
  }

  private Facts facts(Opened opened) {
    Song song = opened.song();
    return new Facts(
        file.toString(),
        song.title(),
        song.noteCount(),
        song.tempos().tempoAt(0).toString(),
        song.meters().meterAt(0).toString(),
        song.tempos().changes().size() - 1,
        song.meters().changes().size() - 1,
        song.end() == 0 ? 0 : song.meters().barAt(song.end() - 1) + 1,
        song.tempos().nanosAt(song.end()) / 1e9,
        song.resolution(),
        song.tracks().stream().map(InfoCommand::part).toList(),
        song.tracks().stream().flatMap(t -> t.clips().stream().map(c -> clip(song, t, c))).toList(),
        opened.damage(),
        opened.loss(),
        opened.remarks());
  }

  private static Part part(Track t) {
    return new Part(
        t.name(), t.channel() + 1, t.instrument().program(), t.instrument().kit(), t.noteCount());
  }

  private static ClipFacts clip(Song song, Track track, Clip clip) {
    return new ClipFacts(
        track.name(),
        clip.traits().name(),
        song.meters().positionAt(clip.start()).toString(),
        clip.start(),
        clip.length(),
        clip.loops() ? clip.period() : 0,
        clip.traits().link(),
        !clip.isAudible(),
        clip.traits().transpose(),
        clip.traits().louder(),
        clip.noteCount());
  }

  private static void print(Facts f, PrintWriter out) {
    out.printf(
        Locale.ROOT,
        "%s: %d notes, %d bars, %.1f s, %s bpm, %s, %d PPQ%n",
        CommandLineApp.plain(f.title()),
        f.notes(),
        f.bars(),
        f.seconds(),
        f.tempo(),
        f.meter(),
        f.resolution());
    if (f.tempoChanges() + f.meterChanges() > 0) {
      out.printf(
          "%d changes of tempo, %d of meter after the first%n", f.tempoChanges(), f.meterChanges());
    }
    for (Part p : f.tracks()) {
      out.printf(
          "  %-24s channel %2d  %s %3d  %6d notes%n",
          CommandLineApp.plain(p.name()),
          p.channel(),
          p.kit() ? "kit    " : "program",
          p.program(),
          p.notes());
    }
    if (!f.damage().isEmpty()) {
      out.println("Damaged: " + f.damage());
      out.println(f.lost());
    }
    f.remarks().forEach(r -> out.println(CommandLineApp.plain(r)));
  }
}
