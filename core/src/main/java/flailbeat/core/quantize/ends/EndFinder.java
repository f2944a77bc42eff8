package flailbeat.core.quantize.ends;

import flailbeat.core.quantize.ends.PartHabit.Articulation;
import flailbeat.core.quantize.ends.Releases.Kind;

/**
 * Finds where notes were meant to end. The model: a note is written to end where the next begins,
 * or before it, or beyond; it sounds for a share of that, by its articulation, which is mostly the
 * part's habit; and its key comes up a lag and a normal error late. What is not known of the part
 * ({@link PartHabit}) is found from all its notes, by expectation-maximisation (A. P. Dempster, N.
 * M. Laird, D. B. Rubin, Journal of the Royal Statistical Society B 39(1), 1977; from memory),
 * begun from each habit; what comes of these is weighed by its evidence. O(n) for n notes.
 */
public final class EndFinder {
  private static final int ROUNDS = 12;

  /** A part is known from so many notes. */
  private static final int ENOUGH = 3000;

  /** The model is not the player: what the evidence says of habits is taken with caution. */
  private static final double CAUTION = 0.3;

  private static final double CAUTION_OF_NOTES = 0.75;

  /** A release may be anything at all, seldom: its density, by the ms. */
  private static final double ANYTHING = 2e-6;

  private final Releases releases;

  /** How probable each end of the note under way is. */
  private final double[] own;

  public EndFinder(Releases releases) {
    this.releases = releases;
    this.own = new double[releases.endMs().length];
  }

  /**
   * The end of each note, as one of {@code endMs}; -1 where none is possible.
   *
   * @param other the likeliest end beside it; itself where there is none
   * @param doubt how likely it is that another was meant, 0 to 1
   */
  public record Found(int[] end, int[] other, double[] doubt) {}

  /** Looks for them. */
  public Found find() {
    int n = releases.size();
    PartHabit[] habits = new PartHabit[PartHabit.ARTICULATIONS.length];
    double[] evidence = new double[habits.length];
    double best = Double.NEGATIVE_INFINITY;
    for (Articulation usual : PartHabit.ARTICULATIONS) {
      PartHabit habit = new PartHabit(usual);
      for (int round = 0; round < ROUNDS; round++) {
        count(habit);
        habit.learn();
      }
      habits[usual.ordinal()] = habit;
      evidence[usual.ordinal()] = count(habit) - habit.cost();
      best = Math.max(best, evidence[usual.ordinal()]);
    }
    double[] probability = new double[own.length];
    double sum = 0;
    for (double e : evidence) {
      sum += Math.exp(CAUTION * (e - best));
    }
    for (int t = 0; t < habits.length; t++) {
      double weight = Math.exp(CAUTION * (evidence[t] - best)) / sum;
      if (weight > 1e-4) {
        for (int i = 0; i < n; i++) {
          weigh(habits[t], i);
          addCautiously(weight, i, probability);
        }
      }
    }
    return chosen(probability);
  }

  /** No note is taken to be as sure as the model has it. */
  private void addCautiously(double weight, int note, double[] probability) {
    int from = releases.first()[note];
    int to = releases.first()[note + 1];
    double sum = 0;
    for (int c = from; c < to; c++) {
      own[c] = Math.pow(own[c], CAUTION_OF_NOTES);
      sum += own[c];
    }
    for (int c = from; c < to; c++) {
      probability[c] += weight * own[c] / sum;
    }
  }

  private Found chosen(double[] probability) {
    int n = releases.size();
    Found found = new Found(new int[n], new int[n], new double[n]);
    for (int i = 0; i < n; i++) {
      int first = -1;
      int second = -1;
      for (int c = releases.first()[i]; c < releases.first()[i + 1]; c++) {
        if (first < 0 || probability[c] > probability[first]) {
          second = first;
          first = c;
        } else if (second < 0 || probability[c] > probability[second]) {
          second = c;
        }
      }
      found.end()[i] = first;
      found.other()[i] = second < 0 ? first : second;
      found.doubt()[i] = first < 0 ? 0 : Math.clamp(1 - probability[first], 0, 1);
    }
    return found;
  }

  /** Goes through the notes, or enough of them; the logarithm of how well they are foretold. */
  private double count(PartHabit habit) {
    int n = releases.size();
    int step = Math.max(1, n / ENOUGH);
    double evidence = 0;
    for (int i = 0; i < n; i += step) {
      evidence += weigh(habit, i);
      for (int c = releases.first()[i]; c < releases.first()[i + 1]; c++) {
        if (own[c] > 1e-4) {
          countEnd(habit, i, c, own[c]);
        }
      }
    }
    return evidence;
  }

  private void countEnd(PartHabit habit, int note, int end, double part) {
    double written = releases.endMs()[end] - releases.onsetMs()[note];
    double sounded = releases.releaseMs()[note] - releases.onsetMs()[note];
    double sum = 0;
    for (Articulation a : PartHabit.ARTICULATIONS) {
      sum += habit.probability(a) * habit.density(a, written, sounded);
    }
    for (Articulation a : PartHabit.ARTICULATIONS) {
      double share = habit.probability(a) * habit.density(a, written, sounded) / (sum + ANYTHING);
      habit.count(a, releases.kind()[end], written, sounded, part * share);
    }
  }

  /** How probable each end of a note is; gives the logarithm of how well it is foretold. */
  private double weigh(PartHabit habit, int note) {
    int from = releases.first()[note];
    int to = releases.first()[note + 1];
    double sounded = releases.releaseMs()[note] - releases.onsetMs()[note];
    double possible = 0;
    for (Kind kind : Kind.values()) {
      double weights = weightOf(kind, from, to);
      if (weights > 0) {
        possible += habit.probability(kind);
        for (int c = from; c < to; c++) {
          if (releases.kind()[c] == kind) {
            own[c] = habit.probability(kind) * releases.weight()[c] / weights;
          }
        }
      }
    }
    double sum = 0;
    for (int c = from; c < to; c++) {
      double written = releases.endMs()[c] - releases.onsetMs()[note];
      double density = ANYTHING;
      for (Articulation a : PartHabit.ARTICULATIONS) {
        density += habit.probability(a) * habit.density(a, written, sounded);
      }
      own[c] *= density / possible;
      sum += own[c];
    }
    for (int c = from; c < to; c++) {
      own[c] /= sum;
    }
    return to > from ? Math.log(sum) : 0;
  }

  private double weightOf(Kind kind, int from, int to) {
    double sum = 0;
    for (int c = from; c < to; c++) {
      sum += releases.kind()[c] == kind ? releases.weight()[c] : 0;
    }
    return sum;
  }
}
