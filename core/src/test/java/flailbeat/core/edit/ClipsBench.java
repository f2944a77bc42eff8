package flailbeat.core.edit;

import flailbeat.core.TestSongs;
import flailbeat.core.chore.Area;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.ChoreAction;
import flailbeat.core.chore.Outcome;
import flailbeat.core.chore.Reach;
import flailbeat.core.edit.shapes.Louder;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.pitch.Key;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.NoteValue;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
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

/** 100,000 notes in one clip or in many: what an edit costs goes with what it touches. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
    value = 1,
    // As the launcher has the window.
    jvmArgs = {"-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-Xmx3g"})
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 3, time = 1)
public class ClipsBench {
  private static final int NOTES = 100_000;
  private static final int MOST_TRACKS = 16;

  /** How many clips they are in, over up to 16 tracks. */
  @Param({"1", "160", "960", "4000"})
  public int clips;

  private Song song;
  private Set<NoteId> all;
  private Set<NoteId> ten;
  private Outcome outcome;
  private Selection points;

  @Setup(Level.Trial)
  public void fill() {
    int tracks = Math.min(MOST_TRACKS, clips);
    int each = NOTES / clips;
    long id = 10;
    List<Track> made = new ArrayList<>();
    Set<ControlId> some = new HashSet<>();
    for (int t = 0; t < tracks; t++) {
      List<Clip> own = new ArrayList<>();
      long length = Math.max(TestSongs.BAR, each * 120L);
      for (int c = 0; c < clips / tracks; c++) {
        List<Note> notes = new ArrayList<>();
        List<ControlPoint> controls = new ArrayList<>();
        for (int i = 0; i < each; i++) {
          notes.add(TestSongs.note(id++, 40 + i % 30, i * 120L % length, 100));
          if (i % 4 == 0) {
            some.add(new ControlId(id));
            controls.add(TestSongs.point(id++, i * 120L % length, 11, i % 128));
          }
        }
        own.add(TestSongs.clip(id++, c * length, length, Clip.NEVER, notes, controls));
      }
      made.add(Track.empty(new TrackId(id++), "t", Instrument.melodic(0), 0).withClips(own));
    }
    song = Song.empty().withTracks(made).withNextId(id);
    List<Note> notes = made.stream().flatMap(t -> t.notes().stream()).toList();
    all = Selection.of(notes).notes();
    ten = Selection.of(notes.subList(notes.size() / 2, notes.size() / 2 + 10)).notes();
    points = Selection.ofControls(some);
    outcome =
        new Chore(List.of(), ChoreAction.LOUDER, 5)
            .outcome(
                Area.of(
                    song,
                    Reach.SONG,
                    made.get(0),
                    Optional.empty(),
                    Selection.NONE,
                    new GridLines(Grid.of(NoteValue.straight(4)), song.meters()),
                    new Key(0, flailbeat.core.pitch.Scale.MAJOR)),
                1);
  }

  @Benchmark
  public Song louderAll() {
    return Louder.by(all, 1).apply(song);
  }

  @Benchmark
  public Song louderTen() {
    return Louder.by(ten, 1).apply(song);
  }

  @Benchmark
  public Song moveAll() {
    return NoteEdits.move(song, all, 120, 1);
  }

  @Benchmark
  public Song deleteAll() {
    return NoteEdits.delete(song, all);
  }

  @Benchmark
  public long outcomeOnEachTrack() {
    return song.tracks().stream().mapToLong(t -> outcome.on(t).count()).sum();
  }

  @Benchmark
  public Selection selectedPointsAlive() {
    return points.aliveIn(song);
  }

  /** Measures. */
  public static void main(String[] args) throws Exception {
    org.openjdk.jmh.Main.main(new String[] {"ClipsBench"});
  }
}
