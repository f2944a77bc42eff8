package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.quantize.fit.FitSolver;
import flailbeat.core.quantize.fit.Reading;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * Ranks grids by how well they explain some notes, swing included.
 *
 * <p>The criterion is the evidence of the most probable reading on each grid ({@link FitSolver}):
 * the probability of all that was heard, where each line is foretold from what was heard before it.
 * A finer grid thereby pays for every line that it has and that is not played on, as in A. P.
 * Dawid, Statistical theory: the prequential approach, Journal of the Royal Statistical Society A
 * 147(2), 1984 (from memory), whose penalty grows as that of the Bayesian information criterion. A
 * swing ratio is one number more, and costs half the logarithm of the number of events, as it does
 * there, and grids that are seldom played on need {@code e}<sup>12</sup> times as much (G. Schwarz,
 * Estimating the dimension of a model, Annals of Statistics 6(2), 1978; from memory). O(n) for each
 * of some thirty candidates, n being {@value #MOST_NOTES} at most.
 */
public final class WhichGrid {
  private static final int MOST_NOTES = 400;

  private static final List<String> EVEN =
      List.of("1/4", "1/8", "1/16", "1/4T", "1/8T", "1/8+1/8T", "1/16+1/8T");

  /** Grids that few parts are played on: the evidence for them has to be that much stronger. */
  private static final List<String> RARE = List.of("1/32", "1/16T", "1/4:5", "1/4:7");

  private static final double RARITY = 12;

  private static final List<String> SWUNG = List.of("1/8", "1/16");
  private static final double ALL = EVEN.size() + RARE.size() + SWUNG.size();
  private static final double[] FIRST_SWINGS = {55, 59, 63, 67, 71, 75};
  private static final double HOPELESS = 25;

  /** So many bars are looked at, and so many notes at least. */
  private static final int BARS = 8;

  private static final int LEAST_NOTES = 32;
  private static final double[] FINER = {-2, -1, 1, 2};

  private final TempoMap tempos;
  private final MeterMap meters;
  private final QuantizeSettings settings;

  /**
   * A grid with how well it explains the notes.
   *
   * @param swing 50 (even) to 75 per cent
   * @param lagMs how late everything is by it; negative is early
   * @param spreadMs how far about that
   * @param evidence the logarithm of the probability of what was heard, up to a constant
   * @param probability among the grids ranked, 0 to 1
   */
  public record Match(
      Grid grid, double swing, double lagMs, double spreadMs, double evidence, double probability) {
    private Match less(double price) {
      return new Match(grid, swing, lagMs, spreadMs, evidence - price, probability);
    }

    private Match withProbability(double value) {
      return new Match(grid, swing, lagMs, spreadMs, evidence, value);
    }

    /** Such as {@code 1/8, 62 % swing}. */
    @Override
    public String toString() {
      return swing == GridLines.EVEN
          ? grid.toString()
          : grid + ", " + Math.round(swing) + " % swing";
    }
  }

  /** Asks about grids for a song of these tempos and meters; of the settings, the lag counts. */
  public WhichGrid(QuantizeSettings settings, TempoMap tempos, MeterMap meters) {
    this.settings = settings.withMethod(QuantizeSettings.Method.FIT).withGroove(Groove.NONE);
    this.tempos = tempos;
    this.meters = meters;
  }

  /**
   * The grids, the likeliest first; none for fewer than two notes.
   *
   * @param notes in any order; of many, the first are looked at
   */
  public List<Match> rank(List<Note> notes) {
    return rank(notes, Progress.NONE);
  }

  /** As {@link #rank(List)}, telling how far it is. */
  public List<Match> rank(List<Note> notes, Progress progress) {
    return ranked(weighed(notes, MOST_NOTES, progress));
  }

  /** Grids by their evidence, the likeliest first, with the probability of each among them. */
  public static List<Match> ranked(List<Match> weighed) {
    List<Match> found = new ArrayList<>(weighed);
    found.sort(Comparator.comparingDouble(Match::evidence).reversed());
    double best = found.isEmpty() ? 0 : found.getFirst().evidence();
    double sum = found.stream().mapToDouble(m -> Math.exp(m.evidence() - best)).sum();
    return found.stream().map(m -> m.withProbability(Math.exp(m.evidence() - best) / sum)).toList();
  }

  /** Each grid with its evidence, in a fixed order; none for fewer than two notes. */
  public List<Match> weighed(List<Note> notes, int most, Progress progress) {
    if (notes.size() < 2) {
      return List.of();
    }
    List<Note> looked = beginning(notes, most);
    List<Match> found = new ArrayList<>();
    for (String grid : EVEN) {
      progress.at(found.size() / ALL);
      found.add(match(looked, Grid.parse(grid), GridLines.EVEN));
    }
    for (String grid : RARE) {
      progress.at(found.size() / ALL);
      found.add(match(looked, Grid.parse(grid), GridLines.EVEN).less(RARITY));
    }
    double even = found.stream().mapToDouble(Match::evidence).max().orElseThrow();
    for (String grid : SWUNG) {
      progress.at(found.size() / ALL);
      found.add(swung(looked, Grid.parse(grid), even - HOPELESS));
    }
    return found;
  }

  /** Of a few bars, since swing may change later; of more, where these have few notes. */
  private List<Note> beginning(List<Note> notes, int most) {
    List<Note> all =
        notes.stream().sorted(Note.BY_PLAYING).limit(most).map(WhichGrid::asPlayed).toList();
    int bar = meters.barAt(Math.max(0, all.getFirst().played().onset()));
    long end = meters.barStart(bar + BARS);
    int n = Math.min(LEAST_NOTES, all.size());
    while (n < all.size() && all.get(n).played().onset() < end) {
      n++;
    }
    return all.subList(0, n);
  }

  /** What was put tells of the grid as well, and is heard like the rest. */
  public static Note asPlayed(Note note) {
    Played played = Played.within(note.played().onset(), note.played().release());
    return Note.asPlayed(note.id(), note.pitch(), note.velocity(), played);
  }

  /**
   * The grid with the swing that explains the notes best: sought coarsely, then finely.
   *
   * @param least what comes to less is not worth being sought finely
   */
  private Match swung(List<Note> notes, Grid grid, double least) {
    Match coarse = best(Arrays.stream(FIRST_SWINGS).mapToObj(s -> match(notes, grid, s)));
    if (coarse.evidence() < least) {
      return coarse;
    }
    Stream<Match> finer =
        Arrays.stream(FINER)
            .map(d -> coarse.swing() + d)
            .filter(s -> s <= GridLines.MOST_SWING)
            .mapToObj(s -> match(notes, grid, s));
    return best(Stream.concat(Stream.of(coarse), finer));
  }

  private static Match best(Stream<Match> matches) {
    return matches.max(Comparator.comparingDouble(Match::evidence)).orElseThrow();
  }

  /** How well a grid with a swing explains notes in order of their playing; two at least. */
  public Match match(List<Note> notes, Grid grid, double swing) {
    FitProblem problem =
        new FitProblem(
            settings.withGrid(grid).withSwing(swing),
            tempos,
            meters,
            InPlace.NOTHING,
            new Drafts(notes));
    Reading reading = problem.solver(Progress.NONE).readings().get(0);
    double price = swing == GridLines.EVEN ? 0 : Math.log(problem.eventCount()) / 2;
    return new Match(
        grid, swing, reading.meanLagMs(), reading.spreadMs(), reading.evidence() - price, 0);
  }
}
