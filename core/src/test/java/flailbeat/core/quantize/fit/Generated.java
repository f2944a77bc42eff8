package flailbeat.core.quantize.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;

/**
 * A made-up performance with what was meant, from a seed: a rhythm of a kind, over bars of 4/4, at
 * a tempo, played with a lag, a normal spread, and a slow drift or a steady creep. Some notes are
 * chords, whose notes spread by 5 ms.
 */
final class Generated {
  /** What kind of rhythm. */
  enum Rhythm {
    STRAIGHT("straight"),
    OFF_BEAT("off-beat"),
    TRIPLET("triplet"),
    /** Beats of eighths and beats of triplets. */
    EIGHTHS_MIXED("eighths and triplets"),
    /** Beats of sixteenths and beats of triplets: lines a twelfth of a beat apart. */
    MIXED("sixteenths and triplets"),
    /** A straight rhythm that lies wholly a sixteenth later, as one that answers another does. */
    ANSWERING("a sixteenth late on purpose"),
    ANSWERING_FREELY("the same, never repeating"),
    ANSWERING_AFTER("three sixteenths late on purpose"),
    SECOND_AND_FOURTH("second and fourth sixteenth"),
    CROSS_THREE("every three sixteenths"),
    CROSS_FIVE("every five sixteenths"),
    DENSE("dense lines of one to three voices"),
    FREE("never repeating"),
    SPARSE("sparse, with rests of bars"),
    DRUMS("kick, snare and hat as one"),
    DOUBLED("chords with doubled notes");

    /** Those of straight sixteenths on which whole parts have been moved. */
    static List<Rhythm> answering() {
      return List.of(values()).subList(ANSWERING.ordinal(), values().length);
    }

    private final String title;

    Rhythm(String title) {
      this.title = title;
    }

    String title() {
      return title;
    }

    boolean isMixed() {
      return this == MIXED || this == EIGHTHS_MIXED;
    }
  }

  /**
   * How it is played.
   *
   * @param walkMs how far the lag walks in a beat, as a standard deviation
   * @param creep how much slower than the song: 0.0025 is a quarter of a per cent
   * @param correlation how much of an error the next one has too, 0 to 1
   * @param slips how often a note is 50 ms off besides, 0 to 1
   */
  record Manner(
      Rhythm rhythm,
      double bpm,
      double spreadMs,
      double lagMs,
      double walkMs,
      double creep,
      double correlation,
      double slips) {
    /** With errors that are independent, and no slips. */
    Manner(Rhythm rhythm, double bpm, double spreadMs, double lagMs, double walkMs, double creep) {
      this(rhythm, bpm, spreadMs, lagMs, walkMs, creep, 0, 0);
    }
  }

  private static final double SLIP_MS = 50;

  /** Slots to a beat: the twelfths that both sixteenths and triplets fall on. */
  static final int TWELFTHS = 12;

  final List<double[]> notes = new ArrayList<>();
  final Manner manner;
  final double beatMs;

  private Generated(Manner manner) {
    this.manner = manner;
    this.beatMs = 60_000 / manner.bpm();
  }

  /**
   * So many bars; each note is when it was played, in ms, what twelfth was meant, and its pitch.
   */
  static Generated of(Manner manner, int bars, long seed) {
    Generated g = new Generated(manner);
    Random random = new Random(31 * seed + manner.rhythm().ordinal());
    double walk = 0;
    double error = 0;
    boolean[][] pattern = new boolean[4][TWELFTHS];
    boolean rests = false;
    Rhythm rhythm = manner.rhythm();
    boolean repeats = rhythm != Rhythm.FREE && rhythm != Rhythm.ANSWERING_FREELY;
    for (int beat = 0; beat < 4 * bars; beat++) {
      boolean fresh = beat < 4 || !repeats || random.nextInt(3) == 0;
      if (fresh) {
        pattern[beat % 4] = beatOf(rhythm, beat, random);
      }
      if (rhythm == Rhythm.SPARSE && beat % 4 == 0) {
        rests = beat > 0 && random.nextInt(5) < 3;
      }
      walk += manner.walkMs() * random.nextGaussian();
      for (int t = 0; t < TWELFTHS; t++) {
        if (pattern[beat % 4][t] && !rests) {
          int twelfth = beat * TWELFTHS + t + later(rhythm);
          double meant = twelfth / (double) TWELFTHS * g.beatMs;
          double own = Math.sqrt(1 - manner.correlation() * manner.correlation());
          error = manner.correlation() * error + own * manner.spreadMs() * random.nextGaussian();
          double slip =
              manner.slips() > 0 && random.nextDouble() < manner.slips()
                  ? random.nextBoolean() ? SLIP_MS : -SLIP_MS
                  : 0;
          double at = meant * (1 + manner.creep()) + manner.lagMs() + walk + error + slip;
          g.strike(at, twelfth, 60 + (beat + t) % 3, random);
        }
      }
    }
    g.notes.sort((a, b) -> Double.compare(a[0], b[0]));
    return g;
  }

  /** How many twelfths later than a straight rhythm the whole is meant. */
  private static int later(Rhythm rhythm) {
    return switch (rhythm) {
      case ANSWERING, ANSWERING_FREELY -> 3;
      case ANSWERING_AFTER -> 9;
      default -> 0;
    };
  }

  private void strike(double at, int twelfth, int lowest, Random random) {
    int voices = voices(random);
    for (int voice = 0; voice < voices; voice++) {
      double off = voices == 1 ? 0 : 5 * random.nextGaussian();
      int pitch = lowest + voice * 4;
      notes.add(new double[] {at + off, twelfth, pitch});
      if (manner.rhythm() == Rhythm.DOUBLED && random.nextInt(4) == 0) {
        notes.add(new double[] {at + off + 2 + 10 * random.nextDouble(), twelfth, pitch});
      }
    }
  }

  private int voices(Random random) {
    return switch (manner.rhythm()) {
      case DENSE -> 1 + random.nextInt(3);
      case DRUMS -> random.nextInt(3) == 0 ? 2 : 1;
      case DOUBLED -> random.nextInt(3) == 0 ? 3 : 1;
      default -> random.nextInt(8) == 0 ? 3 : 1;
    };
  }

  private static boolean[] beatOf(Rhythm rhythm, int beat, Random random) {
    return switch (rhythm) {
      case STRAIGHT, ANSWERING, ANSWERING_FREELY, ANSWERING_AFTER, FREE, SPARSE, DOUBLED ->
          straight(random, 0.85, 0.3, 0.55, 0.25);
      case OFF_BEAT -> straight(random, 0.15, 0.25, 0.9, 0.25);
      case SECOND_AND_FOURTH -> straight(random, 0.05, 0.85, 0.05, 0.8);
      case CROSS_THREE -> cross(beat, 3, random);
      case CROSS_FIVE -> cross(beat, 5, random);
      case DENSE -> straight(random, 0.97, 0.9, 0.95, 0.9);
      case DRUMS -> straight(random, 0.97, 0.2, 0.95, 0.25);
      case TRIPLET -> triplet(random);
      case EIGHTHS_MIXED ->
          random.nextInt(3) == 0 ? triplet(random) : straight(random, 0.85, 0, 0.7, 0);
      case MIXED ->
          random.nextInt(3) == 0 ? triplet(random) : straight(random, 0.85, 0.3, 0.6, 0.3);
    };
  }

  private static boolean[] straight(Random random, double... chances) {
    boolean[] beat = new boolean[TWELFTHS];
    for (int i = 0; i < 4; i++) {
      beat[3 * i] = random.nextDouble() < chances[i];
    }
    return beat;
  }

  private static boolean[] cross(int beat, int sixteenths, Random random) {
    boolean[] result = new boolean[TWELFTHS];
    for (int i = 0; i < 4; i++) {
      result[3 * i] = (4 * beat + i) % sixteenths == 0 && random.nextDouble() < 0.9;
    }
    return result;
  }

  private static boolean[] triplet(Random random) {
    boolean[] beat = new boolean[TWELFTHS];
    beat[0] = random.nextDouble() < 0.9;
    beat[4] = random.nextDouble() < 0.5;
    beat[8] = random.nextDouble() < 0.75;
    return beat;
  }

  /** Which twelfths the right grid has. */
  boolean[] grid() {
    boolean[] grid = new boolean[TWELFTHS];
    boolean triplets = manner.rhythm() == Rhythm.TRIPLET || manner.rhythm().isMixed();
    boolean straight = manner.rhythm() != Rhythm.TRIPLET;
    for (int t = 0; t < TWELFTHS; t++) {
      grid[t] = straight && t % straightStep() == 0 || triplets && t % 4 == 0;
    }
    return grid;
  }

  private int straightStep() {
    return manner.rhythm() == Rhythm.EIGHTHS_MIXED ? 6 : 3;
  }

  /** The slots of the right grid, from a beat before the start to some beats after the end. */
  Slots slots() {
    boolean[] grid = grid();
    int[] offsets = new int[TWELFTHS];
    int count = 0;
    for (int t = 0; t < TWELFTHS; t++) {
      if (grid[t]) {
        offsets[count++] = t;
      }
    }
    int beats = (int) (notes.get(notes.size() - 1)[1] / TWELFTHS) + 6;
    int total = beats * count;
    double[] ms = new double[total];
    int[] place = new int[total];
    int[] beat = new int[total];
    int[] barPlace = new int[total];
    byte[] family = new byte[total];
    for (int b = 0; b < beats; b++) {
      for (int o = 0; o < count; o++) {
        int s = b * count + o;
        ms[s] = (b - 2 + offsets[o] / (double) TWELFTHS) * beatMs;
        place[s] = o;
        barPlace[s] = Math.floorMod(b - 2, 4) * count + o;
        beat[s] = b - 2;
        family[s] = familyOf(offsets[o]);
      }
    }
    double[] weight = new double[count];
    for (int o = 0; o < count; o++) {
      weight[o] = offsets[o] == 0 ? 1 : offsets[o] == 6 ? 0.6 : offsets[o] % 4 == 0 ? 0.6 : 0.25;
    }
    return new Slots(ms, place, weight, barPlace, beat, family);
  }

  private static byte familyOf(int twelfth) {
    boolean straight = twelfth % 3 == 0;
    boolean triplet = twelfth % 4 == 0;
    return straight && triplet ? Slots.BOTH : straight ? Slots.STRAIGHT : Slots.TRIPLET;
  }

  /** The nearest slot of the right grid to a time, as a twelfth. */
  long nearest(double ms) {
    boolean[] grid = grid();
    long best = Long.MIN_VALUE;
    double bestOff = Double.MAX_VALUE;
    long around = Math.round(ms / beatMs * TWELFTHS);
    for (long t = around - 6; t <= around + 6; t++) {
      double off = Math.abs(ms - t * beatMs / TWELFTHS);
      if (grid[(int) Math.floorMod(t, (long) TWELFTHS)] && off < bestOff) {
        bestOff = off;
        best = t;
      }
    }
    return best;
  }

  /** The lag that was really there at a meant time, without the walk: for an oracle. */
  double trueLag(double meantTwelfth) {
    return manner.lagMs() + meantTwelfth * beatMs / TWELFTHS * manner.creep();
  }

  @Override
  public String toString() {
    return manner + " " + Arrays.toString(grid());
  }
}
