package flailbeat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
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

  /** Against all lines laid out bar by bar and looked through, in 7/8 and where meters change. */
  @ParameterizedTest
  @CsvSource({
    "1/16, 50",
    "1/16, 58",
    "1/8, 75",
    "1/8T, 50",
    "1/4D, 50",
    "1/16+1/8T, 62",
    "1/32T, 50",
    "1/4:5, 50",
    "1/1, 50"
  })
  void walking_the_lines_finds_the_two_nearest_of_all_lines(String grid, double swing) {
    MeterMap changing =
        MeterMap.of(
            List.of(
                new MeterMap.Change(0, Meter.COMMON),
                new MeterMap.Change(7680, new Meter(3, 4)),
                new MeterMap.Change(12_000, new Meter(5, 8))));
    for (MeterMap meters : List.of(MeterMap.of(new Meter(7, 8)), changing)) {
      GridLines lines = new GridLines(Grid.parse(grid), meters, swing);
      long[] all = allLines(lines, meters);
      GridLines.Walker walker = lines.walker();
      Random random = new Random(2);
      long tick = 0;
      for (int i = 0; i < 2000; i++) {
        tick = i % 3 == 0 ? random.nextInt(38_000) : Math.min(38_000, tick + random.nextInt(300));
        long at = tick;
        long[] nearest =
            Arrays.stream(all)
                .boxed()
                .sorted(
                    Comparator.comparingLong((Long l) -> Math.abs(l - at)).thenComparing(l -> -l))
                .limit(2)
                .mapToLong(Long::longValue)
                .toArray();
        walker.find(at);
        assertThat(walker.line()).as("line near %d", at).isEqualTo(nearest[0]);
        assertThat(Math.abs(walker.runnerUp() - at))
            .as("runner-up near %d", at)
            .isEqualTo(Math.abs(nearest[1] - at));
        assertThat(lines.atOrBefore(at))
            .isEqualTo(Arrays.stream(all).filter(l -> l <= at).max().orElse(0));
        assertThat(lines.after(at))
            .isEqualTo(Arrays.stream(all).filter(l -> l > at).min().orElse(0));
      }
    }
  }

  private static long[] allLines(GridLines lines, MeterMap meters) {
    Set<Long> all = new TreeSet<>();
    for (int bar = -1; meters.barStart(bar) < 45_000; bar++) {
      TickRange range = meters.barRangeAt(meters.barStart(bar));
      for (long even : lines.evenLines(range.length())) {
        long line = lines.standing(bar, even);
        if (line < range.length()) {
          all.add(range.start() + line);
        }
      }
    }
    return all.stream().mapToLong(Long::longValue).toArray();
  }

  /** A groove of two bars: in the second every line is 30 ticks late. */
  @Test
  void a_groove_moves_the_lines_of_its_bars_and_comes_again() {
    GridLines.Shift late =
        new GridLines.Shift() {
          @Override
          public int bars() {
            return 2;
          }

          @Override
          public long ticks(int bar, long tickInBar) {
            return bar * 30L;
          }
        };
    GridLines lines = new GridLines(Grid.parse("1/4"), COMMON, 50, late);
    assertThat(lines.nearest(900)).isEqualTo(960);
    assertThat(lines.nearest(3840 + 900)).isEqualTo(3840 + 990);
    assertThat(lines.nearest(7680 + 900)).isEqualTo(7680 + 960);
    assertThat(lines.after(3840 + 990)).isEqualTo(3840 + 1950);
    assertThat(lines.standing(3, 960)).isEqualTo(990);
    assertThat(lines.standing(2, 960)).isEqualTo(960);
  }

  @ParameterizedTest
  @ValueSource(doubles = {49.9, 75.1, Double.NaN})
  void swing_beyond_its_bounds_is_refused(double swing) {
    assertThatThrownBy(() -> new GridLines(Grid.parse("1/8"), COMMON, swing))
        .hasMessageContaining("50 to 75");
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
