package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.model.NoteId;
import flailbeat.core.quantize.fit.Doubts;
import flailbeat.core.quantize.fit.FitSolver;
import flailbeat.core.quantize.fit.Reading;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.List;
import java.util.Map;

/**
 * Chooses the most probable lines for a whole performance; see {@link FitSolver} for the model, its
 * sources and its cost. The lag is found from the notes, and follows a player who drifts; a lag
 * that is given in the settings, or off, is taken to be known to some {@value #KNOWN_MS} ms.
 *
 * <p>Notes struck within {@value Events#CHORD_MS} ms, of different pitches, are one event and go to
 * one line. Two notes of one pitch never come to stand on one line: where there is no room the
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

  public Fit(QuantizeSettings settings, TempoMap tempos, MeterMap meters) {
    this.settings = settings;
    this.tempos = tempos;
    this.meters = meters;
  }

  @Override
  public QuantizePlan plan(List<Note> notes, List<Note> others, Map<NoteId, Long> decided) {
    if (notes.isEmpty()) {
      return QuantizePlan.NONE;
    }
    Drafts drafts = Drafts.inOrder(notes);
    Events events = new Events(drafts, tempos);
    GridSlots grid = new GridSlots(settings, tempos, meters, drafts);
    FitSolver solver =
        new FitSolver(
            events.ms(), events.sharesPitch(), grid.slots(), likelyLagMs(), lagSpreadMs());
    List<Reading> readings = solver.readings();
    Reading best = readings.get(0);
    Doubts doubts = solver.doubts(readings);
    double[] ofNotes = new double[drafts.size()];
    for (int i = 0; i < drafts.size(); i++) {
      int event = events.of(i);
      drafts.choose(
          i,
          tempos.earlier(drafts.played(i).onset(), takenOutMs(best.lagMs()[event])),
          grid.tick(best.slot()[event]),
          grid.tick(doubts.other()[event]));
      ofNotes[i] = doubts.doubt()[event];
    }
    drafts.setDoubts(ofNotes);
    drafts.decide(decided);
    int trimmed = new Settling(drafts, settings, tempos, meters).settle(others);
    return new QuantizePlan(
        drafts, drafts.measure(tempos), takenOutMs(best.meanLagMs()), others(readings), trimmed);
  }

  private double takenOutMs(double found) {
    return switch (settings.lag()) {
      case Lag.Auto auto -> found;
      case Lag.Off off -> 0;
      case Lag.Millis given -> given.value();
    };
  }

  private static List<QuantizePlan.OtherReading> others(List<Reading> readings) {
    return readings.stream()
        .skip(1)
        .filter(r -> r.weight() >= QuantizePlan.PLAUSIBLE)
        .map(r -> new QuantizePlan.OtherReading(r.meanLagMs(), r.weight()))
        .toList();
  }

  private double likelyLagMs() {
    return switch (settings.lag()) {
      case Lag.Auto auto -> USUAL_LAG_MS;
      case Lag.Off off -> 0;
      case Lag.Millis given -> given.value();
    };
  }

  private double lagSpreadMs() {
    return settings.lag() instanceof Lag.Auto ? USUAL_LAG_SPREAD_MS : KNOWN_MS;
  }
}
