package flailbeat.audio.sound;

import flailbeat.core.model.Instrument;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * A sound that ships with the application: one SF2 file each. An instrument that has none of its
 * own is played by the one nearest in kind.
 */
public enum Sound {
  ACOUSTIC_PIANO("Acoustic piano", 0),
  ELECTRIC_PIANO("Electric piano", 4),
  VIBRAPHONE("Vibraphone", 11),
  MARIMBA("Marimba", 12),
  DRAWBAR_ORGAN("Drawbar organ", 16),
  NYLON_GUITAR("Nylon guitar", 24),
  ACOUSTIC_BASS("Acoustic bass", 32),
  FINGERED_BASS("Fingered bass", 33),
  STRINGS("Strings", 48),
  SQUARE_LEAD("Square lead", 80),
  SAW_LEAD("Saw lead", 81),
  WARM_PAD("Warm pad", 89),
  STANDARD_KIT("Standard kit", Instrument.kit(0)),
  BRUSH_KIT("Brush kit", Instrument.kit(40));

  /** For each of General MIDI's sixteen families of eight programs, the sound that stands in. */
  private static final Sound[] FAMILIES = {
    ACOUSTIC_PIANO,
    VIBRAPHONE,
    DRAWBAR_ORGAN,
    NYLON_GUITAR,
    FINGERED_BASS,
    STRINGS,
    STRINGS,
    SAW_LEAD,
    SQUARE_LEAD,
    SQUARE_LEAD,
    SAW_LEAD,
    WARM_PAD,
    WARM_PAD,
    NYLON_GUITAR,
    MARIMBA,
    WARM_PAD
  };

  private final String title;
  private final Instrument instrument;

  Sound(String title, int program) {
    this(title, Instrument.melodic(program));
  }

  Sound(String title, Instrument instrument) {
    this.title = title;
    this.instrument = instrument;
  }

  /** The name that people see. */
  public String title() {
    return title;
  }

  public Instrument instrument() {
    return instrument;
  }

  /** The file's name beside this class. */
  public String resource() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-') + ".sf2";
  }

  /** The sound that plays an instrument. */
  public static Sound playing(Instrument instrument) {
    List<Sound> exact =
        Arrays.stream(values()).filter(s -> s.instrument.equals(instrument)).toList();
    if (!exact.isEmpty()) {
      return exact.get(0);
    }
    if (instrument.kit()) {
      return STANDARD_KIT;
    }
    int program = instrument.program();
    return program < 8 && program >= 4 ? ELECTRIC_PIANO : FAMILIES[program / 8];
  }
}
