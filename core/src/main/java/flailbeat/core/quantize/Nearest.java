package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.quantize.lag.FoundLag;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.List;
import java.util.Optional;

/**
 * Rounds every onset, as played, to the nearest line.
 *
 * <p>With normal timing error of mean m and standard deviation s, and lines g apart, a note goes to
 * the line that was meant with probability Phi((g/2 - m)/s) - Phi((-g/2 - m)/s).
 *
 * <p>Two notes of one pitch never come to stand on one line: the first in order of the times as
 * played gets it, unless a later one was played exactly there, and the others stay as played. Since
 * rounding keeps order, it is enough to remember one line for each pitch; the whole takes O(n log
 * n) for n notes, O(n) where they come in order of playing.
 *
 * <p>A note that was put rather than played has no lag: it goes to the line nearest to where it was
 * put, which is none other where it stands on one.
 *
 * <p>Doubt is a plain estimate from the two nearest lines: with d1 and d2 the deviations from them
 * less the lag of all the notes, and s their spread (5 ms at least), the second was meant with
 * probability exp(-d2^2/2s^2) / (exp(-d1^2/2s^2) + exp(-d2^2/2s^2)). It may be over a half: then
 * rounding is likely to be wrong.
 */
public final class Nearest implements Quantizer {
  private final QuantizeSettings settings;
  private final TempoMap tempos;
  private final MeterMap meters;

  public Nearest(QuantizeSettings settings, TempoMap tempos, MeterMap meters) {
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
    double lagMs = lagMs(drafts);
    chooseLines(drafts, lagMs);
    drafts.decide(decided);
    int trimmed = new Settling(drafts, settings, tempos, meters).settle(others);
    return new QuantizePlan(drafts, drafts.measure(tempos), FoundLag.of(lagMs), List.of(), trimmed);
  }

  private double lagMs(Drafts drafts) {
    return switch (settings.lag()) {
      case Lag.Off off -> 0;
      case Lag.Millis given -> given.value();
      case Lag.Auto auto -> {
        chooseLines(drafts, 0);
        yield drafts.measure(tempos).lagMs();
      }
    };
  }

  /** Each note by itself; the notes of a chord that is to keep its spread by their mean. */
  private void chooseLines(Drafts drafts, double lagMs) {
    GridLines.Walker walker =
        new GridLines(settings.grid(), meters, settings.swing(), settings.groove()).walker();
    boolean together = settings.chords() == QuantizeSettings.Chords.KEEP;
    Optional<Events> events = together ? Optional.of(new Events(drafts, tempos)) : Optional.empty();
    for (int i = 0; i < drafts.size(); i++) {
      long played = drafts.playedOnset(i);
      boolean isPut = drafts.isPut(i);
      long freed = lagMs == 0 || isPut ? played : tempos.earlier(played, lagMs);
      if (events.isPresent() && !isPut) {
        double ms = events.get().ms()[events.get().of(i)] - lagMs;
        walker.find(tempos.tickAt(Math.round(ms * 1e6)));
      } else {
        walker.find(freed);
      }
      drafts.choose(i, freed, walker.line(), walker.runnerUp());
    }
  }
}
