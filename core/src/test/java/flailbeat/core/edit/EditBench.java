package flailbeat.core.edit;

import flailbeat.core.edit.notes.NoteMove;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** How long it takes to move one note among many, and what 1,000 such steps hold. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(
    value = 1,
    // As the launcher has the window.
    jvmArgs = {"-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC"})
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class EditBench {
  private static final int STEPS = 1000;

  /** How many notes the clip has. */
  @Param({"1000", "100000"})
  public int notes;

  private Song song;
  private NoteMove move;
  private NoteMove moveOfATenth;

  /** A clip of that many, one of which is to be moved by a sixteenth. */
  @Setup(Level.Trial)
  public void fill() {
    song = song(notes);
    move = new NoteMove(Set.of(new NoteId(10 + notes / 2)), 240, 1);
    List<Note> tenth = song.tracks().get(0).notes().subList(0, notes / 10);
    moveOfATenth = new NoteMove(Selection.of(tenth).notes(), 240, 1);
  }

  @Benchmark
  public Song moveOne() {
    return move.apply(song);
  }

  /** What a drag of 10,000 of 100,000 notes works out for each move of the mouse. */
  @Benchmark
  public Song moveATenth() {
    return moveOfATenth.apply(song);
  }

  private static Song song(int count) {
    Random random = new Random(5);
    List<Note> all = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      long onset = i * 120L + random.nextInt(60);
      all.add(Note.placed(new NoteId(10L + i), 36 + random.nextInt(48), 90, onset, 200));
    }
    Song empty = Song.empty();
    Clip clip = Clip.around(new ClipId(2), all, List.of(), empty.meters());
    return empty.mapTracks(t -> t.withClips(List.of(clip))).withNextId(count + 10L);
  }

  /** Measures both; the argument is not looked at. */
  public static void main(String[] args) throws RunnerException {
    new Runner(new OptionsBuilder().include(EditBench.class.getSimpleName()).build()).run();
    Random random = new Random(3);
    History<Song> history = new History<>(song(100_000));
    long before = used();
    for (int i = 0; i < STEPS; i++) {
      Set<NoteId> one = Set.of(new NoteId(10L + random.nextInt(100_000)));
      history.push("Move note", new NoteMove(one, 240, 1).apply(history.current()));
    }
    long added = used() - before;
    System.out.printf(
        Locale.ROOT, "%d steps in a clip of 100,000: %.1f MB%n", STEPS, added / 1048576.0);
    if (history.undoLabel().isEmpty()) {
      throw new IllegalStateException("The history was thrown away");
    }
  }

  private static long used() {
    for (int i = 0; i < 5; i++) {
      System.gc();
    }
    Runtime runtime = Runtime.getRuntime();
    return runtime.totalMemory() - runtime.freeMemory();
  }
}
