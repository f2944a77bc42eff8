package flailbeat.core.model.sound;

import flailbeat.core.pitch.DrumNames;

/**
 * A sound: by its General MIDI number and, where it is of a file of the person's own, by what that
 * file calls it; the number then says which of ours is nearest.
 *
 * @param program 0 to 127
 * @param kit whether it is a drum kit, where each pitch is a drum of its own
 * @param own the preset of the person's file, or {@link OwnPreset#NONE}, as for one that is missing
 */
public record Instrument(int program, boolean kit, OwnPreset own) {
  public Instrument {
    own = own == null ? OwnPreset.NONE : own;
    if (program < 0 || program > 127) {
      throw new IllegalArgumentException("A program goes from 0 to 127, not " + program);
    }
  }

  /** A sound of General MIDI's. */
  public Instrument(int program, boolean kit) {
    this(program, kit, OwnPreset.NONE);
  }

  // Written out, as in what else is compared in the first frames: what the compiler makes for
  // records
  // is put together at the first call, which holds up the start.
  @Override
  public boolean equals(Object other) {
    return other instanceof Instrument i
        && i.program == program
        && i.kit == kit
        && (i.own == own || i.own.equals(own));
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

  /** The one of ours that comes nearest: this very one, unless it is of the person's own file. */
  public Instrument ours() {
    return own.isNone() ? this : new Instrument(program, kit);
  }

  /** The name that people see. */
  public String title() {
    if (!own.isNone()) {
      return own.name();
    }
    return kit ? GeneralMidi.kitTitle(program) : GeneralMidi.title(program);
  }

  /**
   * Whether General MIDI has a sound there: all pitches but for a kit, whose drums are 35 to 81.
   */
  public boolean names(int pitch) {
    return !kit || DrumNames.of(pitch).isPresent();
  }
}
