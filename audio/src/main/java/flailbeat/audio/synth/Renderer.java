package flailbeat.audio.synth;

import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Repeats;
import java.util.Arrays;

/**
 * Makes the next block of sound from the live notes, the run and the synthesizer. {@link #render}
 * is for one thread; everything else may be called from another and never waits.
 */
public final class Renderer {
  /** Full scale of 16 bits. */
  private static final float FULL_SCALE = 32_767;

  /** How much of the peak is left after a block: it falls by about 20 dB a second. */
  private static final float PEAK_FALL = 0.9948f;

  /** Leaves room for several parts at once before the limiter has work. */
  private static final float HEADROOM = 0.6f;

  /** A level that 16 bits cannot tell. */
  private static final float SILENT = 1e-6f;

  /**
   * After so many blocks of silence, some four seconds, the synthesizer rests until it is asked.
   */
  private static final int REST_BLOCKS = 1764;

  private final long blockNanos;
  private final Outlet outlet;

  private final Synth synth;
  private final Feed feed;
  private final ClickVoice click;
  private final Limiter limiter;
  private final RepeatPlayer repeats;
  private final PlanPlayer plans;
  private int quietBlocks;
  private final float[] samples = new float[Synth.BLOCK_FRAMES * 2];

  public Renderer(Synth synth, Feed feed) {
    this.synth = synth;
    this.feed = feed;
    blockNanos = Synth.BLOCK_FRAMES * 1_000_000_000L / synth.frameRate();
    click = new ClickVoice(synth.frameRate());
    limiter = new Limiter(synth.frameRate());
    outlet = new Outlet(synth, feed);
    repeats = new RepeatPlayer(outlet);
    plans = new PlanPlayer(outlet, click, repeats, feed, synth.frameRate());
  }

  /** The last block as numbers, left and right in turn; for the rendering thread alone. */
  public float[] samples() {
    return samples;
  }

  /**
   * Renders a block.
   *
   * @param nextHeardNanos when it will be heard
   * @param target 16 bits, stereo, little-endian, {@link Synth#BLOCK_FRAMES} frames
   */
  public void render(long nextHeardNanos, byte[] target) {
    plans.follow(feed.run(), nextHeardNanos);
    boolean asked = feed.run() != null || feed.repeats() != Repeats.NONE;
    if (feed.takeSilence()) {
      outlet.silence();
      asked = true;
    }
    outlet.due(0);
    int message = feed.live().poll();
    while (message != LiveQueue.NOTHING) {
      asked = true;
      sendLive(message);
      message = feed.live().poll();
    }
    repeats.follow(feed.repeats());
    plans.block();
    repeats.play(false, nextHeardNanos, nextHeardNanos + blockNanos, 0);
    quietBlocks = asked ? 0 : quietBlocks;
    if (!isResting()) {
      synth.render(samples);
      measureParts();
      for (int i = 0; i < samples.length; i++) {
        samples[i] *= HEADROOM;
      }
      click.mixInto(samples);
    } else {
      Arrays.fill(samples, 0);
      feed.clearLevels();
    }
    float level = limiter.process(samples);
    quietBlocks = level < SILENT ? Math.min(quietBlocks + 1, REST_BLOCKS) : 0;
    feed.setPeak(Math.max(level, feed.peak() * PEAK_FALL));
    toBytes(target);
  }

  /** Whether nothing was asked for, and nothing sounds, for so long that nothing is worked out. */
  public boolean isResting() {
    return quietBlocks >= REST_BLOCKS;
  }

  private void measureParts() {
    for (int part = 0; part < Synth.LIVE; part++) {
      feed.setLevel(part, Math.max(HEADROOM * synth.level(part), feed.level(part) * PEAK_FALL));
    }
  }

  private void sendLive(int message) {
    if (LiveQueue.isDial(message)) {
      plans.dial(
          PlaybackPlan.part(message) & LiveQueue.PART,
          PlaybackPlan.status(message),
          PlaybackPlan.data1(message),
          PlaybackPlan.data2(message));
    }
    int channel = Synth.LIVE + (PlaybackPlan.part(message) & LiveQueue.PART);
    int data1 = PlaybackPlan.data1(message);
    int data2 = PlaybackPlan.data2(message);
    switch (PlaybackPlan.status(message)) {
      case 0x90 -> outlet.noteOn(channel, data1, data2);
      case 0x80 -> outlet.noteOff(channel, data1);
      default -> outlet.control(PlaybackPlan.status(message), channel, data1, data2);
    }
  }

  private void toBytes(byte[] target) {
    for (int i = 0; i < samples.length; i++) {
      int value = Math.round(samples[i] * FULL_SCALE);
      target[2 * i] = (byte) value;
      target[2 * i + 1] = (byte) (value >> 8);
    }
  }
}
