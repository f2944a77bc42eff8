package flailbeat.core.pitch;

import java.util.Optional;

/** What drums the pitches of a kit are: General MIDI's percussion key map (1991, from memory). */
public final class DrumNames {
  /** The lowest pitch that has a name. */
  public static final int LOWEST = 35;

  private static final String[] NAMES = {
    "Acoustic Bass Drum", "Bass Drum 1", "Side Stick", "Acoustic Snare", "Hand Clap",
    "Electric Snare", "Low Floor Tom", "Closed Hi-Hat", "High Floor Tom", "Pedal Hi-Hat",
    "Low Tom", "Open Hi-Hat", "Low-Mid Tom", "Hi-Mid Tom", "Crash Cymbal 1",
    "High Tom", "Ride Cymbal 1", "Chinese Cymbal", "Ride Bell", "Tambourine",
    "Splash Cymbal", "Cowbell", "Crash Cymbal 2", "Vibraslap", "Ride Cymbal 2",
    "Hi Bongo", "Low Bongo", "Mute Hi Conga", "Open Hi Conga", "Low Conga",
    "High Timbale", "Low Timbale", "High Agogo", "Low Agogo", "Cabasa",
    "Maracas", "Short Whistle", "Long Whistle", "Short Guiro", "Long Guiro",
    "Claves", "Hi Wood Block", "Low Wood Block", "Mute Cuica", "Open Cuica",
    "Mute Triangle", "Open Triangle",
  };

  private DrumNames() {}

  /** The drum at a pitch, 0 to 127; empty beyond those that General MIDI names. */
  public static Optional<String> of(int pitch) {
    int index = pitch - LOWEST;
    return index >= 0 && index < NAMES.length ? Optional.of(NAMES[index]) : Optional.empty();
  }

  /** A name in fewer letters, for where there is little room. */
  public static String brief(String name) {
    return name.replace("Acoustic ", "Ac. ")
        .replace("Electric ", "El. ")
        .replace("Bass Drum", "Bass")
        .replace("Cymbal", "Cym.")
        .replace("Wood Block", "Block")
        .replace("Triangle", "Triang.");
  }

  /** The drum at a pitch or, where it has no name, the name of the pitch. */
  public static String orPitch(int pitch, OctaveNames octaves) {
    return of(pitch).orElse(Pitch.name(pitch, octaves));
  }
}
