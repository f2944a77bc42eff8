package flailbeat.core.quantize.beat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * What the harmony says of where bars begin: chords change on bar lines more often than elsewhere
 * (common practice), so that the pitch classes of a bar foretell one another. Each is foretold by
 * those struck before it in its bar, and by those of the whole song: a Dirichlet-multinomial
 * mixture, as in any textbook of Bayesian statistics (from memory). O(strokes) for each place where
 * bars may begin.
 */
final class Harmony {
  private static final int CLASSES = 12;

  /** For how many strokes what is usual in the song counts. */
  private static final double BELIEF = 4;

  /** Strokes of a chord that is struck again are no news: each counts for less than one. */
  private static final double COUNTS = 0.6;

  private final int[] slots;
  private final int[] classes;
  private final double[] usual = new double[CLASSES];

  private record Struck(int slot, int classes) {}

  /** Of the strokes of some rows, each with the slot that it belongs to. */
  Harmony(List<Row> rows, int[][] slotsOfRows) {
    List<Struck> all = new ArrayList<>();
    for (int row = 0; row < rows.size(); row++) {
      for (int i = 0; i < slotsOfRows[row].length; i++) {
        if (rows.get(row).isHarmony(i)) {
          all.add(new Struck(slotsOfRows[row][i], rows.get(row).classes()[i]));
        }
      }
    }
    all.sort(Comparator.comparingInt(Struck::slot));
    slots = all.stream().mapToInt(Struck::slot).toArray();
    classes = all.stream().mapToInt(Struck::classes).toArray();
    Arrays.fill(usual, 1);
    for (int bits : classes) {
      for (int c = 0; c < CLASSES; c++) {
        usual[c] += bits >> c & 1;
      }
    }
    double sum = Arrays.stream(usual).sum();
    Arrays.setAll(usual, c -> usual[c] / sum);
  }

  /**
   * How much likelier bars are that begin at each place than at any, as logarithms.
   *
   * @param bar how many slots there are to a bar
   * @param step after how many of them one may begin
   */
  double[] begins(int bar, int step) {
    double[] result = new double[bar / step];
    Arrays.setAll(result, i -> COUNTS * evidence(bar, i * step));
    double most = Arrays.stream(result).max().orElse(0);
    double mean =
        most + Math.log(Arrays.stream(result).map(e -> Math.exp(e - most)).average().orElse(1));
    Arrays.setAll(result, i -> result[i] - mean);
    return result;
  }

  private double evidence(int bar, int begins) {
    double[] met = new double[CLASSES];
    double total = 0;
    int now = Integer.MIN_VALUE;
    double sum = 0;
    for (int i = 0; i < slots.length; i++) {
      int in = Math.floorDiv(slots[i] - begins, bar);
      if (in != now) {
        Arrays.fill(met, 0);
        total = 0;
        now = in;
      }
      for (int c = 0; c < CLASSES; c++) {
        if ((classes[i] >> c & 1) == 1) {
          sum += Math.log((BELIEF * usual[c] + met[c]) / (BELIEF + total));
        }
      }
      for (int c = 0; c < CLASSES; c++) {
        met[c] += classes[i] >> c & 1;
      }
      total += Integer.bitCount(classes[i]);
    }
    return sum;
  }
}
