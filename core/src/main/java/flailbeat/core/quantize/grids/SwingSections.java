package flailbeat.core.quantize.grids;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.WhichGrid.Match;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;

/**
 * Finds where the swing of a part changes: how well each of some ratios explains each four bars,
 * and the likeliest way through these (A. Viterbi, IEEE Transactions on Information Theory 13(2),
 * 1967; from memory), on which a change has its price; then the ratio of each stretch, finely. O(n
 * log n) beside at most {@value #MOST_WINDOWS} looks at so many bars: of a long part, changes are
 * told to more than four.
 */
public final class SwingSections {
  private static final int BARS = 4;
  private static final int LEAST_NOTES = 8;

  /** Of so many notes the swing is known. */
  private static final int ENOUGH_NOTES = 64;

  /** A longer part is looked at in longer stretches. */
  private static final int MOST_WINDOWS = 64;

  private static final double[] SWINGS = {50, 54, 58, 62, 66, 70, 74};
  private static final double[] FINER = {-2, -1, 0, 1, 2};

  /** Fewer four bars in ten have another swing than those before. */
  private static final double CHANGE_COSTS = 6;

  /** Swings that differ by less are one. */
  private static final double ALIKE = 4;

  private final WhichGrid which;
  private final MeterMap meters;

  /** For a song of these meters, by one who judges how well a grid explains notes. */
  public SwingSections(WhichGrid which, MeterMap meters) {
    this.which = which;
    this.meters = meters;
  }

  /**
   * A stretch of one swing.
   *
   * @param range whole bars
   * @param swing 50 to 75 per cent
   * @param notes those that were played in it
   */
  public record Section(TickRange range, double swing, List<Note> notes) {
    public Section {
      notes = List.copyOf(notes);
    }

    /** Such as {@code bars 9 to 16: 64 % swing}. */
    public String inWords(MeterMap meters) {
      return String.format(
          Locale.ROOT,
          "bars %d to %d: %s",
          meters.barAt(range.start()) + 1,
          meters.barAt(range.end() - 1) + 1,
          swing == GridLines.EVEN ? "even" : Math.round(swing) + " % swing");
    }
  }

  /**
   * The stretches of a part, in order: one where the swing is the same throughout, or the grid has
   * none; none without notes.
   *
   * @param notes in any order
   */
  public List<Section> find(List<Note> notes, Grid grid, Progress progress) {
    List<Note> sorted = notes.stream().sorted(Note.BY_PLAYING).toList();
    int bars = BARS;
    List<Section> windows = windows(sorted, bars);
    while (windows.size() > MOST_WINDOWS) {
      bars *= 2;
      windows = windows(sorted, bars);
    }
    if (windows.size() < 2 || !grid.hasStraight() || grid.values().size() > 1) {
      return joined(windows, new int[windows.size()]);
    }
    double[][] evidence = new double[windows.size()][SWINGS.length];
    for (int w = 0; w < windows.size(); w++) {
      progress.at((double) w / windows.size());
      List<Note> own = heard(windows.get(w));
      for (int s = 0; s < SWINGS.length && own.size() >= LEAST_NOTES; s++) {
        evidence[w][s] = which.match(own, grid, SWINGS[s]).evidence();
      }
    }
    List<Section> joined = joined(windows, likeliest(evidence));
    return joined.size() < 2 ? joined : refined(joined, grid);
  }

  private static List<Note> heard(Section section) {
    return section.notes().stream().limit(ENOUGH_NOTES).map(WhichGrid::asPlayed).toList();
  }

  private List<Section> windows(List<Note> sorted, int bars) {
    List<Section> result = new ArrayList<>();
    int next = 0;
    while (next < sorted.size()) {
      int bar = meters.barAt(Math.max(0, sorted.get(next).played().onset()));
      TickRange range = new TickRange(meters.barStart(bar), meters.barStart(bar + bars));
      int from = next;
      while (next < sorted.size() && sorted.get(next).played().onset() < range.end()) {
        next++;
      }
      result.add(new Section(range, SWINGS[0], sorted.subList(from, next)));
    }
    return result;
  }

  /** The likeliest swing of each window. */
  private static int[] likeliest(double[][] evidence) {
    int n = evidence.length;
    int[][] origin = new int[n][SWINGS.length];
    double[] best = evidence[0].clone();
    for (int w = 1; w < n; w++) {
      int top = most(best);
      double[] next = new double[SWINGS.length];
      for (int s = 0; s < SWINGS.length; s++) {
        boolean stays = best[s] >= best[top] - CHANGE_COSTS;
        origin[w][s] = stays ? s : top;
        next[s] = evidence[w][s] + (stays ? best[s] : best[top] - CHANGE_COSTS);
      }
      best = next;
    }
    int[] path = new int[n];
    path[n - 1] = most(best);
    for (int w = n - 1; w > 0; w--) {
      path[w - 1] = origin[w][path[w]];
    }
    return path;
  }

  private static int most(double[] values) {
    return IntStream.range(0, values.length)
        .reduce((a, b) -> values[b] > values[a] ? b : a)
        .orElseThrow();
  }

  private static List<Section> joined(List<Section> windows, int[] swings) {
    List<Section> result = new ArrayList<>();
    for (int w = 0; w < windows.size(); w++) {
      Section own = windows.get(w);
      boolean goesOn =
          !result.isEmpty() && Math.abs(result.getLast().swing() - SWINGS[swings[w]]) <= ALIKE;
      Section before = goesOn ? result.removeLast() : own;
      List<Note> notes = new ArrayList<>(goesOn ? before.notes() : List.of());
      notes.addAll(own.notes());
      TickRange range = new TickRange(before.range().start(), own.range().end());
      result.add(new Section(range, goesOn ? before.swing() : SWINGS[swings[w]], notes));
    }
    return result;
  }

  private List<Section> refined(List<Section> sections, Grid grid) {
    return sections.stream()
        .map(
            s ->
                s.swing() == SWINGS[0]
                    ? s
                    : new Section(
                        s.range(),
                        Arrays.stream(FINER)
                            .map(d -> s.swing() + d)
                            .mapToObj(swing -> which.match(heard(s), grid, swing))
                            .max((a, b) -> Double.compare(a.evidence(), b.evidence()))
                            .map(Match::swing)
                            .orElseThrow(),
                        s.notes()))
        .toList();
  }
}
