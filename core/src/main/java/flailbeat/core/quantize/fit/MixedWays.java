package flailbeat.core.quantize.fit;

import java.util.Arrays;

/**
 * Ways over slots of several divisions: changing from one that belongs to straight values alone to
 * one that belongs to triplets alone has a price, dear within a beat, cheap from beat to beat. What
 * is on the way is kept apart by the division it comes from, and by whether it comes from this
 * beat.
 */
final class MixedWays extends Ways {
  static final double DEAR = 6;
  static final double CHEAP = 0.4;
  private static final double DEARLY = Math.exp(-DEAR);
  private static final double CHEAPLY = Math.exp(-CHEAP);
  private static final int FAMILIES = 5;

  private final byte[] family;
  private final int[] beat;
  private final double[] here = new double[FAMILIES];
  private final double[] earlier = new double[FAMILIES];
  private final int[] whenceHere = new int[FAMILIES];
  private final int[] whenceEarlier = new int[FAMILIES];
  private int beatNow;
  private int bestFamily;
  private boolean bestIsHere;

  MixedWays(Slots slots, int near, Occupancy occupancy) {
    super(near, occupancy);
    family = slots.family();
    beat = slots.beat();
  }

  /** The price of going from one slot to another, but for what is passed over. */
  static double price(Slots slots, int from, int to) {
    byte a = slots.family()[from];
    byte b = slots.family()[to];
    if (a == b || a == Slots.BOTH || b == Slots.BOTH) {
      return 0;
    }
    return slots.beat()[from] == slots.beat()[to] ? DEAR : CHEAP;
  }

  private static double factor(int from, int to, double price) {
    return from == to || from == Slots.BOTH || to == Slots.BOTH ? 1 : price;
  }

  private void begin(int slot) {
    Arrays.fill(here, 0);
    Arrays.fill(earlier, 0);
    beatNow = beat[slot];
  }

  /** What was on the way in this beat comes from an earlier one in the next. */
  private void enter(int slot) {
    if (beat[slot] != beatNow) {
      beatNow = beat[slot];
      for (int f = 0; f < FAMILIES; f++) {
        earlier[f] += here[f];
        here[f] = 0;
      }
    }
  }

  private double arriving(int slot) {
    int own = family[slot];
    double sum = 0;
    for (int f = 0; f < FAMILIES; f++) {
      sum += here[f] * factor(f, own, DEARLY) + earlier[f] * factor(f, own, CHEAPLY);
    }
    return sum * played[slot];
  }

  private void pass(int slot) {
    double silent = 1 - played[slot];
    for (int f = 0; f < FAMILIES; f++) {
      here[f] *= silent;
      earlier[f] *= silent;
    }
  }

  @Override
  void forward(double[] p, int at, int from, int to, double stays) {
    int end = from + near;
    begin(from);
    for (int s = from; s < to + near; s = s + 1 == end ? resumeAt(from, to) : s + 1) {
      enter(s);
      double mass = s < end ? p[at + s - from] : 0;
      if (s >= to) {
        p[at + near + s - to] = arriving(s) + mass * stays;
      }
      pass(s);
      here[family[s]] += mass;
    }
  }

  /**
   * Backwards, {@code here} is what is ahead for one that comes from this beat, {@code earlier} for
   * one that comes from before it.
   */
  @Override
  void backward(double[] coming, double[] back, int from, int to, double stays) {
    int end = from + near;
    int resume = resumeAt(from, to);
    begin(to + near - 1);
    for (int s = to + near - 1; s >= from; s = s == resume ? end - 1 : s - 1) {
      if (beat[s] != beatNow) {
        beatNow = beat[s];
        System.arraycopy(earlier, 0, here, 0, FAMILIES);
      }
      double value = s >= to ? coming[s - to] : 0;
      if (s < end) {
        back[s - from] = here[family[s]] + value * stays;
      }
      pass(s);
      for (int f = 0; s >= to && f < FAMILIES; f++) {
        double come = played[s] * value;
        here[f] += come * factor(f, family[s], DEARLY);
        earlier[f] += come * factor(f, family[s], CHEAPLY);
      }
    }
  }

  @Override
  void best(double[] best, double[] next, byte[] origin, int at, int from, int to, double stays) {
    int end = from + near;
    begin(from);
    for (int s = from; s < to + near; s = s + 1 == end ? resumeAt(from, to) : s + 1) {
      enterBest(s);
      double mass = s < end ? best[s - from] : 0;
      if (s >= to) {
        double moved = bestArriving(s);
        double stayed = mass * stays;
        next[s - to] = Math.max(moved, stayed);
        int whence = bestIsHere ? whenceHere[bestFamily] : whenceEarlier[bestFamily];
        origin[at + s - to] = (byte) (stayed > moved ? s - from : whence);
      }
      pass(s);
      if (mass > here[family[s]]) {
        here[family[s]] = mass;
        whenceHere[family[s]] = s - from;
      }
    }
  }

  private void enterBest(int slot) {
    if (beat[slot] != beatNow) {
      beatNow = beat[slot];
      for (int f = 0; f < FAMILIES; f++) {
        if (here[f] > earlier[f]) {
          earlier[f] = here[f];
          whenceEarlier[f] = whenceHere[f];
        }
        here[f] = 0;
      }
    }
  }

  private double bestArriving(int slot) {
    int own = family[slot];
    double most = 0;
    for (int f = 0; f < FAMILIES; f++) {
      double fromHere = here[f] * factor(f, own, DEARLY);
      double fromEarlier = earlier[f] * factor(f, own, CHEAPLY);
      if (Math.max(fromHere, fromEarlier) > most) {
        most = Math.max(fromHere, fromEarlier);
        bestFamily = f;
        bestIsHere = fromHere >= fromEarlier;
      }
    }
    return most * played[slot];
  }
}
