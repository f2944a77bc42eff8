package flailbeat.audio.synth;

import flailbeat.core.playback.ClickSound;
import flailbeat.core.playback.Repeats;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;

/**
 * What passes between the session's thread and the one that renders: live notes, what is played,
 * and the level that comes back. Nothing here waits, and it is there before any sound is.
 */
public final class Feed {
  private final LiveQueue live = new LiveQueue();
  private final AtomicReference<Run> run = new AtomicReference<>();
  private final AtomicBoolean silence = new AtomicBoolean();
  private volatile float peak;
  private volatile Repeats repeats = Repeats.NONE;
  private volatile ClickSound clickSound = ClickSound.TONE;
  private volatile double clickLevel = 0.7;

  public LiveQueue live() {
    return live;
  }

  /** Chooses what is played; null for nothing. */
  public void setRun(Run value) {
    run.set(value);
  }

  public Run run() {
    return run.get();
  }

  /** Chooses which live notes are struck again and again. */
  public void setRepeats(Repeats value) {
    repeats = value;
  }

  Repeats repeats() {
    return repeats;
  }

  /** Ends all that sounds with the next block. */
  public void silence() {
    silence.set(true);
  }

  /** Whether silence was asked for since this was last called. */
  boolean takeSilence() {
    return silence.getAndSet(false);
  }

  /**
   * Chooses what the click sounds like.
   *
   * @param level 0 to 1
   */
  public void setClick(ClickSound sound, double level) {
    clickSound = sound;
    clickLevel = level;
  }

  ClickSound clickSound() {
    return clickSound;
  }

  double clickLevel() {
    return clickLevel;
  }

  /** The level that went out lately, 0 to 1. */
  public float peak() {
    return peak;
  }

  void setPeak(float value) {
    peak = value;
  }
}
