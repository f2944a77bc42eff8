package flailbeat.audio;

import flailbeat.audio.sound.SoundFileFault;
import flailbeat.audio.sound.SoundLibrary;
import flailbeat.audio.synth.Synth;
import flailbeat.core.model.sound.Instrument;
import java.io.UncheckedIOException;

/** Sounds for tests, by General MIDI's numbers. */
public final class TestSounds {
  public static final Instrument ACOUSTIC_PIANO = Instrument.melodic(0);
  public static final Instrument MARIMBA = Instrument.melodic(12);
  public static final Instrument DRAWBAR_ORGAN = Instrument.melodic(16);
  public static final Instrument STRINGS = Instrument.melodic(48);
  public static final Instrument SQUARE_LEAD = Instrument.melodic(80);
  public static final Instrument WARM_PAD = Instrument.melodic(89);
  public static final Instrument STANDARD_KIT = Instrument.kit(0);

  private TestSounds() {}

  public static Synth synth() {
    return new Synth(new SoundLibrary());
  }

  public static void load(Synth synth, Instrument instrument) {
    try {
      synth.load(instrument);
    } catch (SoundFileFault e) {
      throw new UncheckedIOException(e);
    }
  }
}
