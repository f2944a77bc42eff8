package flailbeat.core.quantize.fit;

import java.util.Arrays;
import java.util.List;

/**
 * How likely each slot is to be played on, estimated from the phrase itself: as the same place of
 * the neighbouring bars is, since bars are like those next to them, and as such places of the beat
 * are, under a weak prior: on the beat and half way anything may be, but a weak place is seldom
 * played on most of the time. With a prior by which strong places must be likely, off-beat playing
 * would be moved whole by a sixteenth. A slot never says anything of itself. What was put in the
 * same part ({@link Anchors}) is listened to where it foretells what was played: that is weighed
 * with the rest.
 */
final class Occupancy {
  /** How much the prior counts, over a plain one of the same shape. */
  private static final double SHARPNESS = 3;

  /** How unlikely weak places are to be played on most of the time. */
  private static final double WEAKNESS = 10;

  /**
   * How bars resemble one another.
   *
   * @param memory how much less a bar says than one that lies a bar nearer
   * @param trust how many bars such places of the beat count for
   */
  record Likeness(double memory, double trust) {}

  /** Bars that are repeated for a while, bars that are rather alike, and bars that are not. */
  private static final List<Likeness> LIKENESSES =
      List.of(new Likeness(0.45, 1), new Likeness(0.7, 4), new Likeness(0.9, 16));

  /** How probable it is that what was put in a part has the rhythm of what was played. */
  private static final double AKIN = 0.5;

  private static final double LEAST = 0.004;
  private static final double TINY = 1e-200;
  private static final double MOST = 0.985;

  private final Slots slots;
  private final Anchors anchors;
  private final double[] a;
  private final double[] b;
  private final double[] general;
  private final double[] counts;
  private final double[] chances;
  private final double[] heard;
  private final double[] played;
  private double[] passed = {};
  private double[] playing = {};
  private final double[] sum;
  private final double[] weight;
  private boolean priced;
  private Likeness likeness = LIKENESSES.get(1);
  private boolean likenessKnown;
  private boolean listening;
  private int firstPlayed;
  private int lastPlayed;
  private int rotated;
  private int first;
  private int end;

  Occupancy(Slots slots) {
    this.slots = slots;
    this.anchors = new Anchors(slots);
    int places = slots.weight().length;
    a = new double[places];
    b = new double[places];
    general = new double[places];
    counts = new double[places];
    chances = new double[places];
    for (int i = 0; i < places; i++) {
      double weak = 1 - slots.weight()[i];
      a[i] = SHARPNESS * (1.1 - 0.6 * weak);
      b[i] = SHARPNESS * (0.8 + WEAKNESS * weak * weak * weak);
      general[i] = a[i] / (a[i] + b[i]);
    }
    int barPlaces = Arrays.stream(slots.barPlace()).max().orElse(0) + 1;
    sum = new double[barPlaces];
    weight = new double[barPlaces];
    heard = new double[slots.size()];
    played = new double[slots.size()];
    for (int s = 0; s < slots.size(); s++) {
      played[s] = general[slots.place()[s]];
    }
  }

  /** How the bars resemble one another, as far as is known. */
  Likeness likeness() {
    return likeness;
  }

  /** Takes it from elsewhere how bars resemble one another. */
  void setLikeness(Likeness value) {
    likeness = value;
    likenessKnown = true;
  }

  /** The cost of a slot's being played on: the negative logarithm of its probability. */
  double playing(int slot) {
    price();
    return playing[slot];
  }

  /** The cost of passing over the slots from one up to, but without, another. */
  double passed(int from, int to) {
    price();
    return passed[to] - passed[from];
  }

  /** Works out what each slot costs, once for as long as nothing more is learned. */
  private void price() {
    if (!priced) {
      priced = true;
      passed = passed.length == 0 ? new double[slots.size() + 1] : passed;
      playing = playing.length == 0 ? new double[slots.size()] : playing;
      for (int s = 0; s < played.length; s++) {
        passed[s + 1] = passed[s] - Math.log(1 - played[s]);
        playing[s] = -Math.log(played[s]);
      }
    }
  }

  /** The probability of each slot's being played on. */
  double[] probabilities() {
    return played;
  }

  /**
   * Learns which slots are played on, over whole beats: a phrase is likelier to begin where a beat
   * does than just before.
   */
  void learn(int[] path) {
    Arrays.fill(heard, 0);
    for (int slot : path) {
      heard[slot] = 1;
    }
    estimate(path[0], path[path.length - 1]);
  }

  /** Learns from how probable each slot is, between the first and the last of a path. */
  void learn(Posterior posterior, int[] path) {
    Arrays.fill(heard, 0);
    int near = posterior.near();
    for (int i = 0; i < path.length; i++) {
      for (int c = 0; c < near; c++) {
        heard[posterior.first()[i] + c] += posterior.probability()[i * near + c];
      }
    }
    for (int s = 0; s < heard.length; s++) {
      heard[s] = Math.min(1, heard[s]);
    }
    estimate(path[0], path[path.length - 1]);
  }

  private void estimate(int firstPlayed, int lastPlayed) {
    this.firstPlayed = firstPlayed;
    this.lastPlayed = lastPlayed;
    first = firstPlayed;
    while (first > 0 && slots.beat()[first - 1] == slots.beat()[firstPlayed]) {
      first--;
    }
    end = lastPlayed + 1;
    while (end < slots.size() && slots.beat()[end] == slots.beat()[end - 1]) {
      end++;
    }
    choose();
    countPlaces();
    for (int s = 0; s < played.length; s++) {
      played[s] = general[slots.place()[s]];
    }
    asNeighbours();
    priced = false;
  }

  private void countPlaces() {
    teachPlaces();
    for (int s = first; s < end; s++) {
      counts[slots.place()[s]] += heard[s];
      chances[slots.place()[s]]++;
    }
    for (int i = 0; i < a.length; i++) {
      general[i] = mean(counts[i], chances[i], a[i], b[i]);
    }
  }

  /** What is known of places of the beat beforehand. */
  private void teachPlaces() {
    Arrays.fill(counts, 0);
    Arrays.fill(chances, 0);
    if (listening) {
      anchors.count(counts, chances);
    }
  }

  private static double mean(double played, double chances, double a, double b) {
    return Math.clamp((played + a) / (chances + a + b), LEAST, MOST);
  }

  /**
   * How the bars resemble one another, and whether what was put says anything of what was played,
   * is seen from how well the one is foretold by the other.
   */
  private void choose() {
    double best = Double.NEGATIVE_INFINITY;
    Likeness chosen = likeness;
    boolean listens = false;
    List<Likeness> candidates = likenessKnown ? List.of(likeness) : LIKENESSES;
    for (int l = 0; l < (anchors.any() ? 2 : 1); l++) {
      for (Likeness candidate : candidates) {
        listening = l == 1;
        likeness = candidate;
        double evidence = evidence();
        if (evidence > best) {
          best = evidence;
          chosen = candidate;
          listens = listening;
        }
      }
    }
    likeness = chosen;
    listening = listens;
  }

  /** Each slot as the same place is in the bars before and after it. */
  private void asNeighbours() {
    int from = listening ? Math.min(first, anchors.first()) : first;
    int to = listening ? Math.max(end, anchors.end()) : end;
    double[] before = new double[to - from];
    double[] weightBefore = new double[to - from];
    forget();
    for (int s = from; s < to; s++) {
      int place = slots.barPlace()[s];
      before[s - from] = sum[place];
      weightBefore[s - from] = weight[place];
      remember(s, place);
    }
    forget();
    for (int s = to - 1; s >= from; s--) {
      int place = slots.barPlace()[s];
      double own = ownWeight(s);
      double all =
          before[s - from] + sum[place] + likeness.trust() * played[s] + own * anchors.at(s);
      played[s] =
          Math.clamp(
              all / (weightBefore[s - from] + weight[place] + likeness.trust() + own), LEAST, MOST);
      remember(s, place);
    }
  }

  /** What stands in the same bar says as much as what a neighbouring bar has there. */
  private double ownWeight(int slot) {
    return listening && anchors.tells(slot) ? likeness.memory() : 0;
  }

  private void forget() {
    Arrays.fill(sum, 0);
    Arrays.fill(weight, 0);
  }

  private void remember(int slot, int place) {
    double there = listening ? Math.max(heard[slot], anchors.at(slot)) : heard[slot];
    sum[place] = likeness.memory() * (sum[place] + there);
    weight[place] = likeness.memory() * (weight[place] + 1);
  }

  /**
   * The logarithm of how probable what was learned is, where readings are compared: averaged over
   * where in the beat the metre may lie. A part may well answer another from weak places, and the
   * longer it does so the surer that is; were it held against it slot by slot, such a part would be
   * moved whole before long. So that no reading is preferred for its metre by more than the weights
   * say, however long the phrase; see docs/quantizing.md for what is paid for them.
   */
  double comparedEvidence() {
    if (!anchors.any()) {
      return overMetres();
    }
    boolean chosen = listening;
    listening = false;
    double alone = overMetres();
    listening = true;
    double told = overMetres();
    listening = chosen;
    double best = Math.max(alone, told);
    return best + Math.log((1 - AKIN) * Math.exp(alone - best) + AKIN * Math.exp(told - best));
  }

  private double overMetres() {
    double[] weights = Metres.weights(a.length, slots.isMixed());
    if (weights.length == 1) {
      return evidence();
    }
    Likeness chosen = likeness;
    double[] all = new double[weights.length];
    for (int r = 0; r < weights.length; r++) {
      rotated = r;
      all[r] = r == 0 ? evidence() : bestEvidence();
    }
    rotated = 0;
    likeness = chosen;
    double best = Arrays.stream(all).max().orElseThrow();
    double sum = 0;
    for (int r = 0; r < weights.length; r++) {
      sum += weights[r] * Math.exp(all[r] - best);
    }
    return best + Math.log(sum);
  }

  /** Which place of the beat a slot would be, did the metre lie where it is rotated to. */
  private int rotatedPlace(int slot) {
    return rotated == 0 ? slots.place()[slot] : (slots.place()[slot] + rotated) % a.length;
  }

  /** Whole beats are looked at, of the rotated metre too: a part begins where its own beat does. */
  private int rotatedFirst() {
    int from = firstPlayed;
    while (from > 0 && rotatedPlace(from) != 0) {
      from--;
    }
    return from;
  }

  private int rotatedEnd() {
    int to = lastPlayed + 1;
    while (to < slots.size() && rotatedPlace(to) != 0) {
      to++;
    }
    return to;
  }

  private double bestEvidence() {
    double best = Double.NEGATIVE_INFINITY;
    for (Likeness candidate : LIKENESSES) {
      likeness = candidate;
      best = Math.max(best, evidence());
    }
    return best;
  }

  /**
   * The logarithm of how probable what was learned is: each slot as what came before it foretells.
   */
  double evidence() {
    teachPlaces();
    int from = rotated == 0 ? first : rotatedFirst();
    int to = rotated == 0 ? end : rotatedEnd();
    if (listening) {
      anchors.lookAhead(from, to, likeness.memory());
    }
    forget();
    if (listening) {
      for (int s = anchors.first(); s < from; s++) {
        remember(s, slots.barPlace()[s]);
      }
    }
    double logSum = 0;
    double product = 1;
    for (int s = from; s < to; s++) {
      int place = slots.place()[s];
      int inBar = slots.barPlace()[s];
      int as = rotatedPlace(s);
      double such = (counts[place] + a[as]) / (chances[place] + a[as] + b[as]);
      double told = sum[inBar] + likeness.trust() * such;
      double of = weight[inBar] + likeness.trust();
      if (listening) {
        told += anchors.ahead(s);
        of += anchors.aheadWeight(s);
      }
      double p = Math.clamp(told / of, LEAST, MOST);
      double sure = heard[s];
      if (sure == 0 || sure == 1) {
        // A product of many needs one logarithm.
        product *= sure == 0 ? 1 - p : p;
        if (product < TINY) {
          logSum += Math.log(product);
          product = 1;
        }
      } else {
        logSum += sure * Math.log(p) + (1 - sure) * Math.log(1 - p);
      }
      counts[place] += heard[s];
      chances[place]++;
      remember(s, inBar);
    }
    return logSum + Math.log(product);
  }
}
