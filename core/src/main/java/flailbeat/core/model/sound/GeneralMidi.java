package flailbeat.core.model.sound;

import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/**
 * The names of General MIDI's sounds: the 128 programs and their 16 families of level 1 (1991), and
 * the kits of level 2 (1999); from memory, programs and families checked against the published npm
 * package {@code @tonejs/midi}.
 */
public final class GeneralMidi {
  /** How many programs there are. */
  public static final int PROGRAMS = 128;

  private static final int OF_FAMILY = 8;

  private static final List<String> FAMILIES =
      List.of(
          "Piano",
          "Chromatic percussion",
          "Organ",
          "Guitar",
          "Bass",
          "Strings",
          "Ensemble",
          "Brass",
          "Reed",
          "Pipe",
          "Synth lead",
          "Synth pad",
          "Synth effects",
          "World",
          "Percussive",
          "Sound effects");

  private static final String[] TITLES = {
    "Acoustic grand piano",
    "Bright acoustic piano",
    "Electric grand piano",
    "Honky-tonk piano",
    "Electric piano 1",
    "Electric piano 2",
    "Harpsichord",
    "Clavi",
    "Celesta",
    "Glockenspiel",
    "Music box",
    "Vibraphone",
    "Marimba",
    "Xylophone",
    "Tubular bells",
    "Dulcimer",
    "Drawbar organ",
    "Percussive organ",
    "Rock organ",
    "Church organ",
    "Reed organ",
    "Accordion",
    "Harmonica",
    "Tango accordion",
    "Acoustic guitar (nylon)",
    "Acoustic guitar (steel)",
    "Electric guitar (jazz)",
    "Electric guitar (clean)",
    "Electric guitar (muted)",
    "Overdriven guitar",
    "Distortion guitar",
    "Guitar harmonics",
    "Acoustic bass",
    "Electric bass (finger)",
    "Electric bass (pick)",
    "Fretless bass",
    "Slap bass 1",
    "Slap bass 2",
    "Synth bass 1",
    "Synth bass 2",
    "Violin",
    "Viola",
    "Cello",
    "Contrabass",
    "Tremolo strings",
    "Pizzicato strings",
    "Orchestral harp",
    "Timpani",
    "String ensemble 1",
    "String ensemble 2",
    "Synth strings 1",
    "Synth strings 2",
    "Choir aahs",
    "Voice oohs",
    "Synth voice",
    "Orchestra hit",
    "Trumpet",
    "Trombone",
    "Tuba",
    "Muted trumpet",
    "French horn",
    "Brass section",
    "Synth brass 1",
    "Synth brass 2",
    "Soprano sax",
    "Alto sax",
    "Tenor sax",
    "Baritone sax",
    "Oboe",
    "English horn",
    "Bassoon",
    "Clarinet",
    "Piccolo",
    "Flute",
    "Recorder",
    "Pan flute",
    "Blown bottle",
    "Shakuhachi",
    "Whistle",
    "Ocarina",
    "Lead 1 (square)",
    "Lead 2 (sawtooth)",
    "Lead 3 (calliope)",
    "Lead 4 (chiff)",
    "Lead 5 (charang)",
    "Lead 6 (voice)",
    "Lead 7 (fifths)",
    "Lead 8 (bass + lead)",
    "Pad 1 (new age)",
    "Pad 2 (warm)",
    "Pad 3 (polysynth)",
    "Pad 4 (choir)",
    "Pad 5 (bowed)",
    "Pad 6 (metallic)",
    "Pad 7 (halo)",
    "Pad 8 (sweep)",
    "FX 1 (rain)",
    "FX 2 (soundtrack)",
    "FX 3 (crystal)",
    "FX 4 (atmosphere)",
    "FX 5 (brightness)",
    "FX 6 (goblins)",
    "FX 7 (echoes)",
    "FX 8 (sci-fi)",
    "Sitar",
    "Banjo",
    "Shamisen",
    "Koto",
    "Kalimba",
    "Bag pipe",
    "Fiddle",
    "Shanai",
    "Tinkle bell",
    "Agogo",
    "Steel drums",
    "Woodblock",
    "Taiko drum",
    "Melodic tom",
    "Synth drum",
    "Reverse cymbal",
    "Guitar fret noise",
    "Breath noise",
    "Seashore",
    "Bird tweet",
    "Telephone ring",
    "Helicopter",
    "Applause",
    "Gunshot",
  };

  private static final NavigableMap<Integer, String> KITS =
      new TreeMap<>(
          Map.of(
              0, "Standard kit",
              8, "Room kit",
              16, "Power kit",
              24, "Electronic kit",
              25, "Analog kit",
              32, "Jazz kit",
              40, "Brush kit",
              48, "Orchestra kit"));

  private GeneralMidi() {}

  /** The name of a program, 0 to 127. */
  public static String title(int program) {
    return TITLES[program];
  }

  /** The families, of eight programs each. */
  public static List<String> families() {
    return FAMILIES;
  }

  /** Which family a program is of, 0 to 15. */
  public static int family(int program) {
    return program / OF_FAMILY;
  }

  /** The programs of the kits that have a name, in order. */
  public static List<Integer> kits() {
    return List.copyOf(KITS.keySet());
  }

  /** The kit that plays a program on the drum channel: the one at it, else the last below. */
  public static int kit(int program) {
    return KITS.floorKey(program);
  }

  /** The name of the kit that plays a program on the drum channel. */
  public static String kitTitle(int program) {
    return KITS.get(kit(program));
  }
}
