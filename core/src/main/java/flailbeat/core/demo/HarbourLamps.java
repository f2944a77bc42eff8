package flailbeat.core.demo;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.Mix;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import flailbeat.core.time.Timeline;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * "Harbour Lamps": a made-up theme for a short stop-motion film about a night ferry. 16 bars in D
 * minor at 96 bpm, made from a fixed seed, so that it is the same every time.
 *
 * <p>The lead was played loosely: about 38 ms late, spread some 17 ms, three notes so far off that
 * either line may be meant and one wrong pitch. The chords have uneven velocities; bass and kit
 * were put in on the grid.
 */
public final class HarbourLamps {
  /** How many bars it has. */
  public static final int BARS = 16;

  private static final long SEED = 19_2404;
  private static final int SIXTEENTH = Ticks.PPQ / 4;
  private static final int BAR = 4 * Ticks.PPQ;
  private static final double TICKS_PER_MS = 96.0 * Ticks.PPQ / 60_000;
  private static final double LATE_MS = 38;
  private static final double SPREAD_MS = 17;

  /** The notes of the lead, counted from 0, that come far too late or too early, by so many ms. */
  private static final int[][] FAR_OFF = {{11, 122}, {29, -54}, {46, 121}};

  private static final int WRONG_PITCH = 37;

  /** Bar by bar; each note is its name, a colon and its length in sixteenths; a dot is a rest. */
  private static final String[] LAMPS = {
    "D5:4 F5:2 A5:6 G5:2 F5:2",
    "E5:4 C5:2 E5:6 .:4",
    "D5:4 F5:2 Bb5:6 A5:2 F5:2",
    "G5:3 F5:3 E5:6 .:4",
    "D5:2 E5:2 F5:2 A5:6 D6:4",
    "C6:4 A5:2 F5:6 .:4",
    "Bb5:3 A5:3 G5:2 D5:4 G5:2 A5:2",
    "E5:6 C#5:2 E5:4 .:4",
    "F5:2 D5:2 Bb4:4 D5:2 F5:2 Bb5:4",
    "A5:6 G5:2 F5:4 .:4",
    "G5:3 A5:3 Bb5:2 A5:2 G5:2 F5:2 E5:2",
    "F5:4 D5:6 .:6",
    "F5:2 D5:2 F5:2 Bb5:6 A5:4",
    "G5:2 E5:2 C5:2 G5:6 .:4",
    "E5:3 G5:3 C#6:2 Bb5:4 A5:2 E5:2",
    "D5:12 .:4"
  };

  /** Root of each bar for the bass, and the chord above it. */
  private static final int[] ROOTS = {
    38, 36, 34, 33, 38, 41, 43, 33, 34, 41, 43, 38, 34, 36, 33, 38
  };

  private static final int[][] CHORDS = {
    {50, 57, 62, 65},
    {48, 55, 60, 64},
    {46, 53, 58, 62},
    {45, 52, 57, 62},
    {50, 57, 62, 65},
    {53, 57, 60, 65},
    {55, 58, 62, 67},
    {45, 52, 57, 61},
    {46, 53, 58, 62},
    {53, 57, 60, 65},
    {55, 58, 62, 67},
    {50, 57, 62, 65},
    {46, 53, 58, 62},
    {48, 55, 60, 64},
    {45, 52, 55, 61},
    {50, 57, 62, 65}
  };

  private final Random random = new Random(SEED);
  private final MeterMap meters = MeterMap.of(Meter.COMMON);
  private final List<Track> tracks = new ArrayList<>();
  private long nextId = 1;

  private HarbourLamps() {}

  public static Song song() {
    return new HarbourLamps().compose();
  }

  private Song compose() {
    add("Lamps", Instrument.melodic(11), 0, lamps());
    mix(Mix.REST.with(Dial.PAN, 76).with(Dial.REVERB, 64));
    add("Hull", Instrument.melodic(32), 1, hull());
    add("Deckhands", Instrument.kit(40), Track.DRUM_CHANNEL, deckhands());
    mix(Mix.REST.with(Dial.LEVEL, 112).with(Dial.PAN, 54));
    add("Fog", Instrument.melodic(89), 2, fog());
    mix(Mix.REST.with(Dial.LEVEL, 60).with(Dial.BRIGHTNESS, 56).with(Dial.CHORUS, 24));
    return new Song(
        "Harbour Lamps", new Timeline(TempoMap.of(Tempo.ofBpm(96)), meters), tracks, nextId);
  }

  private void add(String name, Instrument instrument, int channel, List<Note> notes) {
    Clip clip = Clip.around(new ClipId(nextId++), notes, List.of(), meters);
    Clip whole = clip.over(clip.range().span(new TickRange(0, (long) BARS * BAR)));
    tracks.add(
        Track.empty(new TrackId(nextId++), name, instrument, channel).withClips(List.of(whole)));
  }

  /** How the track that was added last is heard among the others. */
  private void mix(Mix mix) {
    tracks.add(tracks.removeLast().withMix(mix));
  }

  private List<Note> lamps() {
    List<Note> notes = new ArrayList<>();
    for (int bar = 0; bar < BARS; bar++) {
      long at = (long) bar * BAR;
      for (String word : LAMPS[bar].split(" ")) {
        String[] parts = word.split(":");
        long length = Long.parseLong(parts[1]) * SIXTEENTH;
        if (!parts[0].equals(".")) {
          notes.add(loose(notes.size(), pitch(parts[0]), at, length));
        }
        at += length;
      }
    }
    return notes;
  }

  private Note loose(int index, int pitch, long at, long length) {
    double lateMs = LATE_MS + SPREAD_MS * random.nextGaussian();
    for (int[] far : FAR_OFF) {
      lateMs = far[0] == index ? far[1] : lateMs;
    }
    long onset = at + Math.round(lateMs * TICKS_PER_MS);
    long sounding = Math.round(length * (0.82 + 0.1 * random.nextDouble()));
    int velocity = 74 + random.nextInt(26) + (at % BAR == 0 ? 8 : 0);
    int played = index == WRONG_PITCH ? pitch + 1 : pitch;
    return Note.asPlayed(
        new NoteId(nextId++), played, velocity, new Played(onset, onset + sounding));
  }

  private List<Note> hull() {
    int[][] figure = {{0, 6, 0}, {6, 2, 0}, {8, 4, 7}, {12, 4, 12}};
    List<Note> notes = new ArrayList<>();
    for (int bar = 0; bar < BARS - 1; bar++) {
      for (int[] f : figure) {
        notes.add(placed(ROOTS[bar] + f[2], f[0] == 0 ? 96 : 80, bar, f[0], f[1]));
      }
    }
    notes.add(placed(ROOTS[BARS - 1], 98, BARS - 1, 0, 12));
    return notes;
  }

  /** Ghost strokes of the snare are soft; the last bar ends on a cymbal. */
  private List<Note> deckhands() {
    List<Note> notes = new ArrayList<>();
    for (int bar = 0; bar < BARS - 1; bar++) {
      notes.add(placed(36, 92, bar, 0, 2));
      notes.add(placed(36, 70, bar, 10, 2));
      notes.add(placed(38, 88, bar, 4, 2));
      notes.add(placed(38, 90, bar, 12, 2));
      notes.add(placed(38, 28, bar, 7, 1));
      notes.add(placed(38, 32, bar, bar % 2 == 0 ? 9 : 15, 1));
      for (int eighth = 0; eighth < 8; eighth++) {
        notes.add(placed(42, eighth % 2 == 0 ? 66 : 48, bar, eighth * 2, 1));
      }
      if (bar % 4 == 3) {
        notes.add(placed(46, 70, bar, 14, 2));
      }
    }
    notes.add(placed(36, 96, BARS - 1, 0, 4));
    notes.add(placed(49, 84, BARS - 1, 0, 8));
    notes.removeIf(n -> n.pitch() == 42 && isOpenHat(notes, n));
    return notes;
  }

  private static boolean isOpenHat(List<Note> notes, Note closed) {
    return notes.stream().anyMatch(n -> n.pitch() == 46 && n.onset() == closed.onset());
  }

  private List<Note> fog() {
    List<Note> notes = new ArrayList<>();
    for (int bar = 0; bar < BARS; bar++) {
      for (int pitch : CHORDS[bar]) {
        notes.add(placed(pitch, 40 + random.nextInt(44), bar, 0, 15));
      }
    }
    return notes;
  }

  private Note placed(int pitch, int velocity, int bar, int sixteenth, int sixteenths) {
    long onset = (long) bar * BAR + (long) sixteenth * SIXTEENTH;
    return Note.placed(new NoteId(nextId++), pitch, velocity, onset, (long) sixteenths * SIXTEENTH);
  }

  private static int pitch(String name) {
    int letter =
        switch (name.charAt(0)) {
          case 'C' -> 0;
          case 'D' -> 2;
          case 'E' -> 4;
          case 'F' -> 5;
          case 'G' -> 7;
          case 'A' -> 9;
          default -> 11;
        };
    int sign = name.contains("#") ? 1 : name.contains("b") ? -1 : 0;
    int octave = name.charAt(name.length() - 1) - '0';
    return (octave + 1) * 12 + letter + sign;
  }
}
