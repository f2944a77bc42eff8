package flailbeat.core.quantize;

import flailbeat.core.quantize.fit.FitSolver;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;

/** Notes and a grid, as {@link FitSolver} wants them: events in time, and slots. */
final class FitProblem {
  /** Before anything is known: a little late, since a computer's keys and sound take time. */
  private static final double USUAL_LAG_MS = 10;

  /** A person is rarely more than some 60 ms off: the spread of lags before anything is known. */
  private static final double USUAL_LAG_SPREAD_MS = 36;

  /** With the offset that was calibrated taken off, most of it is gone. */
  private static final double CALIBRATED_SPREAD_MS = 20;

  private final QuantizeSettings settings;
  private final Events events;
  private final GridSlots grid;

  /** Of at least one note. */
  FitProblem(QuantizeSettings settings, TempoMap tempos, MeterMap meters, Drafts drafts) {
    this.settings = settings;
    events = new Events(drafts, tempos);
    grid = new GridSlots(settings, tempos, meters, drafts);
  }

  /** The event that a note, in the order of the drafts, belongs to. */
  int event(int note) {
    return events.of(note);
  }

  int eventCount() {
    return events.ms().length;
  }

  /** The tick at which a slot stands. */
  long tick(int slot) {
    return grid.tick(slot);
  }

  FitSolver solver(Progress progress) {
    return new FitSolver(
        events.ms(), events.sharesPitch(), grid.slots(), likelyLagMs(), lagSpreadMs(), progress);
  }

  private double likelyLagMs() {
    return switch (settings.lag()) {
      case Lag.Auto auto -> auto.calibrated() ? 0 : USUAL_LAG_MS;
      case Lag.Off off -> 0;
      case Lag.Millis given -> given.value();
    };
  }

  private double lagSpreadMs() {
    return switch (settings.lag()) {
      case Lag.Auto auto -> auto.calibrated() ? CALIBRATED_SPREAD_MS : USUAL_LAG_SPREAD_MS;
      case Lag.Off off -> Fit.KNOWN_MS;
      case Lag.Millis given -> Fit.KNOWN_MS;
    };
  }
}
