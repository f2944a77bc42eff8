package flailbeat.app.cli;

import com.fasterxml.jackson.databind.json.JsonMapper;
import flailbeat.app.formats.Formats;
import flailbeat.core.harmony.ChordReading;
import flailbeat.core.harmony.ChordSpan;
import flailbeat.core.harmony.KeyReading;
import flailbeat.core.harmony.KeySpan;
import flailbeat.core.harmony.SongChords;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "chords",
    mixinStandardHelpOptions = true,
    description = "Finds the key and the chords of a song, from the notes of all its tracks.")
final class ChordsCommand implements Callable<Integer> {
  private static final int MOST_KEYS = 3;
  private static final double NANOS_PER_SECOND = 1e9;

  @Mixin private Verbose verbose;
  @Spec private CommandSpec spec;

  @Parameters(paramLabel = "IN", description = "A .flail or .mid file.")
  private Path in;

  @Option(names = "--json", description = "As JSON.")
  private boolean json;

  private record Name(String name, double share) {}

  /**
   * A chord.
   *
   * @param position bar.beat.tick
   * @param tick of the song, 960 to a quarter note
   * @param seconds from the song's start
   */
  private record Told(
      String position,
      long tick,
      long endTick,
      double seconds,
      String name,
      double share,
      boolean byHand,
      List<Name> others) {}

  /**
   * A key that holds for a while.
   *
   * @param position bar.beat.tick
   */
  private record Stretch(String position, long tick, long endTick, List<Name> keys) {}

  private record Found(
      String file, List<Name> keys, List<Stretch> keysOverTime, List<Told> chords) {}

  @Override
  public Integer call() throws CommandFault {
    try {
      Song song = Formats.ALL.read(in).song();
      SongChords.Found chords = new SongChords().find(song, Optional.empty());
      if (chords.keys().isEmpty()) {
        throw new CommandFault(
            CommandLineApp.shown(in)
                + ": there are no notes with pitches in it to find chords from");
      }
      Found found =
          new Found(
              in.toString(),
              names(chords.keys()),
              chords.keySpans().stream().map(s -> stretch(song, s)).toList(),
              chords.spans().stream().filter(ChordSpan::hasChord).map(s -> told(song, s)).toList());
      PrintWriter out = spec.commandLine().getOut();
      if (json) {
        out.println(JsonMapper.builder().build().writeValueAsString(found));
      } else {
        print(found, chords, out);
      }
      return 0;
    } catch (IOException e) {
      throw CommandLineApp.fault(in, e);
    }
  }

  private static Told told(Song song, ChordSpan span) {
    long tick = span.range().start();
    return new Told(
        song.meters().positionAt(tick).toString(),
        tick,
        span.range().end(),
        song.tempos().nanosAt(tick) / NANOS_PER_SECOND,
        span.chord().name(),
        CommandLineApp.rounded(span.share()),
        span.byHand(),
        span.readings().stream().skip(1).map(ChordsCommand::name).toList());
  }

  private static Name name(ChordReading reading) {
    return new Name(reading.chord().name(), CommandLineApp.rounded(reading.share()));
  }

  private static List<Name> names(List<KeyReading> keys) {
    return keys.stream()
        .limit(MOST_KEYS)
        .map(k -> new Name(k.words(), CommandLineApp.rounded(k.share())))
        .toList();
  }

  private static Stretch stretch(Song song, KeySpan span) {
    return new Stretch(
        song.meters().positionAt(span.range().start()).toString(),
        span.range().start(),
        span.range().end(),
        names(span.readings()));
  }

  private static void print(Found found, SongChords.Found chords, PrintWriter out) {
    out.println("key: " + KeyReading.words(chords.keys()));
    for (int i = 1; i < chords.keySpans().size(); i++) {
      out.printf(
          "from %s: %s%n",
          found.keysOverTime().get(i).position(),
          KeyReading.words(chords.keySpans().get(i).readings()));
    }
    for (Told each : found.chords()) {
      String others =
          each.others().stream()
              .map(o -> String.format(Locale.ROOT, "%s %.0f %%", o.name(), 100 * o.share()))
              .collect(Collectors.joining(", "));
      out.printf(
          Locale.ROOT,
          "%-10s %-10s %s%s%n",
          each.position(),
          each.name(),
          each.byHand() ? "by hand" : String.format(Locale.ROOT, "%3.0f %%", 100 * each.share()),
          others.isEmpty() ? "" : "  or " + others);
    }
  }
}
