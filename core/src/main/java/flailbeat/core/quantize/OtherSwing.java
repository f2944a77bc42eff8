package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.fit.Reading;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Whether a phrase swings otherwise than its lines do: the swing that its own off-beats speak for,
 * weighed beside that of the lines by {@link WhichGrid}'s evidence. Where sixteenths are asked for
 * it may be eighths that swing, and the other way about. What it costs does not grow with the
 * phrase: {@value #MOST_NOTES} notes at most are looked at.
 */
final class OtherSwing {
  private static final List<Grid> SWINGING =
      List.of(Grid.of(NoteValue.straight(8)), Grid.of(NoteValue.straight(16)));

  /** A swing that differs by less from that of the lines is the spread of the hand. */
  private static final double APART = 4;

  /** Nobody means so little swing. */
  private static final double LEAST = 54;

  /** So many parts in five swing. */
  private static final double SWUNG = 0.2;

  /** Between beat and off-beat of a swung pair hardly anything is played. */
  private static final double BETWEEN = 0.1;

  private static final double FIRST_OFF_BEAT = 0.45;
  private static final double LAST_OFF_BEAT = 0.8;
  private static final int LEAST_OFF_BEATS = 2;

  /** Off-beats that are spread so many times as wide as beats, and so much, are of two kinds. */
  private static final double LOOSER = 2;

  private static final double LOOSE = 0.01;

  private static final int WINDOWS = 3;
  private static final int WINDOW_NOTES = 64;
  private static final int MOST_NOTES = WINDOWS * WINDOW_NOTES;

  /** A part of the phrase that speaks so much against it has a swing of its own. */
  private static final double AGAINST = 3;

  private final QuantizeSettings settings;
  private final TempoMap tempos;
  private final MeterMap meters;
  private final WhichGrid which;

  OtherSwing(QuantizeSettings settings, TempoMap tempos, MeterMap meters) {
    this.settings = settings;
    this.tempos = tempos;
    this.meters = meters;
    which = new WhichGrid(settings, tempos, meters);
  }

  /**
   * Lines that the phrase may be meant for instead.
   *
   * @param lagMs how late everything would then have been; negative is early
   * @param weight how probable they are, 0 to 1, those of the settings taking what is left
   */
  record Weighed(QuantizePlan.Lines lines, double lagMs, double weight) {}

  /** Such lines, before they are weighed against each other. */
  private record Candidate(WhichGrid.Match match, double gain) {
    Weighed amongst(List<Candidate> all) {
      double most = Math.max(0, all.stream().mapToDouble(Candidate::gain).max().orElse(0));
      double sum = Math.exp(-most) + all.stream().mapToDouble(c -> Math.exp(c.gain() - most)).sum();
      double weight = Math.exp(gain - most) / sum;
      QuantizePlan.Lines lines = new QuantizePlan.Lines(match.grid(), match.swing());
      return new Weighed(lines, match.lagMs(), weight);
    }
  }

  /**
   * Those lines; none with a groove, or where notes stand as the lines do.
   *
   * @param best how they were understood on the lines of the settings
   */
  List<Weighed> beside(FitProblem problem, Reading best) {
    if (!SWINGING.contains(settings.grid()) || !settings.groove().slots().isEmpty()) {
      return List.of();
    }
    List<TickRange> windows = windows(problem.performed().size());
    List<Candidate> found = new ArrayList<>();
    for (Grid grid : SWINGING) {
      double own = ownSwing(grid);
      double swing = swingOf(grid, windows, problem, best);
      if (Math.abs(swing - own) >= APART) {
        weigh(grid, swing, windows, problem.performed()).ifPresent(found::add);
      }
    }
    return found.stream().map(c -> c.amongst(found)).toList();
  }

  private double ownSwing(Grid grid) {
    return grid.equals(settings.grid()) ? settings.swing() : GridLines.EVEN;
  }

  /** Empty where a part of the phrase has a swing of its own. */
  private Optional<Candidate> weigh(
      Grid grid, double swing, List<TickRange> windows, Drafts drafts) {
    double gain = odds(swing) - odds(settings.swing());
    List<WhichGrid.Match> matches = new ArrayList<>();
    for (TickRange window : windows) {
      List<Note> notes =
          IntStream.range((int) window.start(), (int) window.end()).mapToObj(drafts::note).toList();
      WhichGrid.Match own = which.match(notes, settings.grid(), settings.swing());
      WhichGrid.Match other = which.match(notes, grid, swing);
      double better = other.evidence() - own.evidence();
      if (better < -AGAINST) {
        return Optional.empty();
      }
      gain += better;
      matches.add(other);
    }
    return Optional.of(new Candidate(matches.getFirst(), gain));
  }

  /** Before anything is heard. */
  private static double odds(double swing) {
    return Math.log(swing == GridLines.EVEN ? 1 - SWUNG : SWUNG);
  }

  /** Of a phrase its beginning, middle and end, by the numbers of its notes; all of a short one. */
  private static List<TickRange> windows(int notes) {
    if (notes <= MOST_NOTES) {
      return List.of(new TickRange(0, notes));
    }
    return IntStream.range(0, WINDOWS)
        .mapToLong(i -> (long) i * (notes - WINDOW_NOTES) / (WINDOWS - 1))
        .mapToObj(from -> new TickRange(from, from + WINDOW_NOTES))
        .toList();
  }

  /**
   * Where in a pair of steps the off-beats were played, from the beats on: the difference of two
   * means. The swing of the lines where there are too few of them, where they are of two kinds, or
   * where what lies between is played on too.
   */
  private double swingOf(Grid grid, List<TickRange> windows, FitProblem problem, Reading best) {
    Drafts drafts = problem.performed();
    long pair = 2 * grid.finestTicks();
    List<Double> beats = new ArrayList<>();
    List<Double> offBeats = new ArrayList<>();
    int between = 0;
    for (TickRange window : windows) {
      for (int i = (int) window.start(); i < window.end(); i++) {
        int event = problem.event(i);
        long line = problem.tick(best.slot()[event]);
        long inPair = (line - meters.barRangeAt(line).start()) % pair;
        long played = tempos.earlier(drafts.playedOnset(i), best.lagMs()[event]);
        double away = (double) (played - (line - inPair)) / pair;
        if (inPair == 0) {
          beats.add(away);
        } else if (inPair >= FIRST_OFF_BEAT * pair && inPair <= LAST_OFF_BEAT * pair) {
          offBeats.add(away);
        } else {
          between++;
        }
      }
    }
    if (beats.isEmpty()
        || offBeats.size() < LEAST_OFF_BEATS
        || between > BETWEEN * (beats.size() + offBeats.size())) {
      return ownSwing(grid);
    }
    if (spread(offBeats) > LOOSER * spread(beats) + LOOSE) {
      return ownSwing(grid);
    }
    double percent = Math.rint(100 * (middle(offBeats) - middle(beats)));
    return percent < LEAST ? GridLines.EVEN : Math.min(GridLines.MOST_SWING, percent);
  }

  /** The mean of those that do not lie far out. */
  private static double middle(List<Double> values) {
    return Arrays.stream(Robust.inliers(array(values), 0)).average().orElseThrow();
  }

  private static double spread(List<Double> values) {
    return Timing.of(array(values)).spreadMs();
  }

  private static double[] array(List<Double> values) {
    return values.stream().mapToDouble(Double::doubleValue).toArray();
  }
}
