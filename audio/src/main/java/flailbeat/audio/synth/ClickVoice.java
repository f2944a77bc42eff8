package flailbeat.audio.synth;

import flailbeat.core.playback.ClickSound;
import java.util.EnumMap;
import java.util.Map;

/** The metronome's sound: short and dying, higher and louder on an accent. */
public final class ClickVoice {
  private static final double SECONDS = 0.045;

  /** An accent and a beat. */
  private record Pair(float[] accent, float[] beat) {}

  private final int frames;
  private final int frameRate;
  private final Map<ClickSound, Pair> sounds;
  private float[] sounding;
  private float gain;
  private int next;
  private int delay;

  /**
   * A voice that is silent.
   *
   * @param frameRate frames a second
   */
  public ClickVoice(int frameRate) {
    this.frameRate = frameRate;
    frames = (int) (SECONDS * frameRate);
    next = frames;
    sounds =
        new EnumMap<>(
            Map.of(
                ClickSound.TONE,
                new Pair(tone(1760, 0.6, 0.009, 0), tone(1174.66, 0.4, 0.009, 0)),
                ClickSound.WOOD,
                new Pair(tone(1040, 0.75, 0.012, 2.41), tone(780, 0.5, 0.012, 2.41)),
                ClickSound.TICK,
                new Pair(tone(5200, 0.6, 0.003, 1.37), tone(3900, 0.4, 0.003, 1.37))));
    sounding = sounds.get(ClickSound.TONE).beat();
  }

  /**
   * A tone.
   *
   * @param overtone a second partial as a multiple of the first, half as loud; 0 for none
   */
  private float[] tone(double hertz, double level, double decaySeconds, double overtone) {
    float[] result = new float[frames];
    for (int i = 0; i < frames; i++) {
      double t = (double) i / frameRate;
      double attack = Math.min(1, i / 20.0);
      double phase = 2 * Math.PI * hertz * t;
      double wave = Math.sin(phase) + (overtone == 0 ? 0 : 0.5 * Math.sin(phase * overtone));
      result[i] = (float) (level * attack * Math.exp(-t / decaySeconds) * wave);
    }
    return result;
  }

  /**
   * Starts a click so many frames into the next block.
   *
   * @param level 0 to 1
   */
  public void start(boolean accent, int frame, ClickSound sound, double level) {
    Pair pair = sounds.get(sound);
    sounding = accent ? pair.accent() : pair.beat();
    gain = (float) level;
    next = 0;
    delay = frame;
  }

  /** Mixes what sounds into a block: left and right in turn. */
  public void mixInto(float[] block) {
    for (int i = delay * 2; i < block.length && next < frames; i += 2) {
      float sample = gain * sounding[next++];
      block[i] += sample;
      block[i + 1] += sample;
    }
    delay = 0;
  }
}
