package flailbeat.core.chore;

import flailbeat.core.edit.Selection;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Scale;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.NoteValue;
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
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/**
 * How long a chore takes over 100,000 notes, played loosely, and 10,000 controller events: finding
 * what it would do, and doing it.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
    value = 1,
    // As the launcher has the window.
    jvmArgs = {"-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC"})
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class ChoreBench {
  private static final int NOTES = 100_000;

  /** A chore of the person's own, or one of those that come with the application. */
  @Param({
    "OWN",
    "SHORT",
    "DOUBLES",
    "OVERLAPS",
    "GAPS",
    "VELOCITY",
    "SQUEEZE",
    "FADE",
    "OCTAVES",
    "MARK_OUTSIDE",
    "MOVE_OUTSIDE",
    "REMOVE_OUTSIDE",
    "SILENCE",
    "THIN",
    "QUIETEST"
  })
  public String chore;

  private static final Chore OWN =
      new Chore(
          List.of(
              List.of(
                  new Term(Measure.PLACE, false, Relation.IS, 1, 1),
                  new Term(Measure.OFF_LINE, false, Relation.ABOVE, 10, 10)),
              List.of(
                  new Term(Measure.CHORD, false, Relation.ABOVE, 1, 1),
                  new Term(Measure.LENGTH_MS, true, Relation.BELOW, 60, 60),
                  new Term(Measure.CHANCE, false, Relation.BELOW, 50, 50))),
          ChoreAction.LOUDER,
          10);

  private Song song;

  @Setup(Level.Trial)
  public void fill() {
    Random random = new Random(1);
    List<Note> notes = new ArrayList<>(NOTES);
    List<ControlPoint> points = new ArrayList<>();
    long at = 3840;
    for (int i = 0; i < NOTES; i++) {
      at += random.nextInt(4) * 240L / 2;
      int pitch = 36 + random.nextInt(48);
      long loose = at + random.nextInt(60);
      notes.add(
          Note.placed(
              new NoteId(10 + i), pitch, 1 + random.nextInt(127), loose, 60 + random.nextInt(900)));
      if (i % 10 == 0) {
        points.add(
            new ControlPoint(
                new ControlId(NOTES + 10L + i),
                loose,
                Controller.EXPRESSION.at(random.nextInt(128))));
      }
    }
    Song empty = Song.empty();
    Track track = empty.tracks().getFirst();
    Clip clip = Clip.around(new ClipId(5), notes, points, empty.meters());
    song = empty.withTracks(List.of(track.withClips(List.of(clip)))).withNextId(3L * NOTES);
  }

  private Area area() {
    return Area.of(
        song,
        Reach.TRACK,
        song.tracks().getFirst(),
        Optional.empty(),
        Selection.NONE,
        new GridLines(Grid.of(NoteValue.straight(16)), song.meters()),
        new Key(0, Scale.MAJOR));
  }

  private Outcome outcome() {
    if (chore.equals("OWN")) {
      return OWN.outcome(area(), 1);
    }
    Cleanup cleanup = Cleanup.valueOf(chore);
    return cleanup.outcome(area(), cleanup.standard());
  }

  @Benchmark
  public Outcome found() {
    return outcome();
  }

  @Benchmark
  public Song done() {
    return outcome().edit("Chore").apply(song);
  }

  /** Runs it. */
  public static void main(String[] args) throws RunnerException {
    new Runner(new OptionsBuilder().include(ChoreBench.class.getSimpleName()).build()).run();
  }
}
