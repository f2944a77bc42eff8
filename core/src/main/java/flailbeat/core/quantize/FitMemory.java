package flailbeat.core.quantize;

import flailbeat.core.quantize.fit.Doubts;
import flailbeat.core.quantize.fit.FitSolver;
import flailbeat.core.quantize.fit.Reading;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.Progress;
import java.nio.LongBuffer;
import java.util.List;
import java.util.Optional;

/**
 * Remembers the last phrase that was understood. While only strength, ends, catch range and the
 * like are changed, and wherever the notes stand by now, what was found still holds.
 */
public final class FitMemory {
  private volatile Optional<Answer> last = Optional.empty();

  private record Answer(Question question, Solution solution) {}

  /**
   * What an answer depends on: times with their pitches, as played or put, the lines, the lag, what
   * is in place beside.
   */
  private record Question(
      QuantizeSettings lines,
      TempoMap tempos,
      MeterMap meters,
      InPlace inPlace,
      LongBuffer strokes) {}

  /** What was found. */
  record Solution(
      FitProblem problem,
      List<Reading> readings,
      Doubts doubts,
      List<OtherSwing.Weighed> otherSwings) {}

  /**
   * Understands a phrase of at least one note that was played, or remembers it. Several threads may
   * ask.
   */
  Solution solve(
      QuantizeSettings settings,
      TempoMap tempos,
      MeterMap meters,
      InPlace inPlace,
      Drafts drafts,
      Progress progress) {
    Question asked =
        new Question(
            settings.linesAlone(), tempos, meters, inPlace, LongBuffer.wrap(drafts.strokes()));
    Optional<Answer> known = last.filter(a -> a.question().equals(asked));
    if (known.isPresent()) {
      return known.get().solution();
    }
    FitProblem problem = new FitProblem(settings, tempos, meters, inPlace, drafts);
    FitSolver solver = problem.solver(progress);
    List<Reading> readings = solver.readings();
    Solution solution =
        new Solution(
            problem,
            readings,
            solver.doubts(readings),
            new OtherSwing(settings, tempos, meters).beside(problem, readings.getFirst()));
    last = Optional.of(new Answer(asked, solution));
    return solution;
  }
}
