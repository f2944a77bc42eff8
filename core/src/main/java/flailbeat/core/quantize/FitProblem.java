package flailbeat.core.quantize;

import flailbeat.core.quantize.fit.FitSolver;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.quantize.lag.LagPrior;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;

/**
 * Notes and a grid, as {@link FitSolver} wants them: those that were played as events in time, and
 * slots, those on which a note was put being anchors, with what other parts have in place beside.
 */
final class FitProblem {
  private final QuantizeSettings settings;
  private final InPlace inPlace;
  private final Drafts performed;
  private final Events events;
  private final GridSlots grid;

  /** Of at least one note that was played. */
  FitProblem(
      QuantizeSettings settings, TempoMap tempos, MeterMap meters, InPlace inPlace, Drafts drafts) {
    this.settings = settings;
    this.inPlace = inPlace;
    performed = drafts.performed();
    events = new Events(performed, tempos);
    grid = new GridSlots(settings, tempos, meters, drafts, inPlace.onsets());
  }

  /** The notes that were played. */
  Drafts performed() {
    return performed;
  }

  /** The event that a note belongs to, in the order of those that were played. */
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
    return new FitSolver(events.ms(), events.sharesPitch(), grid.slots(), prior(), progress);
  }

  /** What is expected of the lag. */
  LagPrior prior() {
    return switch (settings.lag()) {
      case Lag.Auto auto -> inPlace.expected(auto.prior());
      case Lag.Off off -> LagPrior.given(0, Fit.KNOWN_MS);
      case Lag.Millis given -> LagPrior.given(given.value(), Fit.KNOWN_MS);
    };
  }
}
