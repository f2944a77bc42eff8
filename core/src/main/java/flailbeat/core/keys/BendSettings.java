package flailbeat.core.keys;

/**
 * How the bend behaves.
 *
 * @param semitones its range either way, 1 to 24; General MIDI's default is 2
 * @param glideMs how long it takes from the centre to the end of its range, 10 to 2000 ms
 */
public record BendSettings(int semitones, int glideMs) {
  /** The range that an instrument has unless it is told another (General MIDI level 1). */
  public static final int DEFAULT_SEMITONES = 2;

  public BendSettings {
    if (semitones < 1 || semitones > 24) {
      throw new IllegalArgumentException(
          "The bend range goes from 1 to 24 semitones, not " + semitones);
    }
    if (glideMs < 10 || glideMs > 2000) {
      throw new IllegalArgumentException("The glide goes from 10 to 2000 ms, not " + glideMs);
    }
  }

  public static BendSettings standard() {
    return new BendSettings(DEFAULT_SEMITONES, 150);
  }

  public BendSettings withSemitones(int value) {
    return new BendSettings(value, glideMs);
  }

  public BendSettings withGlideMs(int value) {
    return new BendSettings(semitones, value);
  }
}
