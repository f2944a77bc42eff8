package flailbeat.core.quantize;

import flailbeat.core.quantize.fit.Doubts;
import flailbeat.core.quantize.fit.FitSolver;
import flailbeat.core.quantize.fit.Reading;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.nio.LongBuffer;
import java.util.List;
import java.util.Optional;

/**
 * Remembers the last phrase that was understood. While only strength, ends, catch range and the
 * like are changed, and wherever the notes stand by now, what was found still holds.
 */
public final class FitMemory {
  private Optional<Question> question = Optional.empty();
  private Solution solution;

  /** What an answer depends on: times as played with their pitches, the lines, the lag. */
  private record Question(
      QuantizeSettings lines, TempoMap tempos, MeterMap meters, LongBuffer strokes) {}

  /** What was found. */
  record Solution(FitProblem problem, List<Reading> readings, Doubts doubts) {}

  /** Understands a phrase of at least one note, or remembers it. */
  Solution solve(QuantizeSettings settings, TempoMap tempos, MeterMap meters, Drafts drafts) {
    Question asked =
        new Question(settings.linesAlone(), tempos, meters, LongBuffer.wrap(drafts.strokes()));
    if (question.filter(asked::equals).isEmpty()) {
      FitProblem problem = new FitProblem(settings, tempos, meters, drafts);
      FitSolver solver = problem.solver();
      List<Reading> readings = solver.readings();
      solution = new Solution(problem, readings, solver.doubts(readings));
      question = Optional.of(asked);
    }
    return solution;
  }
}
