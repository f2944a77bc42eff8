package flailbeat.core.model;

/**
 * A sound by its General MIDI number.
 *
 * @param program 0 to 127
 * @param kit whether it is a drum kit, where each pitch is a drum of its own
 */
public record Instrument(int program, boolean kit) {
  public Instrument {
    if (program < 0 || program > 127) {
      throw new IllegalArgumentException("A program goes from 0 to 127, not " + program);
    }
  }

  public static Instrument melodic(int program) {
    return new Instrument(program, false);
  }

  public static Instrument kit(int program) {
    return new Instrument(program, true);
  }
}
