package flailbeat.core.harmony;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
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
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** How long it takes to name what is held, and to find the chords of a song of 20,000 notes. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(
    value = 1,
    // As the launcher has the window.
    jvmArgs = {"-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC"})
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class ChordBench {
  private static final int NOTES = 20_000;
  private static final List<Integer> HELD = List.of(48, 64, 67, 70, 74, 81);

  private Song song;
  private Song[] edited;
  private SongChords used;
  private int turn;

  /** Chords of four notes on every beat, one to a bar, and the same with one note other. */
  @Setup(Level.Trial)
  public void fill() {
    song = song(-1);
    edited = new Song[] {song(NOTES / 2), song};
    used = new SongChords();
    used.find(song, Optional.empty());
  }

  private static Song song(int other) {
    int[][] chords = {{50, 57, 62, 65}, {48, 55, 60, 64}, {46, 53, 58, 62}, {45, 52, 57, 61}};
    Random random = new Random(1);
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < NOTES; i++) {
      long tick = i / 4 * 960L;
      int pitch = chords[i / 16 % 4][i % 4] + (i == other ? 1 : 0);
      notes.add(Note.placed(new NoteId(10 + i), pitch, 80, tick + random.nextInt(20), 900));
    }
    notes.sort(Note.ORDER);
    Song empty = Song.empty();
    Clip clip = Clip.around(new ClipId(5), notes, List.of(), empty.meters());
    return empty
        .withTrack(empty.tracks().getFirst().id(), t -> t.withClips(List.of(clip)))
        .withNextId(NOTES + 100);
  }

  /** Six pitches. */
  @Benchmark
  public Object nameWhatIsHeld() {
    return ChordNamer.names(HELD, Optional.empty());
  }

  /** From nothing. */
  @Benchmark
  public Object findInSong() {
    return new SongChords().find(song, Optional.empty());
  }

  /** What was found before of all but one note. */
  @Benchmark
  public Object findAfterEdit() {
    turn = 1 - turn;
    return used.find(edited[turn], Optional.empty());
  }

  public static void main(String[] words) throws RunnerException {
    new Runner(new OptionsBuilder().include(ChordBench.class.getSimpleName()).build()).run();
  }
}
