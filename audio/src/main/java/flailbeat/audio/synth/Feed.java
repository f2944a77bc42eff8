package flailbeat.audio.synth;

import flailbeat.core.playback.ClickSound;
import flailbeat.core.playback.Repeats;
import java.util.Arrays;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.atomic.AtomicReferenceArray;

/**
 * What passes between the session's thread and the one that renders: live notes, what is played,
 * and the level that comes back. Nothing here waits, and it is there before any sound is.
 */
public final class Feed {
  /** The route to the synthesizer. */
  static final int TO_SYNTH = 0;

  /** So many MIDI outputs at once. */
  public static final int MOST_PORTS = 32;

  private final LiveQueue live = new LiveQueue();
  private final AtomicIntegerArray routes = new AtomicIntegerArray(Synth.LIVE);
  private final AtomicReferenceArray<PortQueue> ports = new AtomicReferenceArray<>(MOST_PORTS);
  private final float[] levels = new float[Synth.LIVE];
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

  /**
   * Sends a part to a MIDI output.
   *
   * @param port which, from 0
   * @param channel 0 to 15
   */
  public void setRoute(int part, int port, int channel) {
    routes.set(part, (port + 1) << 4 | channel);
  }

  /** Sends a part to the synthesizer. */
  public void clearRoute(int part) {
    routes.set(part, TO_SYNTH);
  }

  /** Whether a part goes to a MIDI output. */
  public boolean isOut(int part) {
    return routes.get(part) != TO_SYNTH;
  }

  int route(int part) {
    return routes.get(part);
  }

  static int portOf(int route) {
    return (route >> 4) - 1;
  }

  static int channelOf(int route) {
    return route & 0xF;
  }

  /** What goes to a MIDI output goes here. */
  public void setPort(int index, PortQueue queue) {
    ports.set(index, queue);
  }

  PortQueue port(int index) {
    return ports.get(index);
  }

  /** The level of a part lately, 0 to 1. */
  public float level(int part) {
    return levels[part];
  }

  void clearLevels() {
    Arrays.fill(levels, 0);
  }

  void setLevel(int part, float value) {
    levels[part] = value;
  }

  /** The level that went out lately, 0 to 1. */
  public float peak() {
    return peak;
  }

  void setPeak(float value) {
    peak = value;
  }
}
