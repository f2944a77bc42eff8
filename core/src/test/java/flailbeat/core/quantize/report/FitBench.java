package flailbeat.core.quantize.report;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.FitMemory;
import flailbeat.core.quantize.InPlace;
import flailbeat.core.quantize.QuantizePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.fit.FitSolver;
import flailbeat.core.quantize.fit.Slots;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
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

/** How long Fit takes, beside sorting as many longs; see docs/quantizing.md. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
    value = 1,
    jvmArgs = {"-Xms6g", "-Xmx6g"})
@Warmup(iterations = 4, time = 3)
@Measurement(iterations = 5, time = 3)
public class FitBench {
  private static final TempoMap TEMPO = TempoMap.of(TempoMap.DEFAULT);
  private static final MeterMap METER = MeterMap.of(Meter.COMMON);
  private static final int[] PATTERN = {0, 2, 3, 4, 6, 8, 10, 11, 12, 14};
  private static final double TICKS_PER_MS = 1.92;

  /** How many notes. */
  @Param({"1000", "2000", "10000", "100000", "1000000"})
  public int notes;

  private final FitMemory memory = new FitMemory();
  private List<Note> performed;
  private double[] ms;
  private boolean[] sharesPitch;
  private Slots slots;
  private long[] shuffled;
  private int turn;

  /** Ten sixteenths to the bar, 20 ms late, with a spread of 18 ms. */
  @Setup(Level.Trial)
  public void perform() {
    Random random = new Random(1);
    performed = new ArrayList<>(notes);
    ms = new double[notes];
    sharesPitch = new boolean[notes];
    for (int i = 0; i < notes; i++) {
      long meant = i / PATTERN.length * 3840L + PATTERN[i % PATTERN.length] * 240L;
      double late = 20 + 18 * random.nextGaussian();
      ms[i] = 125 * (meant / 240.0 + 8) + late;
      sharesPitch[i] = random.nextInt(3) == 0;
      long onset = meant + Math.round(late * TICKS_PER_MS);
      performed.add(
          Note.asPlayed(
              new NoteId(i + 1L), 60 + random.nextInt(12), 80, new Played(onset, onset + 100)));
    }
    Arrays.sort(ms);
    slots = sixteenths(notes / PATTERN.length * 16 + 64);
    shuffled = random.longs(notes).toArray();
  }

  private static Slots sixteenths(int n) {
    double[] at = new double[n];
    int[] place = new int[n];
    int[] inBar = new int[n];
    int[] beat = new int[n];
    for (int s = 0; s < n; s++) {
      at[s] = 125 * s;
      place[s] = s % 4;
      inBar[s] = s % 16;
      beat[s] = s / 4;
    }
    return new Slots(at, place, new double[] {1, 0.25, 0.6, 0.25}, inBar, beat, new byte[n]);
  }

  /** Sorts as many longs as there are notes. */
  @Benchmark
  public long[] sorting() {
    long[] sorted = shuffled.clone();
    Arrays.sort(sorted);
    return sorted;
  }

  /** Onsets to slots, with doubts: the method itself. */
  @Benchmark
  public Object fitting() {
    FitSolver solver = new FitSolver(ms, sharesPitch, slots, LagPrior.UNKNOWN);
    var readings = solver.readings();
    return solver.doubts(readings);
  }

  /** From notes to a whole plan. */
  @Benchmark
  public QuantizePlan planning() {
    return Quantizer.of(QuantizeSettings.recommended(), TEMPO, METER).plan(performed, List.of());
  }

  /** A live preview as strength is dragged. */
  @Benchmark
  public QuantizePlan dragging() {
    turn = (turn + 1) % 100;
    return Quantizer.of(
            QuantizeSettings.recommended().withStrength(turn),
            TEMPO,
            METER,
            InPlace.NOTHING,
            memory,
            Progress.NONE)
        .plan(performed, List.of());
  }

  /** Ranks the grids. */
  @Benchmark
  public Object ranking() {
    return new WhichGrid(QuantizeSettings.recommended(), TEMPO, METER).rank(performed);
  }

  public static void main(String[] words) throws RunnerException {
    String which = words.length > 0 ? words[0] : "sorting|fitting|planning|dragging";
    new Runner(new OptionsBuilder().include("FitBench.(" + which + ")$").build()).run();
  }
}
