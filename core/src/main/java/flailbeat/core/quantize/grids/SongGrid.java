package flailbeat.core.quantize.grids;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.WhichGrid.Match;
import flailbeat.core.time.GridLines;
import flailbeat.core.work.Progress;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/**
 * Finds the grid that explains all parts of a song together. Each part is judged by itself, with a
 * lag and a spread of its own ({@link WhichGrid}); it may be played on the song's grid or on one
 * that lies within it, as a bass of quarters does under hats of sixteenths; now and then one goes
 * its own way. What each part says for a grid is summed over these (the law of total probability),
 * and added up over the parts, which are independent once the grid is known. O(parts) times what a
 * part takes.
 */
public final class SongGrid {
  /** So many notes are looked at, shared among the parts. */
  private static final int MOST_NOTES = 800;

  private static final int MOST_OF_A_PART = 400;
  private static final int LEAST_OF_A_PART = 60;

  /** How often a part uses all of the song's grid, rather than a coarser one within it. */
  private static final double ALL_OF_IT = 0.5;

  /**
   * How often a part goes its own way, on lines that the song's grid has not; one that uses more
   * lines than that does not: the song's is finer then.
   */
  private static final double OTHERWISE = 0.002;

  /** A part is said to go its own way where that is so much likelier than not. */
  private static final double SURE = 0.9;

  /** Which grids lie within one: all of their lines are lines of it. */
  private static final Map<String, List<String>> WITHIN =
      Map.ofEntries(
          Map.entry("1/4", List.of()),
          Map.entry("1/8", List.of("1/4")),
          Map.entry("1/16", List.of("1/4", "1/8")),
          Map.entry("1/32", List.of("1/4", "1/8", "1/16")),
          Map.entry("1/4T", List.of()),
          Map.entry("1/8T", List.of("1/4", "1/4T")),
          Map.entry("1/16T", List.of("1/4", "1/8", "1/4T", "1/8T")),
          Map.entry("1/8+1/8T", List.of("1/4", "1/8", "1/4T", "1/8T")),
          Map.entry("1/16+1/8T", List.of("1/4", "1/8", "1/16", "1/4T", "1/8T", "1/8+1/8T")),
          Map.entry("1/4:5", List.of("1/4")),
          Map.entry("1/4:7", List.of("1/4")),
          Map.entry("1/8 swung", List.of("1/4")),
          Map.entry("1/16 swung", List.of("1/4", "1/8")));

  private static final double LEAST = 1e-12;

  private final WhichGrid which;

  /** Asks about the grids of a song, by one who judges a part. */
  public SongGrid(WhichGrid which) {
    this.which = which;
  }

  /**
   * What was found.
   *
   * @param song the grids of all parts together, the likeliest first, each with its probability and
   *     its swing; none where no part has two notes
   * @param parts for each part that was asked about, in their order
   */
  public record Found(List<Match> song, List<Part> parts) {
    public Found {
      song = List.copyOf(song);
      parts = List.copyOf(parts);
    }

    /** The grid of one of the parts: the song's, or its own where it goes its own way. */
    public Match of(int part) {
      return parts.get(part).goesOwnWay() ? parts.get(part).own().getFirst() : song.getFirst();
    }
  }

  /**
   * What one part says.
   *
   * @param own the grids by this part alone, the likeliest first; none for fewer than two notes
   * @param goesOwnWay whether it is surely played on a grid that does not lie within the song's
   */
  public record Part(List<Match> own, boolean goesOwnWay) {
    public Part {
      own = List.copyOf(own);
    }
  }

  /**
   * Finds it; the parts are judged side by side, on all processors there are.
   *
   * @param parts the notes of each, in any order; of many, the first are looked at
   */
  public Found find(List<List<Note>> parts, Progress progress) {
    int heard = (int) parts.stream().filter(p -> p.size() > 1).count();
    int most = Math.clamp(MOST_NOTES / Math.max(1, heard), LEAST_OF_A_PART, MOST_OF_A_PART);
    AtomicInteger done = new AtomicInteger();
    Progress together = part -> progress.at(done.get() / (double) parts.size());
    List<List<Match>> weighed =
        parts.parallelStream()
            .map(
                part -> {
                  List<Match> own = which.weighed(part, most, together);
                  done.incrementAndGet();
                  return own;
                })
            .toList();
    List<List<Match>> said = weighed.stream().filter(w -> !w.isEmpty()).toList();
    if (said.isEmpty()) {
      return new Found(List.of(), parts.stream().map(p -> new Part(List.of(), false)).toList());
    }
    List<Match> song = song(said);
    return new Found(song, weighed.stream().map(w -> part(w, song)).toList());
  }

  private static List<Match> song(List<List<Match>> parts) {
    return WhichGrid.ranked(
        IntStream.range(0, parts.getFirst().size())
            .mapToObj(grid -> together(parts, grid, evidence(parts, grid)))
            .toList());
  }

  /**
   * What all parts say for the grid of a song: those ways to play in which none of the coarser
   * grids within it would do for all of them. Two grids at once are that of a song where one part
   * at least is played on both: parts that are played on one each go their own ways.
   */
  private static double evidence(List<List<Match>> parts, int grid) {
    Match match = parts.getFirst().get(grid);
    double all = evidence(parts, grid, n -> true);
    double coarser = 0;
    if (isSum(match)) {
      coarser = Math.exp(evidence(parts, grid, n -> !n.equals(name(match))) - all);
    } else {
      List<String> largest = largestWithin(name(match));
      for (String sub : largest) {
        coarser += Math.exp(evidence(parts, grid, n -> isWithin(n, sub)) - all);
      }
      // Of two, what lies within both was counted twice.
      Predicate<String> inAll = n -> largest.stream().allMatch(sub -> isWithin(n, sub));
      coarser -= largest.size() > 1 ? Math.exp(evidence(parts, grid, inAll) - all) : 0;
    }
    return all + Math.log(Math.max(LEAST, 1 - coarser));
  }

  private static double evidence(List<List<Match>> parts, int grid, Predicate<String> ways) {
    return parts.stream().mapToDouble(p -> evidenceOf(p, grid, ways)).sum();
  }

  /** Of the grids that lie within one, those that lie in no other of them: two at most. */
  private static List<String> largestWithin(String grid) {
    List<String> within = WITHIN.get(grid);
    return within.stream()
        .filter(n -> within.stream().noneMatch(other -> WITHIN.get(other).contains(n)))
        .toList();
  }

  private static boolean isSum(Match match) {
    return match.grid().toString().contains("+");
  }

  private static boolean isWithin(String grid, String other) {
    return grid.equals(other) || WITHIN.get(other).contains(grid);
  }

  /** What a part says for some of the ways in which it may be played in a song on a grid. */
  private static double evidenceOf(List<Match> part, int grid, Predicate<String> ways) {
    double best = part.stream().mapToDouble(Match::evidence).max().orElseThrow();
    List<String> within = WITHIN.get(name(part.get(grid)));
    double whole = within.isEmpty() ? 1 : ALL_OF_IT;
    long others = part.size() - 1L - within.size();
    double sum = 0;
    for (int own = 0; own < part.size(); own++) {
      String named = name(part.get(own));
      if (ways.test(named)) {
        double share =
            own == grid
                ? whole
                : within.contains(named)
                    ? (1 - whole) / within.size()
                    : isWithin(name(part.get(grid)), named) ? 0 : OTHERWISE / others;
        sum += share * Math.exp(part.get(own).evidence() - best);
      }
    }
    return best + Math.log(sum + Double.MIN_NORMAL);
  }

  /** A grid with the lag and the spread of all parts, and the swing of those that swing. */
  private static Match together(List<List<Match>> parts, int grid, double evidence) {
    Match any = parts.getFirst().get(grid);
    double lag = parts.stream().mapToDouble(p -> p.get(grid).lagMs()).average().orElseThrow();
    double spread = parts.stream().mapToDouble(p -> p.get(grid).spreadMs()).average().orElseThrow();
    double swing =
        any.swing() == GridLines.EVEN
            ? GridLines.EVEN
            : parts.stream()
                .max(Comparator.comparingDouble(p -> gain(p, grid)))
                .orElseThrow()
                .get(grid)
                .swing();
    return new Match(any.grid(), swing, lag, spread, evidence, 0);
  }

  /** By how much a grid explains a part better than the coarser ones within it. */
  private static double gain(List<Match> part, int grid) {
    List<String> within = WITHIN.get(name(part.get(grid)));
    double coarser =
        part.stream()
            .filter(m -> within.contains(name(m)))
            .mapToDouble(Match::evidence)
            .max()
            .orElse(Double.NEGATIVE_INFINITY);
    return part.get(grid).evidence() - coarser;
  }

  private static Part part(List<Match> weighed, List<Match> song) {
    if (weighed.isEmpty()) {
      return new Part(List.of(), false);
    }
    List<Match> own = WhichGrid.ranked(weighed);
    String named = name(song.getFirst());
    double inSong =
        own.stream().filter(m -> isWithin(name(m), named)).mapToDouble(Match::probability).sum();
    return new Part(own, (1 - inSong) * OTHERWISE > SURE / (1 - SURE) * inSong);
  }

  private static String name(Match match) {
    return match.swing() == GridLines.EVEN ? match.grid().toString() : match.grid() + " swung";
  }
}
