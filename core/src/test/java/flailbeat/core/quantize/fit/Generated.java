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
    MIXED("sixteenths and triplets");

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
   */
  record Manner(
      Rhythm rhythm, double bpm, double spreadMs, double lagMs, double walkMs, double creep) {}

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
    boolean[][] pattern = new boolean[4][TWELFTHS];
    for (int beat = 0; beat < 4 * bars; beat++) {
      boolean fresh = beat < 4 || random.nextInt(3) == 0;
      if (fresh) {
        pattern[beat % 4] = beatOf(manner.rhythm(), random);
      }
      walk += manner.walkMs() * random.nextGaussian();
      for (int t = 0; t < TWELFTHS; t++) {
        if (pattern[beat % 4][t]) {
          double meant = (beat + t / (double) TWELFTHS) * g.beatMs;
          double error = manner.spreadMs() * random.nextGaussian();
          double at = meant * (1 + manner.creep()) + manner.lagMs() + walk + error;
          int chord = random.nextInt(8) == 0 ? 3 : 1;
          for (int voice = 0; voice < chord; voice++) {
            double off = chord == 1 ? 0 : 5 * random.nextGaussian();
            int pitch = 60 + voice * 4 + (beat + t) % 3;
            g.notes.add(new double[] {at + off, beat * TWELFTHS + t, pitch});
          }
        }
      }
    }
    g.notes.sort((a, b) -> Double.compare(a[0], b[0]));
    return g;
  }

  private static boolean[] beatOf(Rhythm rhythm, Random random) {
    return switch (rhythm) {
      case STRAIGHT -> straight(random, 0.85, 0.3, 0.55, 0.25);
      case OFF_BEAT -> straight(random, 0.15, 0.25, 0.9, 0.25);
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
