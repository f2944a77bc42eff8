package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.fit.Doubts;
import flailbeat.core.quantize.fit.FitSolver;
import flailbeat.core.quantize.fit.Reading;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.List;

/**
 * Chooses the most probable lines for a whole performance; see {@link FitSolver} for the model, its
 * sources and its cost. The lag is found from the notes, and follows a player who drifts; a lag
 * that is given in the settings is taken to be known to some {@value #KNOWN_MS} ms.
 *
 * <p>Notes struck within {@value GridSlots#CHORD_MS} ms, of different pitches, are one event and go
 * to one line. Two notes of one pitch never come to stand on one line: where there is no room the
 * later one stays as played.
 */
public final class Fit implements Quantizer {
  /** Before anything is known: a little late, since a computer's keys and sound take time. */
  static final double USUAL_LAG_MS = 10;

  /** A person is rarely more than some 60 ms off: the spread of lags before anything is known. */
  static final double USUAL_LAG_SPREAD_MS = 36;

  private static final double KNOWN_MS = 8;

  private final QuantizeSettings settings;
  private final TempoMap tempos;
  private final MeterMap meters;
  private final GridLines lines;

  public Fit(QuantizeSettings settings, TempoMap tempos, MeterMap meters) {
    this.settings = settings;
    this.tempos = tempos;
    this.meters = meters;
    this.lines = new GridLines(settings.grid(), meters, settings.swing());
  }

  @Override
  public QuantizePlan plan(List<Note> notes, List<Note> others) {
    if (notes.isEmpty()) {
      return QuantizePlan.NONE;
    }
    Drafts drafts = Drafts.inOrder(notes);
    GridSlots grid = new GridSlots(settings, tempos, meters, drafts);
    FitSolver solver =
        new FitSolver(
            grid.eventsMs(), grid.sharesPitch(), grid.slots(), givenLagMs(), lagSpreadMs());
    List<Reading> readings = solver.readings();
    Reading best = readings.get(0);
    Doubts doubts = solver.doubts(readings);
    double[] ofNotes = new double[drafts.size()];
    for (int i = 0; i < drafts.size(); i++) {
      int event = grid.eventOf(i);
      long freed = tempos.earlier(drafts.played(i).onset(), best.lagMs()[event]);
      long line = grid.tick(best.slot()[event]);
      long other =
          doubts.other()[event] == best.slot()[event] ? line : grid.tick(doubts.other()[event]);
      drafts.choose(
          i,
          freed,
          line,
          other == line ? nextTo(freed, line) : other,
          settings.strength() / 100,
          reach());
      ofNotes[i] = doubts.doubt()[event];
    }
    drafts.setDoubts(ofNotes);
    drafts.settle(others, settings, lines);
    return new QuantizePlan(drafts, drafts.measure(tempos), best.meanLagMs(), others(readings));
  }

  /** The line next to the chosen one, for want of a runner-up. */
  private long nextTo(long freed, long line) {
    GridLines.Nearest near = lines.nearestTwo(freed);
    return near.line() == line ? near.runnerUp() : near.line();
  }

  /** All notes are within reach when the catch range is 100 per cent: Fit knows better. */
  private double reach() {
    return settings.catchRange() >= 100 ? Double.POSITIVE_INFINITY : settings.catchRange() / 200;
  }

  private static List<QuantizePlan.OtherReading> others(List<Reading> readings) {
    return readings.stream()
        .skip(1)
        .filter(r -> r.weight() >= QuantizePlan.PLAUSIBLE)
        .map(r -> new QuantizePlan.OtherReading(r.meanLagMs(), r.weight()))
        .toList();
  }

  private double givenLagMs() {
    return settings.lag() instanceof Lag.Millis given ? given.value() : USUAL_LAG_MS;
  }

  private double lagSpreadMs() {
    return settings.lag() instanceof Lag.Millis ? KNOWN_MS : USUAL_LAG_SPREAD_MS;
  }
}
