package flailbeat.audio.synth;

import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.time.Loop;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;

/** One stretch of playing, from a cue to a halt: what is played, and what of it is heard when. */
public final class Run {
  private final long songNanos;
  private final long clockNanos;
  private final Loop loop;
  private final AtomicReference<PlaybackPlan> atLoop = new AtomicReference<>();
  private volatile PlaybackPlan plan;
  private volatile long offsetNanos;

  /**
   * A run that shall be heard so that {@code songNanos} falls on {@code clockNanos}.
   *
   * @param loop what is gone round, once its end is reached
   */
  public Run(PlaybackPlan plan, long songNanos, long clockNanos, Optional<Loop> loop) {
    this.plan = plan;
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

  public PlaybackPlan plan() {
    return plan;
  }

  public void setPlan(PlaybackPlan value) {
    plan = value;
  }

  /** Makes a plan ready to be taken up where the loop begins anew. */
  public void setPlanAtLoop(PlaybackPlan value) {
    atLoop.set(value);
  }

  /** Takes up the plan that was made ready, if one was. */
  void beginRound() {
    PlaybackPlan ready = atLoop.getAndSet(null);
    if (ready != null) {
      plan = ready;
    }
  }

  /** Unrolled time less clock time of what is heard. */
  public long offsetNanos() {
    return offsetNanos;
  }

  void setOffsetNanos(long value) {
    offsetNanos = value;
  }
}
