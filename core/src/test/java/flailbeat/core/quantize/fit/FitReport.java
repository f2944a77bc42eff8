package flailbeat.core.quantize.fit;

import flailbeat.core.quantize.fit.Generated.Manner;
import flailbeat.core.quantize.fit.Generated.Rhythm;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Prints how often rounding, an oracle and Fit find what was meant; see docs/quantizing.md. */
public final class FitReport {
  private static final int PHRASES = 100;
  private static final int BARS = 8;
  private static final double CHORD_MS = 25;

  private FitReport() {}

  public static void main(String[] words) {
    List<Manner> manners = new ArrayList<>();
    for (Rhythm rhythm : Rhythm.values()) {
      for (double spread : new double[] {10, 20, 30}) {
        for (double lag : new double[] {-60, 0, 40, 80}) {
          manners.add(new Manner(rhythm, 110, spread, lag, 0, 0));
        }
      }
    }
    for (double bpm : new double[] {80, 140, 180}) {
      manners.add(new Manner(Rhythm.STRAIGHT, bpm, 18, 30, 0, 0));
      manners.add(new Manner(Rhythm.OFF_BEAT, bpm, 18, 30, 0, 0));
    }
    for (Rhythm rhythm : Rhythm.values()) {
      manners.add(new Manner(rhythm, 110, 20, 20, 3, 0));
      manners.add(new Manner(rhythm, 110, 20, 20, 0, 0.0025));
    }
    double[] sum = new double[3];
    double[][] reliability = new double[10][3];
    if (System.getProperty("dbg") != null) {
      String[] w = System.getProperty("dbg").split(",");
      manners =
          List.of(
              new Manner(
                  Rhythm.valueOf(w[0]),
                  Double.parseDouble(w[1]),
                  Double.parseDouble(w[2]),
                  Double.parseDouble(w[3]),
                  0,
                  0));
    }
    for (Manner m : manners) {
      double[] right = measure(m, reliability);
      System.out.printf(
          Locale.ROOT,
          "%-9s %3.0f bpm sd %2.0f lag %3.0f walk %1.0f creep %6.4f: nearest %6.2f oracle %6.2f fit %6.2f worst %5.1f%n",
          m.rhythm(),
          m.bpm(),
          m.spreadMs(),
          m.lagMs(),
          m.walkMs(),
          m.creep(),
          right[0],
          right[1],
          right[2],
          right[3]);
      for (int i = 0; i < 3; i++) {
        sum[i] += right[i] / manners.size();
      }
    }
    System.out.printf(
        Locale.ROOT, "mean: nearest %.2f oracle %.2f fit %.2f%n", sum[0], sum[1], sum[2]);
    for (int i = 0; i < 10; i++) {
      double[] r = reliability[i];
      System.out.printf(
          Locale.ROOT,
          "doubt %d0 %%: %6.0f notes, said %.3f, wrong %.3f%n",
          i,
          r[0],
          r[0] == 0 ? 0 : r[1] / r[0],
          r[0] == 0 ? 0 : r[2] / r[0]);
    }
  }

  /** Nearest, oracle, fit in per cent, and how much worse than nearest fit was at worst. */
  static double[] measure(Manner manner, double[][] reliability) {
    double[] right = new double[3];
    double total = 0;
    double worst = 0;
    for (int seed = 0; seed < PHRASES; seed++) {
      Generated g = Generated.of(manner, BARS, seed);
      int n = g.notes.size();
      if (n == 0) {
        continue;
      }
      long[] fitted = fit(g, reliability);
      double nearest = 0;
      double fit = 0;
      for (int i = 0; i < n; i++) {
        double[] note = g.notes.get(i);
        long meant = (long) note[1];
        nearest += g.nearest(note[0]) == meant ? 1 : 0;
        right[1] += g.nearest(note[0] - g.trueLag(note[1])) == meant ? 1 : 0;
        fit += fitted[i] == meant ? 1 : 0;
      }
      right[0] += nearest;
      right[2] += fit;
      total += n;
      worst = Math.min(worst, 100 * (fit - nearest) / n);
    }
    return new double[] {
      100 * right[0] / total, 100 * right[1] / total, 100 * right[2] / total, worst
    };
  }

  private static long[] fit(Generated g, double[][] reliability) {
    int n = g.notes.size();
    int[] eventOf = new int[n];
    List<double[]> events = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      double at = g.notes.get(i)[0];
      boolean joins =
          !events.isEmpty()
              && at - g.notes.get((int) events.getLast()[2])[0] <= CHORD_MS
              && !shares(g, (int) events.getLast()[2], i);
      if (joins) {
        double[] event = events.getLast();
        event[0] += at;
        event[1]++;
      } else {
        events.add(new double[] {at, 1, i});
      }
      eventOf[i] = events.size() - 1;
    }
    double[] times = events.stream().mapToDouble(e -> e[0] / e[1]).toArray();
    boolean[] shared = new boolean[times.length];
    for (int e = 1; e < times.length; e++) {
      for (int i = (int) events.get(e)[2]; i < n && eventOf[i] == e; i++) {
        shared[e] |= shares(g, (int) events.get(e - 1)[2], i);
      }
    }
    Slots slots = g.slots();
    FitSolver solver = new FitSolver(times, shared, slots, 10, 36);
    List<Reading> readings = solver.readings();
    Doubts doubts = solver.doubts(readings);
    if (System.getProperty("dbg") != null) {
      for (Reading r : readings) {
        int ok = 0;
        int[] counts = new int[slots.weight().length];
        for (int i = 0; i < n; i++) {
          ok +=
              Math.round(slots.ms()[r.slot()[eventOf[i]]] / g.beatMs * Generated.TWELFTHS)
                      == (long) g.notes.get(i)[1]
                  ? 1
                  : 0;
          counts[slots.place()[r.slot()[eventOf[i]]]]++;
        }
        System.out.printf(
            "  ok %3d/%d lag0 %.0f mean %.0f sd %.1f ev %.2f w %.3f %s%n",
            ok,
            n,
            r.lagMs()[0],
            r.meanLagMs(),
            r.spreadMs(),
            r.evidence(),
            r.weight(),
            java.util.Arrays.toString(counts));
      }
      System.out.println("--");
    }
    long[] result = new long[n];
    for (int i = 0; i < n; i++) {
      int slot = readings.get(0).slot()[eventOf[i]];
      result[i] = Math.round(slots.ms()[slot] / g.beatMs * Generated.TWELFTHS);
      double doubt = doubts.doubt()[eventOf[i]];
      double[] row = reliability[Math.min(9, (int) (doubt * 10))];
      row[0]++;
      row[1] += doubt;
      row[2] += result[i] == (long) g.notes.get(i)[1] ? 0 : 1;
    }
    return result;
  }

  /** Whether the event that begins with one note, up to another, holds that one's pitch. */
  private static boolean shares(Generated g, int first, int i) {
    for (int j = first; j < i; j++) {
      if (g.notes.get(j)[0] - g.notes.get(first)[0] <= CHORD_MS
          && g.notes.get(j)[2] == g.notes.get(i)[2]) {
        return true;
      }
    }
    return false;
  }
}
