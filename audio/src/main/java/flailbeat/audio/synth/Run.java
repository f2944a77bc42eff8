package flailbeat.audio.synth;

import flailbeat.core.playback.Plans;
import flailbeat.core.time.Loop;
import java.util.Optional;

/** One stretch of playing, from a cue to a halt: what is played, and what of it is heard when. */
public final class Run {
  private final long songNanos;
  private final long clockNanos;
  private final Loop loop;
  private volatile Plans plans;
  private volatile long offsetNanos;

  /**
   * A run that shall be heard so that {@code songNanos} falls on {@code clockNanos}.
   *
   * @param loop what is gone round, once its end is reached
   */
  public Run(Plans plans, long songNanos, long clockNanos, Optional<Loop> loop) {
    this.plans = plans;
    this.songNanos = songNanos;
    this.clockNanos = clockNanos;
    this.loop = loop.orElse(null);
    this.offsetNanos = songNanos - clockNanos;
  }

  long songNanos() {
    return songNanos;
  }

  long clockNanos() {
    return clockNanos;
  }

  /** What is gone round; null for nothing. */
  Loop loop() {
    return loop;
  }

  /** What is played, turn by turn of the loop. */
  Plans plans() {
    return plans;
  }

  public void setPlans(Plans value) {
    plans = value;
  }

  /** Unrolled time less clock time of what is heard. */
  public long offsetNanos() {
    return offsetNanos;
  }

  void setOffsetNanos(long value) {
    offsetNanos = value;
  }
}
