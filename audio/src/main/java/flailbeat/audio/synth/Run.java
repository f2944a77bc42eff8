package flailbeat.audio.synth;

import flailbeat.core.playback.PlaybackPlan;

/** One stretch of playing, from a cue to a halt: what is played, and what of it is heard when. */
public final class Run {
  private final long songNanos;
  private final long clockNanos;
  private volatile PlaybackPlan plan;
  private volatile long offsetNanos;

  /** A run that shall be heard so that {@code songNanos} falls on {@code clockNanos}. */
  public Run(PlaybackPlan plan, long songNanos, long clockNanos) {
    this.plan = plan;
    this.songNanos = songNanos;
    this.clockNanos = clockNanos;
    this.offsetNanos = songNanos - clockNanos;
  }

  long songNanos() {
    return songNanos;
  }

  long clockNanos() {
    return clockNanos;
  }

  public PlaybackPlan plan() {
    return plan;
  }

  public void setPlan(PlaybackPlan value) {
    plan = value;
  }

  /** Song time less clock time of what is heard. */
  public long offsetNanos() {
    return offsetNanos;
  }

  void setOffsetNanos(long value) {
    offsetNanos = value;
  }
}
