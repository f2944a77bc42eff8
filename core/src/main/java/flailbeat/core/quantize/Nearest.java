package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.Comparator;
import java.util.List;

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
 * <p>Doubt is a plain estimate from the two nearest lines: with d1 and d2 the deviations from them
 * less the lag of all the notes, and s their spread (5 ms at least), the second was meant with
 * probability exp(-d2^2/2s^2) / (exp(-d1^2/2s^2) + exp(-d2^2/2s^2)). It may be over a half: then
 * rounding is likely to be wrong.
 */
public final class Nearest {
  private static final Comparator<Note> AS_PLAYED =
      (a, b) -> {
        int order = Long.compare(a.played().onset(), b.played().onset());
        return order != 0 ? order : Note.ORDER.compare(a, b);
      };

  private final QuantizeSettings settings;
  private final TempoMap tempos;
  private final GridLines lines;

  public Nearest(QuantizeSettings settings, TempoMap tempos, MeterMap meters) {
    this.settings = settings;
    this.tempos = tempos;
    this.lines = new GridLines(settings.grid(), meters, settings.swing());
  }

  /**
   * Plans where notes of one track go.
   *
   * @param notes those to quantize, in any order
   * @param others the track's other notes, which keep their places
   */
  public QuantizePlan plan(List<Note> notes, List<Note> others) {
    if (notes.isEmpty()) {
      return QuantizePlan.NONE;
    }
    Drafts drafts = new Drafts(inOrder(notes));
    double lagMs = lagMs(drafts);
    chooseLines(drafts, lagMs);
    drafts.giveEachLineOnce();
    drafts.keepClearOfThoseThatStay(others);
    drafts.keepLengths();
    if (settings.ends() == QuantizeSettings.Ends.SNAP) {
      snapEnds(drafts);
    }
    return new QuantizePlan(drafts, drafts.measure(tempos), lagMs);
  }

  private static List<Note> inOrder(List<Note> notes) {
    for (int i = 1; i < notes.size(); i++) {
      if (AS_PLAYED.compare(notes.get(i - 1), notes.get(i)) > 0) {
        return notes.stream().sorted(AS_PLAYED).toList();
      }
    }
    return notes;
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

  private void chooseLines(Drafts drafts, double lagMs) {
    GridLines.Walker walker = lines.walker();
    double strength = settings.strength() / 100;
    double reach = settings.catchRange() / 200;
    for (int i = 0; i < drafts.size(); i++) {
      long played = drafts.played(i).onset();
      long freed = lagMs == 0 ? played : earlier(played, lagMs);
      walker.find(freed);
      drafts.choose(i, freed, walker.line(), walker.runnerUp(), strength, reach);
    }
  }

  private long earlier(long tick, double millis) {
    return tempos.tickAt(tempos.nanosAt(tick) - Math.round(millis * 1e6));
  }

  private void snapEnds(Drafts drafts) {
    double strength = settings.strength() / 100;
    long least = Math.round(settings.grid().finestTicks() * strength);
    GridLines.Walker walker = lines.walker();
    for (int i = 0; i < drafts.size(); i++) {
      long release = drafts.freedRelease(i);
      walker.find(release);
      drafts.endAt(i, Math.round(release + (walker.line() - release) * strength), least);
    }
  }
}
