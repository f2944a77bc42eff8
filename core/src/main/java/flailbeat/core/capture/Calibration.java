package flailbeat.core.capture;

import flailbeat.core.quantize.Robust;
import flailbeat.core.quantize.Timing;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;

/** Finds out how early or late a person taps to the click. */
public final class Calibration {
  /** How many bars are tapped to. */
  public static final int BARS = 8;

  /** With fewer taps there is no result. */
  public static final int LEAST_TAPS = 8;

  /** Nearer to the median than this a tap is never an outlier. */
  private static final double LEAST_MS = 5;

  /** Farther off, taps were not to the click. */
  private static final double FARTHEST_MS = 250;

  private final TempoMap tempos;
  private final MeterMap meters;
  private final TickRange range;
  private final List<Double> offsetsMs = new ArrayList<>();

  /** One that goes over the bars from a tick's bar on. */
  public Calibration(TempoMap tempos, MeterMap meters, long tick) {
    this.tempos = tempos;
    this.meters = meters;
    int bar = meters.barAt(tick);
    this.range = new TickRange(meters.barStart(bar), meters.barStart(bar + BARS));
  }

  /** The bars that are tapped to. */
  public TickRange range() {
    return range;
  }

  /** A tap at a song time: it counts for the nearest beat. */
  public void tap(long songNanos) {
    long tick = tempos.tickAt(songNanos);
    long half = meters.meterAt(tick).ticksPerBeat() / 2;
    long beat = meters.beatAtOrAfter(tick - half);
    offsetsMs.add((songNanos - tempos.nanosAt(beat)) / 1e6);
  }

  /** How many taps there were so far. */
  public int taps() {
    return offsetsMs.size();
  }

  /** What comes of the taps so far. */
  public Result result() {
    double[] all = offsetsMs.stream().mapToDouble(Double::doubleValue).toArray();
    Timing timing = Timing.of(Robust.inliers(all, LEAST_MS));
    return new Result(
        timing.count(), all.length - timing.count(), timing.lagMs(), timing.spreadMs());
  }

  /**
   * How a person taps.
   *
   * @param taps how many counted
   * @param leftOut how many were outliers
   * @param offsetMs their median; negative is early
   * @param spreadMs their standard deviation
   */
  public record Result(int taps, int leftOut, double offsetMs, double spreadMs) {
    /** Whether there were enough taps to say anything. */
    public boolean isEnough() {
      return taps >= LEAST_TAPS;
    }

    /** Whether it can be taken off what is recorded: nobody who taps along is farther off. */
    public boolean isUsable() {
      return isEnough() && Math.abs(offsetMs) <= FARTHEST_MS;
    }
  }
}
