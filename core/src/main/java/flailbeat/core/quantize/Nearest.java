package flailbeat.core.quantize;

import flailbeat.core.model.Note;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.quantize.NotePlan.Outcome;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

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
      Comparator.comparingLong((Note n) -> n.played().onset()).thenComparing(Note.ORDER);
  private static final double LEAST_SPREAD_MS = 5;

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
    List<Note> inOrder = new ArrayList<>(notes);
    inOrder.sort(AS_PLAYED);
    double lagMs = lagMs(inOrder);
    List<Draft> drafts = new ArrayList<>(inOrder.size());
    for (Note note : inOrder) {
      drafts.add(draft(note, lagMs));
    }
    giveEachLineOnce(drafts);
    keepClearOfThoseThatStay(drafts, others);
    return finish(drafts, lagMs);
  }

  private double lagMs(List<Note> notes) {
    return switch (settings.lag()) {
      case Lag.Off off -> 0;
      case Lag.Millis given -> given.value();
      case Lag.Auto auto -> Timing.of(deviations(notes)).lagMs();
    };
  }

  private double[] deviations(List<Note> notes) {
    return notes.stream()
        .mapToDouble(
            n -> tempos.millisBetween(lines.nearest(n.played().onset()), n.played().onset()))
        .toArray();
  }

  private Draft draft(Note note, double lagMs) {
    long played = note.played().onset();
    long freed = lagMs == 0 ? played : earlier(played, lagMs);
    GridLines.Nearest nearest = lines.nearestTwo(freed);
    Draft draft = new Draft(note, freed, Math.max(0, nearest.line()), nearest.runnerUp());
    draft.onset = Math.round(freed + (draft.line - freed) * settings.strength() / 100);
    double reach = Math.abs(draft.line - draft.otherLine) / 2.0 * settings.catchRange() / 100;
    if (Math.abs(freed - draft.line) > reach) {
      draft.stay(Outcome.OUT_OF_CATCH);
    }
    return draft;
  }

  private long earlier(long tick, double millis) {
    return tempos.tickAt(tempos.nanosAt(tick) - Math.round(millis * 1e6));
  }

  private static void giveEachLineOnce(List<Draft> drafts) {
    Draft[] holders = new Draft[Pitch.HIGHEST + 1];
    for (Draft draft : drafts) {
      if (draft.outcome != Outcome.TO_LINE) {
        continue;
      }
      Draft holder = holders[draft.note.pitch()];
      if (holder == null || holder.line != draft.line) {
        holders[draft.note.pitch()] = draft;
      } else if (draft.playedOnset() == draft.line && holder.playedOnset() != draft.line) {
        holder.stay(Outcome.LINE_TAKEN);
        holders[draft.note.pitch()] = draft;
      } else {
        draft.stay(Outcome.LINE_TAKEN);
      }
    }
  }

  /** A note that moves must not land on one of its pitch that does not; then it stays as well. */
  private static void keepClearOfThoseThatStay(List<Draft> drafts, List<Note> others) {
    Set<Long> places = new HashSet<>();
    others.forEach(n -> places.add(place(n.pitch(), n.onset())));
    for (Draft d : drafts) {
      if (d.outcome != Outcome.TO_LINE) {
        places.add(d.place());
      }
    }
    boolean again = !places.isEmpty();
    while (again) {
      again = false;
      for (Draft d : drafts) {
        if (d.outcome == Outcome.TO_LINE && places.contains(d.place())) {
          d.stay(Outcome.LINE_TAKEN);
          places.add(d.place());
          again = true;
        }
      }
    }
  }

  private static long place(int pitch, long onset) {
    return onset << 7 | pitch;
  }

  private QuantizePlan finish(List<Draft> drafts, double lagMs) {
    double[] deviations =
        drafts.stream().mapToDouble(d -> tempos.millisBetween(d.line, d.playedOnset())).toArray();
    Timing timing = Timing.of(deviations);
    double spread = Math.max(LEAST_SPREAD_MS, timing.spreadMs());
    List<NotePlan> plans = new ArrayList<>(drafts.size());
    for (Draft d : drafts) {
      plans.add(
          new NotePlan(
              d.note,
              d.line,
              d.otherLine,
              Math.max(0, d.onset),
              length(d),
              d.outcome,
              doubt(d, timing.lagMs(), spread)));
    }
    return new QuantizePlan(plans, timing, lagMs);
  }

  private long length(Draft d) {
    Note note = d.note;
    if (d.outcome != Outcome.TO_LINE) {
      return Math.max(1, note.played().release() - Math.max(0, note.played().onset()));
    }
    if (settings.ends() == QuantizeSettings.Ends.KEEP) {
      return Math.max(1, note.played().length() + Math.min(0, d.onset));
    }
    long release = note.played().release() + d.freed - note.played().onset();
    long line = lines.nearest(release);
    long end = Math.round(release + (line - release) * settings.strength() / 100);
    long least = Math.round(settings.grid().finestTicks() * settings.strength() / 100);
    return Math.max(1, Math.max(end - Math.max(0, d.onset), least));
  }

  private double doubt(Draft d, double lagMs, double spreadMs) {
    double first = (tempos.millisBetween(d.line, d.playedOnset()) - lagMs) / spreadMs;
    double second = (tempos.millisBetween(d.otherLine, d.playedOnset()) - lagMs) / spreadMs;
    return 1 / (1 + Math.exp((second * second - first * first) / 2));
  }

  /** A note on its way to a plan. */
  private static final class Draft {
    private final Note note;
    private final long freed;
    private final long line;
    private final long otherLine;
    private long onset;
    private Outcome outcome = Outcome.TO_LINE;

    Draft(Note note, long freed, long line, long otherLine) {
      this.note = note;
      this.freed = freed;
      this.line = line;
      this.otherLine = otherLine;
    }

    long playedOnset() {
      return note.played().onset();
    }

    long place() {
      return Nearest.place(note.pitch(), Math.max(0, onset));
    }

    void stay(Outcome why) {
      outcome = why;
      onset = playedOnset();
    }
  }
}
