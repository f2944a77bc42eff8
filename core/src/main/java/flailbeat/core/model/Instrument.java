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

  // Written out, as in what else is compared in the first frames: what the compiler makes for
  // records
  // is put together at the first call, which holds up the start.
  @Override
  public boolean equals(Object other) {
    return other instanceof Instrument i && i.program == program && i.kit == kit;
  }

  @Override
  public int hashCode() {
    return 2 * program + (kit ? 1 : 0);
  }

  public static Instrument melodic(int program) {
    return new Instrument(program, false);
  }

  public static Instrument kit(int program) {
    return new Instrument(program, true);
  }
}
