package flailbeat.audio.wav;

import java.util.List;

/**
 * How a WAV file is written: stereo, linear PCM.
 *
 * @param bits to a sample, 16 or 24
 * @param frameRate frames a second, 44,100 or 48,000
 */
public record WavSettings(int bits, int frameRate) {
  /** The bits that there are to choose from. */
  public static final List<Integer> BITS = List.of(16, 24);

  /** The rates that there are to choose from. */
  public static final List<Integer> RATES = List.of(44_100, 48_000);

  /** As on a compact disc. */
  public static final WavSettings STANDARD = new WavSettings(16, 44_100);

  public WavSettings {
    if (!BITS.contains(bits) || !RATES.contains(frameRate)) {
      throw new IllegalArgumentException(
          "A sound file has 16 or 24 bits and 44100 or 48000 frames a second, not "
              + bits
              + " and "
              + frameRate);
    }
  }

  int bytesPerFrame() {
    return 2 * bits / 8;
  }
}
