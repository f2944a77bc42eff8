package flailbeat.core.quantize.fit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What other parts that are in place say of where a part is played: it may be played where they
 * are, or where they are not, or have nothing to do with them; which of these, is seen from how
 * well the one foretells the other. Only bars in which they play are counted, and beats that come
 * again in the same way once: they would agree again by the same chance.
 */
final class Beside {
  /** How probable it is that a part is played where the others are; where they are not, as much. */
  private static final double EITHER = 0.2;

  /** What is expected of the one sort of slot where it is the likelier one, and of the other. */
  private static final double[] LIKELY = {2, 1};

  private static final double[] UNLIKELY = {1, 3};
  private static final double[] ANY = {1, 1.5};

  /** Rhythms are less free of one another than the model has them. */
  private static final double CAUTION = 0.25;

  private final Slots slots;
  private final boolean[] tells;
  private boolean any;

  Beside(Slots slots) {
    this.slots = slots;
    this.tells = new boolean[slots.size()];
    int from = 0;
    while (from < slots.size() && !any) {
      any = slots.beside()[from++];
    }
    from = any ? 0 : slots.size();
    while (from < slots.size()) {
      int to = slots.barEnd(from);
      boolean plays = false;
      for (int s = from; s < to; s++) {
        plays |= slots.beside()[s];
      }
      for (int s = from; s < to; s++) {
        tells[s] = plays;
      }
      from = to;
    }
  }

  /**
   * The logarithm of how much better a path is foretold by what is in place than without it. O(m)
   * for the slots from its first to its last.
   */
  double evidence(int[] path) {
    if (!any) {
      return 0;
    }
    Foretold akin = new Foretold(LIKELY, UNLIKELY);
    Foretold answering = new Foretold(UNLIKELY, LIKELY);
    Foretold alone = new Foretold(ANY, ANY);
    boolean[] played = new boolean[slots.size()];
    for (int slot : path) {
      played[slot] = true;
    }
    Set<List<Integer>> heard = new HashSet<>();
    int from = path[0];
    int last = path[path.length - 1];
    while (from <= last) {
      int to = from + 1;
      while (to <= last && slots.beat()[to] == slots.beat()[from]) {
        to++;
      }
      if (tells[from] && heard.add(both(from, to, played))) {
        for (int s = from; s < to; s++) {
          int there = slots.beside()[s] ? 1 : 0;
          akin.hear(there, played[s]);
          answering.hear(there, played[s]);
          alone.hear(0, played[s]);
        }
      }
      from = to;
    }
    double sum =
        EITHER * Math.exp(akin.logSum - alone.logSum)
            + EITHER * Math.exp(answering.logSum - alone.logSum)
            + 1
            - 2 * EITHER;
    return CAUTION * Math.log(sum);
  }

  /** A beat of the bar, as it is played and as it is in place. */
  private List<Integer> both(int from, int to, boolean[] played) {
    List<Integer> both = new ArrayList<>();
    for (int s = from; s < to; s++) {
      both.add(4 * slots.barPlace()[s] + (played[s] ? 2 : 0) + (slots.beside()[s] ? 1 : 0));
    }
    return both;
  }

  /** How well slots of two sorts are foretold, each as those of its sort were before. */
  private static final class Foretold {
    private final double[] played = new double[2];
    private final double[] passed = new double[2];
    private double logSum;

    Foretold(double[] where, double[] elsewhere) {
      played[1] = where[0];
      passed[1] = where[1];
      played[0] = elsewhere[0];
      passed[0] = elsewhere[1];
    }

    void hear(int sort, boolean isPlayed) {
      double p = played[sort] / (played[sort] + passed[sort]);
      logSum += Math.log(isPlayed ? p : 1 - p);
      (isPlayed ? played : passed)[sort]++;
    }
  }
}
