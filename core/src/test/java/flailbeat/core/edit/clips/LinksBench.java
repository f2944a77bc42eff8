package flailbeat.core.edit.clips;

import flailbeat.core.TestSongs;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A clip of 400 notes with 500 linked copies; and what a loop of 1,000 rounds takes. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
    value = 1,
    // As the launcher has the window.
    jvmArgs = {"-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-Xmx3g"})
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 3, time = 1)
public class LinksBench {
  private static final int NOTES = 400;
  private static final int COPIES = 500;

  private Song song;
  private Set<NoteId> some;
  private Set<ClipId> source;

  private static Song one() {
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < NOTES; i++) {
      notes.add(TestSongs.note(10 + i, 40 + i % 30, i * 9L, 100));
    }
    return TestSongs.song(TestSongs.clip(5, 0, TestSongs.BAR, Clip.NEVER, notes, List.of()));
  }

  @Setup(Level.Trial)
  public void fill() {
    source = Set.of(new ClipId(5));
    ClipPattern pattern = ClipPattern.of(one(), source).orElseThrow();
    song = pattern.laidInto(one(), TestSongs.BAR, 0, COPIES, true, Landing.OVER);
    some =
        NoteEdits.find(song, TestSongs.ids(song)).stream()
            .limit(20)
            .map(Note::id)
            .collect(java.util.stream.Collectors.toSet());
  }

  @Benchmark
  public Song moveTwentyNotesInAll() {
    return NoteEdits.move(song, some, 1, 1);
  }

  @Benchmark
  public Song layFiveHundredLinkedCopies() {
    return ClipPattern.of(one(), source)
        .orElseThrow()
        .laidInto(one(), TestSongs.BAR, 0, COPIES, true, Landing.OVER);
  }

  private static int bytes(Song of) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ProjectFile.write(of, out);
    return out.size();
  }

  /** Measures. */
  public static void main(String[] args) throws Exception {
    Song once = one();
    Song loop =
        once.mapTracks(
            t -> t.withClip(new ClipId(5), c -> c.lasting(1000 * TestSongs.BAR, TestSongs.BAR)));
    LinksBench links = new LinksBench();
    links.fill();
    System.out.printf(
        "file: once %d bytes, 1,000 rounds %d, 500 linked copies %d; same content in memory: %b%n",
        bytes(once),
        bytes(loop),
        bytes(links.song),
        loop.tracks().get(0).clips().get(0).content()
            == once.tracks().get(0).clips().get(0).content());
    org.openjdk.jmh.Main.main(new String[] {LinksBench.class.getSimpleName()});
  }
}
