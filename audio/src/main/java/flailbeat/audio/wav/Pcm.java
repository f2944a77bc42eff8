package flailbeat.audio.wav;

import java.util.SplittableRandom;

/**
 * Turns samples into whole numbers of 16 or 24 bits, little-endian. With 16, noise of triangular
 * distribution over two steps is added first (TPDF dither: S. Lipshitz, R. Wannamaker, J.
 * Vanderkooy, Quantization and Dither, Journal of the Audio Engineering Society 40(5), 1992), so
 * that what is lost is a soft hiss and no distortion; the noise is the same each time.
 */
final class Pcm {
  private static final int DITHERED_BITS = 16;
  private static final long SEED = 20_261_129;

  private final int bits;
  private final SplittableRandom random = new SplittableRandom(SEED);

  Pcm(int bits) {
    this.bits = bits;
  }

  /** Writes samples; 1 is full scale. What is beyond is held there. */
  void write(float[] samples, byte[] target) {
    int bytes = bits / 8;
    long fullScale = (1L << bits - 1) - 1;
    for (int i = 0; i < samples.length; i++) {
      double exact = samples[i] * (double) fullScale;
      double dithered =
          bits == DITHERED_BITS ? exact + random.nextDouble() - random.nextDouble() : exact;
      long value = Math.clamp(Math.round(dithered), -fullScale - 1, fullScale);
      for (int b = 0; b < bytes; b++) {
        target[bytes * i + b] = (byte) (value >> 8 * b);
      }
    }
  }
}
