package flailbeat.core.quantize.report;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.Meter;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * Made-up songs of up to eight parts that were played together with no click, from a seed: drums,
 * bass, chords, a melody and parts that double these or go beside them, as is common practice in
 * each meter. Each part has a lag and rhythms of its own; the tempo breathes.
 */
public final class Bands {
  /**
   * What is played.
   *
   * @param parts 1 to 8; one alone is a melody
   * @param drums whether there are drums among several
   * @param breath by how much the tempo swings from slowest to fastest: 0.03 is three per cent
   * @param happening what becomes of the tempo besides
   */
  public record Manner(
      Meter meter, int parts, boolean drums, double spreadMs, double breath, Happening happening) {
    /** In which nothing happens. */
    public Manner(Meter meter, int parts, boolean drums, double spreadMs, double breath) {
      this(meter, parts, drums, spreadMs, breath, Happening.NOTHING);
    }
  }

  /** What becomes of the tempo, once in a song. */
  public enum Happening {
    NOTHING("nothing"),
    /** The last two bars become slower, and end at half the tempo. */
    RITARDANDO("a ritardando to half"),
    /** The last beat of the first half lasts two beats longer, and nothing is struck in it. */
    FERMATA("a fermata"),
    /** In the middle nobody plays for a bar. */
    SILENT_BAR("a bar in which nobody plays"),
    /** In the middle nobody plays for half a bar, which no bar has. */
    HALF_BAR("half a bar too much");

    private final String title;

    Happening(String title) {
      this.title = title;
    }

    public String title() {
      return title;
    }
  }

  /** A song with what was meant; its own header says 4/4 and 120 bpm whatever was played. */
  public record Band(Song song, Manner manner, double bpm, double firstBarMs, double[] barMs) {}

  private static final double BEGINS_MS = 1500;
  private static final int[][] PROGRESSIONS = {
    {0, 5, 7, 0}, {0, 9, 5, 7}, {2, 7, 0, 0}, {0, 7, 9, 5}
  };
  private static final int[] SCALE = {0, 2, 4, 5, 7, 9, 11, 12, 14};

  private final Manner manner;
  private final Random random;
  private final double bpm;
  private final double turn;
  private final int bars;
  private final int units;
  private final double unitOfBeat;
  private final List<List<double[]>> parts = new ArrayList<>();

  /** Eighths of the bar are the units of all patterns. */
  private Bands(Manner manner, int bars, long seed) {
    this.manner = manner;
    this.bars = bars;
    random = new Random(104_729 * seed + 131L * manner.meter().hashCode() + manner.parts());
    bpm = 72 + random.nextInt(72);
    turn = random.nextDouble() * 2 * Math.PI;
    units = manner.meter().beats() * 8 / manner.meter().unit();
    unitOfBeat = isCompound() ? 1 / 3.0 : 0.5;
  }

  private boolean isCompound() {
    return manner.meter().unit() == 8 && manner.meter().beats() % 3 == 0;
  }

  public static Band of(Manner manner, int bars, long seed) {
    return new Bands(manner, bars, seed).play(seed);
  }

  /** When a moment comes, given in beats: the tempo breathes once in eight bars or so. */
  private double ms(double beats) {
    double whole = units * unitOfBeat * 8;
    double swing = manner.breath() / 2 * whole / (2 * Math.PI);
    double drift = swing * (Math.cos(turn) - Math.cos(turn + 2 * Math.PI * beats / whole));
    return BEGINS_MS + 60_000 / bpm * (beats - drift + later(beats));
  }

  private double barBeats() {
    return units * unitOfBeat;
  }

  /** By how many beats what happens makes a moment later. */
  private double later(double beats) {
    double middle = bars / 2 * barBeats();
    return switch (manner.happening()) {
      case NOTHING, SILENT_BAR -> 0;
      case RITARDANDO -> {
        double slow = 2 * barBeats();
        double into = Math.max(0, beats - (bars * barBeats() - slow));
        yield into * into / slow / 2;
      }
      case FERMATA -> 2 * Math.clamp(beats - (middle - 1), 0, 1);
      case HALF_BAR -> beats >= middle ? Math.floor(barBeats() / 2 + 0.5) : 0;
    };
  }

  /** Whether a note is not played, because of what happens. */
  private boolean isLeftOut(double beats) {
    double middle = bars / 2 * barBeats();
    return switch (manner.happening()) {
      case FERMATA -> beats > middle - 1 + 1e-6 && beats < middle - 1e-6;
      case SILENT_BAR -> beats > middle - 1e-6 && beats < middle + barBeats() - 1e-6;
      default -> false;
    };
  }

  private Band play(long seed) {
    int[] chords = PROGRESSIONS[random.nextInt(PROGRESSIONS.length)];
    for (int part = 0; part < manner.parts(); part++) {
      parts.add(new ArrayList<>());
      switch (role(part)) {
        case 'd' -> drums(parts.getLast());
        case 'b' -> bass(parts.getLast(), chords);
        case 'c' -> chords(parts.getLast(), chords);
        default -> melody(parts.getLast(), chords, 60 + 12 * (part % 2));
      }
    }
    double[] barMs = new double[bars];
    for (int bar = 0; bar < bars; bar++) {
      barMs[bar] = ms(bar * units * unitOfBeat);
    }
    return new Band(song(), manner, bpm, barMs[0], barMs);
  }

  private char role(int part) {
    String roles = manner.drums() ? "mdbcmcmm" : "mbcmcmmm";
    return manner.parts() == 1 ? 'm' : roles.charAt(part);
  }

  private Song song() {
    Song song = Song.empty();
    List<Track> tracks = new ArrayList<>();
    long id = 100;
    for (int part = 0; part < parts.size(); part++) {
      double lag = -25 + random.nextInt(66);
      List<Note> notes = new ArrayList<>();
      for (double[] note : parts.get(part)) {
        if (isLeftOut(note[0])) {
          continue;
        }
        double at = ms(note[0]) + lag + manner.spreadMs() * random.nextGaussian();
        double end = Math.max(at + 40, ms(note[0] + note[1]) + 10 * random.nextGaussian());
        int velocity = Math.clamp(Math.round(note[3] + 6 * random.nextGaussian()), 1, 127);
        Played played = new Played(ticks(at), Math.max(ticks(at) + 1, ticks(end)));
        notes.add(Note.asPlayed(new NoteId(id++), (int) note[2], velocity, played));
      }
      notes.sort(Note.ORDER);
      boolean kit = role(part) == 'd';
      Track track =
          Track.empty(
              new TrackId(id++),
              "Part " + part,
              kit ? Instrument.kit(0) : Instrument.melodic(0),
              kit ? 9 : 0);
      Clip clip = Clip.around(new ClipId(id++), notes, List.of(), song.meters());
      tracks.add(track.withClips(List.of(clip)));
    }
    return song.withTracks(tracks).withNextId(id);
  }

  private static long ticks(double ms) {
    return Math.round(ms * 1.92);
  }

  private void add(List<double[]> part, int bar, double unit, double length, int pitch, int loud) {
    part.add(new double[] {(bar * units + unit) * unitOfBeat, length * unitOfBeat, pitch, loud});
  }

  /** The units on which a bar's groups begin: the beats, or 2 and 2 and 3. */
  private int[] strong() {
    return switch (manner.meter().toString()) {
      case "2/4" -> new int[] {0, 2};
      case "3/4" -> new int[] {0, 2, 4};
      case "6/8" -> new int[] {0, 3};
      case "5/4" -> new int[] {0, 2, 4, 6, 8};
      case "7/8" -> new int[] {0, 2, 4};
      default -> new int[] {0, 2, 4, 6};
    };
  }

  private static boolean has(int[] values, int value) {
    for (int each : values) {
      if (each == value) {
        return true;
      }
    }
    return false;
  }

  private void drums(List<double[]> part) {
    boolean[] kicks = new boolean[units];
    boolean[] snares = new boolean[units];
    int[] strong = strong();
    kicks[0] = true;
    for (int i = 1; i < strong.length; i++) {
      boolean back = manner.meter().beats() == 3 ? i == 1 || i == 2 : i % 2 == 1;
      if (manner.meter().toString().equals("5/4")) {
        back = i == 2 || i == 4;
      }
      (back ? snares : kicks)[strong[i]] = true;
    }
    if (random.nextBoolean()) {
      kicks[1 + random.nextInt(units - 1)] = true;
    }
    for (int bar = 0; bar < bars; bar++) {
      for (int unit = 0; unit < units; unit++) {
        if (kicks[unit]) {
          add(part, bar, unit, 0.5, 36, unit == 0 ? 104 : 94);
        }
        if (snares[unit]) {
          add(part, bar, unit, 0.5, 38, 98);
        }
        if (random.nextDouble() < 0.97) {
          add(part, bar, unit, 0.5, 42, unit % 2 == 0 ? 80 : 68);
        }
      }
      if (bar % 8 == 7 && random.nextBoolean()) {
        add(part, bar, units - 0.5, 0.5, 38, 80);
      }
    }
  }

  private void bass(List<double[]> part, int[] chords) {
    int style = random.nextInt(3);
    int[] strong = strong();
    for (int bar = 0; bar < bars; bar++) {
      int root = 36 + chords[bar % 4];
      switch (style) {
        case 0 -> {
          for (int i = 0; i < strong.length; i++) {
            add(part, bar, strong[i], 1.6, i % 2 == 0 ? root : root + 7, i == 0 ? 92 : 84);
          }
        }
        case 1 -> {
          add(part, bar, 0, units * 0.4, root, 92);
          int second = strong[strong.length - 1];
          add(part, bar, second, 1.5, root + 7, 82);
          if (random.nextInt(3) == 0) {
            add(part, bar, units - 1, 0.8, root + 5, 78);
          }
        }
        default -> {
          for (int unit = 0; unit < units; unit++) {
            add(part, bar, unit, 0.8, root, unit == 0 ? 94 : has(strong, unit) ? 86 : 78);
          }
        }
      }
    }
  }

  private void chords(List<double[]> part, int[] chords) {
    int style = random.nextInt(3);
    int[] strong = strong();
    for (int bar = 0; bar < bars; bar++) {
      int root = 48 + chords[bar % 4];
      for (int unit = 0; unit < units; unit++) {
        boolean plays =
            switch (style) {
              case 0 -> unit == 0;
              case 1 -> has(strong, unit) && unit > 0;
              default -> has(strong, unit);
            };
        if (plays) {
          for (int voice : new int[] {0, 4, 7}) {
            double length = style == 0 ? units * 0.95 : 1.2;
            add(part, bar, unit, length, root + voice, unit == 0 ? 84 : 76);
          }
        }
      }
    }
  }

  /** A motif of two bars, repeated and varied; it ends on long notes. */
  private void melody(List<double[]> part, int[] chords, int base) {
    boolean[][] motif = new boolean[2][units];
    int[] strong = strong();
    for (boolean[] bar : motif) {
      for (int unit = 0; unit < units; unit++) {
        bar[unit] = random.nextDouble() < (unit == 0 ? 0.9 : has(strong, unit) ? 0.7 : 0.4);
      }
    }
    int degree = 4;
    for (int bar = 0; bar < bars; bar++) {
      boolean[] own = motif[bar % 2].clone();
      if (random.nextInt(3) == 0) {
        own[random.nextInt(units)] ^= true;
      }
      if (bar % 4 == 3) {
        for (int unit = strong[strong.length - 1] + 1; unit < units; unit++) {
          own[unit] = false;
        }
      }
      for (int unit = 0; unit < units; unit++) {
        if (own[unit]) {
          int next = unit + 1;
          while (next < units && !own[next]) {
            next++;
          }
          degree = Math.clamp(degree + random.nextInt(5) - 2, 0, SCALE.length - 1);
          int pitch = base + SCALE[degree];
          int loud = unit == 0 ? 90 : has(strong, unit) ? 84 : 76;
          add(part, bar, unit, (next - unit) * (0.7 + 0.25 * random.nextDouble()), pitch, loud);
        }
      }
    }
    if (chords.length == 0) {
      throw new IllegalStateException("A song has chords");
    }
  }
}
