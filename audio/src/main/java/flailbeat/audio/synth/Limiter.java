package flailbeat.audio.synth;

/**
 * Keeps a stream below full scale: gain falls at once where a sample would pass the ceiling, and
 * comes back over {@value #RELEASE_SECONDS} s. Both channels get one gain.
 */
public final class Limiter {
  /** No sample leaves it larger than this; full scale is 1. */
  public static final float CEILING = 0.97f;

  private static final double RELEASE_SECONDS = 0.12;

  private final float release;
  private float gain = 1;

  /**
   * A limiter.
   *
   * @param frameRate frames a second
   */
  public Limiter(int frameRate) {
    release = (float) (1 - Math.exp(-1 / (RELEASE_SECONDS * frameRate)));
  }

  /**
   * Limits a block in place.
   *
   * @param samples left and right in turn
   * @return the largest value that leaves it
   */
  public float process(float[] samples) {
    float peak = 0;
    for (int i = 0; i < samples.length; i += 2) {
      float loudest = Math.max(Math.abs(samples[i]), Math.abs(samples[i + 1]));
      gain += (1 - gain) * release;
      if (loudest * gain > CEILING) {
        gain = CEILING / loudest;
      }
      samples[i] *= gain;
      samples[i + 1] *= gain;
      peak = Math.max(peak, loudest * gain);
    }
    return peak;
  }
}
