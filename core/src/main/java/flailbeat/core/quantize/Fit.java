package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.QuantizePlan.WholeReading;
import flailbeat.core.quantize.fit.FitSolver;
import flailbeat.core.quantize.fit.Reading;
import flailbeat.core.quantize.lag.FoundLag;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Chooses the most probable lines for a whole performance; see {@link FitSolver} for the model, its
 * sources and its cost. The lag is found from the notes, and follows a player who drifts; a lag
 * that is given in the settings, or off, is taken to be known to some {@value #KNOWN_MS} ms.
 *
 * <p>A note that was put rather than played is neither weighed nor moved; where the rhythm of what
 * was put foretells that of what was played, it helps to understand it.
 *
 * <p>Notes struck within {@value Events#CHORD_MS} ms are one event and go to one line, but for a
 * pitch that is struck again. Two notes of one pitch never come to stand on one line: where there
 * is no room the later one stays as played.
 */
public final class Fit implements Quantizer {
  /** How uncertain a lag is that is given, as a standard deviation. */
  static final double KNOWN_MS = 8;

  private final QuantizeSettings settings;
  private final TempoMap tempos;
  private final MeterMap meters;
  private final InPlace inPlace;
  private final FitMemory memory;
  private final Progress progress;

  public Fit(QuantizeSettings settings, TempoMap tempos, MeterMap meters) {
    this(settings, tempos, meters, InPlace.NOTHING, new FitMemory(), Progress.NONE);
  }

  /**
   * Within a song, and with what was found before: where only strength and the like have changed,
   * it still holds.
   */
  public Fit(
      QuantizeSettings settings,
      TempoMap tempos,
      MeterMap meters,
      InPlace inPlace,
      FitMemory memory,
      Progress progress) {
    this.inPlace = inPlace;
    this.progress = progress;
    this.memory = memory;
    this.settings = settings;
    this.tempos = tempos;
    this.meters = meters;
  }

  @Override
  public QuantizePlan plan(
      List<Note> notes, List<Note> others, Decisions decided, ProgramBounds bounds) {
    if (notes.isEmpty()) {
      return QuantizePlan.NONE;
    }
    Drafts drafts = Drafts.inOrder(notes);
    drafts.keepWithin(bounds);
    if (drafts.performed().size() == 0) {
      drafts.setDoubts(new double[drafts.size()]);
      return settled(drafts, decided, others, FoundLag.NONE, List.of());
    }
    FitMemory.Solution found = memory.solve(settings, tempos, meters, inPlace, drafts, progress);
    Reading best = found.readings().get(0);
    double[] ofNotes = new double[drafts.size()];
    int next = 0;
    for (int i = 0; i < drafts.size(); i++) {
      if (drafts.isPut(i)) {
        continue;
      }
      int event = found.problem().event(next++);
      drafts.choose(
          i,
          tempos.earlier(drafts.playedOnset(i), takenOutMs(best.lagMs()[event])),
          found.problem().tick(best.slot()[event]),
          found.problem().tick(found.doubts().other()[event]));
      ofNotes[i] = found.doubts().doubt()[event];
    }
    drafts.setDoubts(ofNotes);
    FoundLag lag = new FoundLag(takenOutMs(best.meanLagMs()), found.problem().prior());
    return settled(drafts, decided, others, lag, whole(found));
  }

  /** What was put rather than played stays where it is: the others settle around it. */
  private QuantizePlan settled(
      Drafts drafts,
      Decisions decided,
      List<Note> others,
      FoundLag lag,
      List<WholeReading> readings) {
    GridLines.Walker walker =
        new GridLines(settings.grid(), meters, settings.swing(), settings.groove()).walker();
    for (int i = 0; i < drafts.size(); i++) {
      if (drafts.isPut(i)) {
        walker.find(drafts.playedOnset(i));
        drafts.choose(i, drafts.playedOnset(i), drafts.playedOnset(i), walker.line());
      }
    }
    drafts.decide(decided);
    int trimmed = new Settling(drafts, settings, tempos, meters).settle(others);
    return new QuantizePlan(drafts, drafts.measure(tempos), lag, readings, trimmed);
  }

  private double takenOutMs(double found) {
    return switch (settings.lag()) {
      case Lag.Auto auto -> found;
      case Lag.Off off -> 0;
      case Lag.Millis given -> given.value();
    };
  }

  /**
   * The ways to understand the whole, the one taken first: readings that put it in the same place
   * are one, and differ in what is the doubt of single notes. Those on other lines have their share
   * of all.
   */
  private static List<WholeReading> whole(FitMemory.Solution found) {
    Reading best = found.readings().getFirst();
    Map<Integer, WholeReading> places = new LinkedHashMap<>();
    for (Reading reading : found.readings()) {
      int slots = reading.slotsFrom(best);
      places.merge(
          slots,
          new WholeReading(reading.meanLagMs(), reading.weight(), slots),
          (a, b) -> new WholeReading(a.lagMs(), a.weight() + b.weight(), slots));
    }
    double own = 1 - found.otherSwings().stream().mapToDouble(OtherSwing.Weighed::weight).sum();
    Stream<WholeReading> here = places.values().stream().map(r -> r.scaledBy(own));
    Stream<WholeReading> elsewhere =
        found.otherSwings().stream()
            .map(o -> new WholeReading(o.lagMs(), o.weight(), 0, Optional.of(o.lines())));
    List<WholeReading> all = new ArrayList<>(Stream.concat(here, elsewhere).toList());
    all.subList(1, all.size()).sort(Comparator.comparingDouble(WholeReading::weight).reversed());
    return all;
  }
}
