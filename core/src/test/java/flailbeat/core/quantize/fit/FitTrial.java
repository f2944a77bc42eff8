package flailbeat.core.quantize.fit;

import flailbeat.core.edit.Doubles;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.fit.Generated.Manner;
import flailbeat.core.quantize.lag.LagPrior;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Lets rounding, an oracle and Fit loose on made-up performances of one manner, and counts. */
final class FitTrial {
  private static final double CHORD_MS = 25;
  private static final double PLAUSIBLE = 0.05;

  /** Lags that people have: what was meant cannot be told from a shift that takes one of these. */
  private static final double EARLIEST_MS = -60;

  private static final double LATEST_MS = 80;

  /** How often each was right, in notes; of how many. */
  double nearest;

  double oracle;
  double fit;
  double notes;

  /** How much better than rounding Fit was in its worst phrase, in points. */
  double worst = 100;

  /** How many phrases there were, were moved whole, and had the right reading offered then. */
  int phrases;

  int shifted;
  int offered;

  /** Of those moved whole, how many would sound the same with another lag that people have. */
  int alike;

  /** How likely the reading of the last phrase was said to be, all that put it there together. */
  double told;

  /** How many notes were called doubtful, and how many others were wrong. */
  double asked;

  double wrongUnasked;

  /** By tenths of doubt: notes, the sum of what was said, notes that were wrong. */
  final double[][] reliability;

  private final LagPrior prior;

  FitTrial(double[][] reliability, LagPrior prior) {
    this.reliability = reliability;
    this.prior = prior;
  }

  static FitTrial of(Manner manner, int phrases, int bars, double[][] reliability) {
    FitTrial trial = new FitTrial(reliability, LagPrior.UNKNOWN);
    for (int seed = 0; seed < phrases; seed++) {
      trial.play(Generated.of(manner, bars, seed));
    }
    return trial;
  }

  void play(Generated g) {
    play(g, g.slots());
  }

  void play(Generated g, Slots slots) {
    int n = g.notes.size();
    int[] eventOf = new int[n];
    List<double[]> events = new ArrayList<>();
    List<Set<Double>> pitches = new ArrayList<>();
    Map<Double, Integer> struckIn = new HashMap<>();
    Doubles doubles =
        new Doubles(
            g.notes.stream().mapToDouble(o -> o[0]).toArray(), i -> (int) g.notes.get(i)[2]);
    for (int i = 0; i < n; i++) {
      double at = g.notes.get(i)[0];
      double pitch = g.notes.get(i)[2];
      if (doubles.isDouble((int) pitch, at)) {
        eventOf[i] = struckIn.get(pitch);
        continue;
      }
      if (events.isEmpty()
          || at - events.getLast()[2] > CHORD_MS
          || pitches.getLast().contains(pitch)) {
        events.add(new double[] {0, 0, at});
        pitches.add(new HashSet<>());
      }
      events.getLast()[0] += at;
      events.getLast()[1]++;
      pitches.getLast().add(pitch);
      struckIn.put(pitch, events.size() - 1);
      eventOf[i] = events.size() - 1;
    }
    double[] times = events.stream().mapToDouble(e -> e[0] / e[1]).toArray();
    boolean[] shared = new boolean[times.length];
    for (int e = 1; e < times.length; e++) {
      Set<Double> both = new HashSet<>(pitches.get(e));
      shared[e] = both.removeAll(pitches.get(e - 1));
    }
    FitSolver solver = new FitSolver(times, shared, slots, prior);
    List<Reading> readings = solver.readings();
    count(g, slots, readings.get(0), solver.doubts(readings), eventOf);
    phrases++;
    told =
        readings.stream()
            .filter(r -> r.slotsFrom(readings.get(0)) == 0)
            .mapToDouble(Reading::weight)
            .sum();
    if (!isRight(g, slots, readings.get(0), eventOf)) {
      shifted++;
      boolean told =
          readings.stream()
              .skip(1)
              .anyMatch(r -> r.weight() >= PLAUSIBLE && isRight(g, slots, r, eventOf));
      offered += told ? 1 : 0;
      double lag = readings.get(0).meanLagMs();
      alike += lag >= EARLIEST_MS && lag <= LATEST_MS ? 1 : 0;
    }
  }

  private void count(Generated g, Slots slots, Reading reading, Doubts doubts, int[] eventOf) {
    int n = eventOf.length;
    double nearestHere = 0;
    double fitHere = 0;
    for (int i = 0; i < n; i++) {
      double[] note = g.notes.get(i);
      long meant = (long) note[1];
      double slotMs = slots.ms()[reading.slot()[eventOf[i]]];
      boolean right = Math.round(slotMs / g.beatMs * Generated.TWELFTHS) == meant;
      nearestHere += g.nearest(note[0]) == meant ? 1 : 0;
      oracle += g.nearest(note[0] - g.trueLag(note[1])) == meant ? 1 : 0;
      fitHere += right ? 1 : 0;
      double doubt = doubts.doubt()[eventOf[i]];
      double[] row = reliability[Math.min(9, (int) (doubt * 10))];
      row[0]++;
      row[1] += doubt;
      row[2] += right ? 0 : 1;
      asked += doubt >= NotePlan.DOUBTFUL ? 1 : 0;
      wrongUnasked += doubt < NotePlan.DOUBTFUL && !right ? 1 : 0;
    }
    nearest += nearestHere;
    fit += fitHere;
    notes += n;
    worst = Math.min(worst, 100 * (fitHere - nearestHere) / n);
  }

  /** Whether a phrase as a whole is where it was meant. */
  private static boolean isRight(Generated g, Slots slots, Reading reading, int[] eventOf) {
    int right = 0;
    for (int i = 0; i < eventOf.length; i++) {
      double slotMs = slots.ms()[reading.slot()[eventOf[i]]];
      long twelfth = Math.round(slotMs / g.beatMs * Generated.TWELFTHS);
      right += twelfth == (long) g.notes.get(i)[1] ? 1 : 0;
    }
    return 2 * right > eventOf.length;
  }

  double percent(double count) {
    return 100 * count / notes;
  }
}
