package flailbeat.core.step;

import flailbeat.core.model.Song;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** How long it takes to enter many steps one after another: in proportion, or worse. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
    value = 1,
    // As the launcher has the window.
    jvmArgs = {"-XX:TieredStopAtLevel=1"})
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 2)
public class StepEntryBench {
  @Param({"1250", "2500", "5000", "10000"})
  public int steps;

  /** Eighths of triplets into a song that is empty at first, replacing what stands there. */
  @Benchmark
  public Song enter() {
    Song song = Song.empty();
    StepSettings settings = StepSettings.standard().withLength(StepLength.of(8).triplet());
    StepState state = StepState.at(settings, 0, song.tracks().get(0).id());
    for (int i = 0; i < steps; i++) {
      int pitch = 48 + i * 7 % 25;
      StepAround around = new StepAround(song, song.tracks().get(0).id(), Optional.empty());
      StepState down = new StepMachine(state, around).press(pitch, 80);
      StepResult result = new StepMachine(down, around).release(pitch);
      state = result.state();
      song = result.edit().orElseThrow().apply(song);
    }
    return song;
  }

  public static void main(String[] args) throws RunnerException {
    new Runner(new OptionsBuilder().include(StepEntryBench.class.getSimpleName()).build()).run();
  }
}
