package flailbeat.core.quantize.beat;

import flailbeat.core.work.InOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * One way to count through a song: where its beats lie, and into how many parts they are divided.
 * It says how well it explains each row of strokes: each comes a lag of its row and a normal error
 * after its slot, and slots are played on as the same place of the beat and the same place of the
 * bar foretell (each from what was heard before it, as in {@link Division}). O(rows x slots) for
 * each bar.
 */
final class Hearing {
  /** How much a place of the beat is believed to be played on as usual, in beats. */
  private static final double BELIEF = 3;

  /** How much a place of the bar is believed to be as that, in bars. */
  private static final double BEAT_BELIEF = 1.5;

  private static final int HALVINGS = 20;

  /** How often the halves of a bar of four are alike in a part. */
  private static final double HALVES_ALIKE = 0.3;

  /** How often a rhythm comes again after four bars, and not before: heard in long songs alone. */
  private static final double FOUR_BARS = 0.2;

  private static final int LONG_BARS = 64;

  /** How many strokes belong to no slot. */
  private static final double STRAY = 0.02;

  /** A standard deviation in median deviations, of normal errors. */
  private static final double NORMAL = 1.4826;

  /** The tempo is as smooth in time, however it is counted. */
  private static final double REACH_MS = 2500;

  private static final double LEAST_SPREAD_MS = 6;
  private static final double LAG_SPREAD_MS = 25;

  /** Accents and long notes say less than strokes: few people mean them all. */
  private static final double ACCENTS_COUNT = 0.5;

  /** A tempo is steady over so many beats. */
  private static final int STEADY = 6;

  private static final double BEGINS = 6;
  private static final double BEGINS_JUST_BEFORE = 2;

  /** What it costs that a slot is played on twice. */
  private static final double TWICE = 4;

  private final List<Row> rows;
  private final double[] beatMs;
  private final int firstBeat;
  private final int parts;
  private final double usualBeatMs;
  private final int[][] slots;
  private final double[] lagMs;
  private final double fit;
  private double plain = Double.NaN;
  private Optional<Harmony> harmony = Optional.empty();
  private int first = Integer.MAX_VALUE;
  private int last = Integer.MIN_VALUE;

  /**
   * Counts through.
   *
   * @param beatMs when each beat comes, two at least
   * @param firstBeat the number of the first of them
   */
  Hearing(List<Row> rows, double[] beatMs, int firstBeat, int parts) {
    this.rows = rows;
    this.beatMs = beatMs;
    this.firstBeat = firstBeat;
    this.parts = parts;
    this.usualBeatMs = InOrder.medianGap(beatMs);
    this.slots = new int[rows.size()][];
    this.lagMs = new double[rows.size()];
    double sum = 0;
    for (int row = 0; row < rows.size(); row++) {
      double of = place(row);
      sum += rows.get(row).isDerived() ? 0 : of;
    }
    double mean = Arrays.stream(lagMs).average().orElse(0);
    for (double lag : lagMs) {
      double off = (lag - mean) / LAG_SPREAD_MS;
      sum -= off * off / 2;
    }
    fit = sum;
  }

  double beatsAt(double ms) {
    int at = Arrays.binarySearch(beatMs, ms);
    int i = Math.clamp(at < 0 ? -at - 2 : at, 0, beatMs.length - 2);
    return firstBeat + i + (ms - beatMs[i]) / (beatMs[i + 1] - beatMs[i]);
  }

  /** Gives each stroke of a row its slot; how well it lies there, as a logarithm. */
  private double place(int row) {
    Row of = rows.get(row);
    int n = of.size();
    double[] at = new double[n];
    double x = 0;
    double y = 0;
    for (int i = 0; i < n; i++) {
      at[i] = parts * beatsAt(of.ms()[i]);
      x += Math.cos(2 * Math.PI * at[i]);
      y += Math.sin(2 * Math.PI * at[i]);
    }
    double late = Math.atan2(y, x) / (2 * Math.PI);
    double slotMs = usualBeatMs() / parts;
    lagMs[row] = late * slotMs;
    slots[row] = new int[n];
    double[] off = new double[n];
    for (int i = 0; i < n; i++) {
      slots[row][i] = (int) Math.round(at[i] - late);
      off[i] = (at[i] - late - slots[row][i]) * slotMs;
      first = Math.min(first, slots[row][i]);
      last = Math.max(last, slots[row][i]);
    }
    double spread = Math.max(LEAST_SPREAD_MS, spread(off));
    double sum = -Math.log(n) / 2;
    for (double each : off) {
      double z = each / spread;
      double own = (1 - STRAY) * Math.exp(-z * z / 2) / spread / Math.sqrt(2 * Math.PI);
      sum += Math.log(own + STRAY / slotMs);
    }
    return sum;
  }

  /** The spread of most: 1.48 times the median of how far they are off. */
  private static double spread(double... off) {
    double[] sorted = Arrays.stream(off).map(Math::abs).sorted().toArray();
    return NORMAL * sorted[sorted.length / 2];
  }

  /** How long a beat usually is: the median, which an end that slows down does not change. */
  double usualBeatMs() {
    return usualBeatMs;
  }

  int parts() {
    return parts;
  }

  int firstSlot() {
    return first;
  }

  int lastSlot() {
    return last;
  }

  /** How well the strokes lie on their slots, as a logarithm. */
  double fit() {
    return fit;
  }

  /** How well the beat alone foretells which slots are played on, as a logarithm. */
  double plain() {
    if (Double.isNaN(plain)) {
      double sum = 0;
      for (int row = 0; row < rows.size(); row++) {
        sum += evidence(row, parts, 0, parts, chances(row, parts, parts));
      }
      plain = sum;
    }
    return plain;
  }

  /**
   * How well bars of a kind that begin at a slot foretell which slots are played on, as a
   * logarithm: rhythms repeat after a bar or after two.
   */
  double evidence(Bar bar, int begins) {
    double sum = bar.usual() + begins(bar, begins);
    for (int row = 0; row < rows.size(); row++) {
      double both = rowEvidence(row, bar, begins);
      sum += rows.get(row).isAside() ? ACCENTS_COUNT * both : both;
    }
    return sum;
  }

  /** How much likelier bars are by their harmony that begin at each place than at any. */
  double[] harmony(Bar bar) {
    if (harmony.isEmpty()) {
      harmony = Optional.of(new Harmony(rows, slots));
    }
    return harmony.get().begins(bar.slots(), bar.step());
  }

  /** Songs begin on the bar line more often than not; if before it, then just before. */
  private double begins(Bar bar, int begins) {
    int after = Math.floorMod(first - begins, bar.slots());
    return after == 0 ? BEGINS : bar.slots() - after <= bar.step() ? BEGINS_JUST_BEFORE : 0;
  }

  private double rowEvidence(int row, Bar bar, int begins) {
    double[] chances = chances(row, bar.step(), bar.slots());
    double one = evidence(row, bar.slots(), begins, bar.step(), chances);
    double two = evidence(row, 2 * bar.slots(), begins, bar.step(), chances);
    double either = eitherOf(one, two, 0.5);
    if (last - first >= LONG_BARS * bar.slots()) {
      double four = evidence(row, 4 * bar.slots(), begins, bar.step(), chances);
      either = eitherOf(either, four, FOUR_BARS);
    }
    if (bar.meter().beats() != 4) {
      return either;
    }
    // The halves of a bar of four may be alike, as bars of two are.
    int half = bar.slots() / 2;
    double byHalves =
        eitherOf(
            evidence(row, bar.slots(), begins, half, chances),
            evidence(row, 2 * bar.slots(), begins, half, chances),
            0.5);
    return eitherOf(either, byHalves, HALVES_ALIKE);
  }

  /** The logarithm of how likely something is that comes one way, or with some share another. */
  private static double eitherOf(double one, double two, double share) {
    double most = Math.max(one, two);
    return most + Math.log((1 - share) * Math.exp(one - most) + share * Math.exp(two - most));
  }

  private double evidence(int row, int period, int begins, int step, double... chances) {
    double[] playedInBeat = new double[step];
    double[] metInBeat = new double[step];
    double[] played = new double[period];
    double[] met = new double[period];
    int[] own = slots[row];
    double sum = 0;
    int next = 0;
    for (int slot = own[0]; slot <= own[own.length - 1]; slot++) {
      boolean here = false;
      while (next < own.length && own[next] <= slot) {
        sum -= here ? TWICE : 0;
        here = true;
        next++;
      }
      int inPeriod = Math.floorMod(slot - begins, period);
      int place = Math.floorMod(slot - begins, step);
      double chance = chances[inPeriod % chances.length];
      double usual = (BELIEF * chance + playedInBeat[place]) / (BELIEF + metInBeat[place]);
      double expected = (chance + usual) / 2;
      double p = (BEAT_BELIEF * expected + played[inPeriod]) / (BEAT_BELIEF + met[inPeriod]);
      double bounded = Math.clamp(p, 0.005, 0.995);
      sum += Math.log(here ? bounded : 1 - bounded);
      playedInBeat[place] += here ? 1 : 0;
      metInBeat[place]++;
      played[inPeriod] += here ? 1 : 0;
      met[inPeriod]++;
      // What is silent for long is a rest, and says nothing against the rhythm.
      int silent = next < own.length ? (own[next] - slot - 1) / period : 0;
      slot += silent > 2 ? (silent - 1) * period : 0;
    }
    return sum;
  }

  /**
   * How usual it is that each slot of a bar is played on, by where it lies, in a row that has as
   * many strokes as this: the odds are raised or lowered alike until as many are expected.
   */
  private double[] chances(int row, int step, int bar) {
    int[] own = slots[row];
    double[] usual = rows.get(row).kind().chances();
    double[] odds = new double[bar];
    for (int slot = 0; slot < bar; slot++) {
      double chance = usual[where(slot, step, bar > step)];
      odds[slot] = chance / (1 - chance);
    }
    double met = own[own.length - 1] - own[0] + 1.0;
    double wanted = Math.clamp(own.length / met, 0.5 / met, 1 - 0.5 / met);
    double low = 1e-4;
    double high = 1e4;
    for (int i = 0; i < HALVINGS; i++) {
      double raised = Math.sqrt(low * high);
      double sum = 0;
      for (double each : odds) {
        sum += raised * each / (1 + raised * each);
      }
      if (sum / bar < wanted) {
        low = raised;
      } else {
        high = raised;
      }
    }
    for (int slot = 0; slot < bar; slot++) {
      odds[slot] = low * odds[slot] / (1 + low * odds[slot]);
    }
    return odds;
  }

  private static int where(int inBar, int step, boolean bars) {
    int place = inBar % step;
    int off = step % 3 == 0 && place % (step / 3) == 0 ? 4 : step != 6 && 2 * place == step ? 2 : 3;
    return inBar == 0 && bars ? 0 : place == 0 ? 1 : off;
  }

  /** The same, with the beats as a smooth curve through all strokes, less the lag of each row. */
  Hearing settled() {
    List<double[]> all = new ArrayList<>();
    for (int row = 0; row < rows.size(); row++) {
      if (!rows.get(row).isDerived()) {
        for (int i = 0; i < slots[row].length; i++) {
          all.add(
              new double[] {(double) slots[row][i] / parts, rows.get(row).ms()[i] - lagMs[row]});
        }
      }
    }
    all.sort(Comparator.comparingDouble(a -> a[0]));
    double[] beats = all.stream().mapToDouble(a -> a[0]).toArray();
    double[] ms = all.stream().mapToDouble(a -> a[1]).toArray();
    Counted counted = new Counted(beats, ms, REACH_MS / usualBeatMs());
    int from = (int) Math.floor(beats[0]) - 1;
    int to = (int) Math.ceil(beats[beats.length - 1]) + 1;
    double[] times = new double[to - from + 1];
    for (int beat = from; beat <= to; beat++) {
      times[beat - from] = counted.timeOf(beat);
    }
    return new Hearing(rows, Counted.rising(times), from, parts);
  }

  /**
   * The same up to a beat, and from there on slower and slower, to the last stroke.
   *
   * @param from a moment
   * @param most how many times as long the last beat is; this very hearing for 1 and less
   */
  Hearing slowing(double from, double most) {
    int begins = (int) Math.round(beatsAt(from)) - firstBeat;
    if (begins < STEADY || begins >= beatMs.length || most <= 1) {
      return this;
    }
    double steady = (beatMs[begins] - beatMs[begins - STEADY]) / STEADY;
    double end = lastStrokeMs();
    // A tempo that falls evenly makes the time up to the last beat their mean length.
    double beats = (end - beatMs[begins]) / steady / ((1 + most) / 2);
    List<Double> times = new ArrayList<>();
    for (int i = 0; i <= begins; i++) {
      times.add(beatMs[i]);
    }
    double longer = (most - 1) / Math.max(1, beats);
    for (int i = 1; times.getLast() < end + steady; i++) {
      times.add(beatMs[begins] + steady * (i + longer * i * i / 2));
    }
    double[] all = times.stream().mapToDouble(Double::doubleValue).toArray();
    return new Hearing(rows, Counted.rising(all), firstBeat, parts);
  }

  /** The same way to count, of the strokes from a moment on alone. */
  Hearing from(double ms) {
    List<Row> last =
        rows.stream()
            .filter(r -> !r.isDerived())
            .map(r -> r.from(ms))
            .filter(r -> r.size() > 1)
            .toList();
    return last.isEmpty() ? this : new Hearing(last, beatMs, firstBeat, parts);
  }

  double lastStrokeMs() {
    return rows.stream().mapToDouble(r -> r.ms()[r.size() - 1]).max().orElseThrow();
  }

  /** When the beats of it come from a slot on, so many slots apart. */
  double[] beats(int fromSlot, int each, int count) {
    double[] result = new double[count];
    for (int i = 0; i < count; i++) {
      result[i] = timeAt((double) (fromSlot + i * each) / parts);
    }
    return result;
  }

  double timeAt(double beat) {
    int i = Math.clamp((int) Math.floor(beat) - firstBeat, 0, beatMs.length - 2);
    return beatMs[i] + (beat - firstBeat - i) * (beatMs[i + 1] - beatMs[i]);
  }

  /**
   * Another way to count: beats that last so many of these, begun so many later, divided otherwise.
   */
  Hearing counted(double beats, double later, int into) {
    int to = (int) Math.ceil((beatMs.length + 1) / beats) + 1;
    double[] times = new double[to + 2];
    for (int b = -1; b <= to; b++) {
      times[b + 1] = timeAt(firstBeat + b * beats + later);
    }
    return new Hearing(rows, times, -1, into);
  }
}
