package flailbeat.audio.synth;

import flailbeat.audio.line.OutputLine;

/** The metronome's sound: a short, dying tone, higher and louder on an accent. */
public final class ClickVoice {
  private static final double SECONDS = 0.045;
  private static final double DECAY_SECONDS = 0.009;
  private static final int FRAMES = (int) (SECONDS * OutputLine.FRAME_RATE);
  private static final float[] ACCENT = tone(1760, 0.42);
  private static final float[] BEAT = tone(1174.66, 0.28);

  private float[] sounding = BEAT;
  private int next = FRAMES;
  private int delay;

  private static float[] tone(double hertz, double level) {
    float[] result = new float[FRAMES];
    for (int i = 0; i < FRAMES; i++) {
      double t = (double) i / OutputLine.FRAME_RATE;
      double attack = Math.min(1, i / 20.0);
      result[i] =
          (float)
              (level * attack * Math.exp(-t / DECAY_SECONDS) * Math.sin(2 * Math.PI * hertz * t));
    }
    return result;
  }

  /** Starts a click so many frames into the next block. */
  public void start(boolean accent, int frame) {
    sounding = accent ? ACCENT : BEAT;
    next = 0;
    delay = frame;
  }

  /** Mixes what sounds into a block: left and right in turn. */
  public void mixInto(float[] block) {
    for (int i = delay * 2; i < block.length && next < FRAMES; i += 2) {
      block[i] += sounding[next];
      block[i + 1] += sounding[next++];
    }
    delay = 0;
  }
}
