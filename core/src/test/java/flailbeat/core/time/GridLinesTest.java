package flailbeat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class GridLinesTest {
  private static final MeterMap COMMON = MeterMap.of(Meter.COMMON);

  /** Arithmetic at 960 PPQ (facts.md). */
  @ParameterizedTest
  @CsvSource({
    "1/4, 960",
    "1/8, 480",
    "1/16, 240",
    "1/32, 120",
    "1/8T, 320",
    "1/16T, 160",
    "1/4D, 1440",
    "1/8D, 720",
    "1/64, 60",
    "1/1, 3840",
    "1/64T, 40",
    "1/4:5, 192",
    "1/4:7, 137"
  })
  void note_values_have_their_ticks(String text, long ticks) {
    assertThat(NoteValue.parse(text).ticks()).isEqualTo(ticks);
    assertThat(NoteValue.parse(text)).hasToString(text);
  }

  @ParameterizedTest
  @ValueSource(strings = {"1/3", "1/128", "1/0", "16", "1/16X", "1/16+", "+", "", "1/16++1/8"})
  void a_grid_that_is_none_is_refused(String text) {
    assertThatThrownBy(() -> Grid.parse(text)).isInstanceOf(IllegalArgumentException.class);
  }

  @ParameterizedTest
  @CsvSource({
    "1/16, 119, 0, 240",
    "1/16, 120, 240, 0",
    "1/16, 3839, 3840, 3600",
    "1/16, -50, 0, -240",
    "1/8T, 400, 320, 640",
    "1/4D, 2880, 2880, 3840",
    "1/4D, 3400, 3840, 2880",
    "1/16+1/8T, 310, 320, 240",
    "1/16+1/8T, 250, 240, 320",
    "1/4:5, 400, 384, 576",
    "1/4:7, 950, 960, 823"
  })
  void the_nearest_line_and_the_next(String grid, long tick, long line, long runnerUp) {
    GridLines.Nearest found = new GridLines(Grid.parse(grid), COMMON).nearestTwo(tick);
    assertThat(found).isEqualTo(new GridLines.Nearest(line, runnerUp));
  }

  /** Swing of 66.67 % is a 2:1 feel: the off-beat eighth stands at tick 640 (facts.md). */
  @ParameterizedTest
  @CsvSource({"50, 480", "66.666667, 640", "75, 720", "62, 595"})
  void swing_moves_every_second_line(double swing, long offBeat) {
    GridLines lines = new GridLines(Grid.parse("1/8"), COMMON, swing);
    assertThat(lines.after(0)).isEqualTo(offBeat);
    assertThat(lines.after(offBeat)).isEqualTo(960);
    assertThat(lines.nearest(offBeat + 5)).isEqualTo(offBeat);
  }

  @Test
  void walking_the_lines_agrees_with_looking_for_the_nearest() {
    Random random = new Random(2);
    for (String grid : new String[] {"1/16", "1/8T", "1/4D", "1/16+1/8T", "1/32T"}) {
      for (double swing : new double[] {50, 58, 75}) {
        MeterMap meters = MeterMap.of(new Meter(7, 8));
        GridLines lines = new GridLines(Grid.parse(grid), meters, swing);
        for (int i = 0; i < 300; i++) {
          long tick = random.nextInt(40_000);
          long before = lines.atOrBefore(tick);
          long after = lines.after(tick);
          assertThat(before).isLessThanOrEqualTo(tick);
          assertThat(after).isGreaterThan(tick);
          long distance = Math.min(tick - before, after - tick);
          assertThat((double) Math.abs(lines.nearest(tick) - tick))
              .as("%s swing %s tick %d", grid, swing, tick)
              .isCloseTo(distance, within(0.0));
        }
      }
    }
  }

  /** From the note's line to another line that is seen, so that what was on a line stays on one. */
  @ParameterizedTest
  @CsvSource({
    "1/16, 50, 240, 500, 480",
    "1/16, 50, 250, 500, 480",
    "1/16+1/8T, 50, 240, 70, 80",
    "1/16+1/8T, 50, 320, 150, 160",
    "1/8, 66.67, 640, 300, 320",
    "1/8, 66.67, 640, -600, -640",
    "1/8T, 50, 0, -300, -320"
  })
  void a_move_goes_from_line_to_line(String grid, double swing, long tick, long by, long moved) {
    assertThat(new GridLines(Grid.parse(grid), COMMON, swing).moved(tick, by)).isEqualTo(moved);
  }

  @ParameterizedTest
  @CsvSource({
    "1/16, 50, 250, 1, 240",
    "1/16, 50, 250, -3, -720",
    "1/16+1/8T, 50, 240, 1, 80",
    "1/16+1/8T, 50, 320, 2, 320",
    "1/8, 66.67, 0, 1, 640",
    "1/8, 66.67, 960, -1, -320"
  })
  void a_step_goes_to_the_next_line_that_is_seen(
      String grid, double swing, long tick, int steps, long moved) {
    GridLines lines = new GridLines(Grid.parse(grid), COMMON, swing);
    assertThat(lines.stepped(tick, steps)).isEqualTo(moved);
  }
}
