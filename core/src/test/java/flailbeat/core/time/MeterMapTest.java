package flailbeat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MeterMapTest {
  /** 4/4, from bar 3 (tick 7680) 7/8, which is 3360 ticks a bar. */
  private static final MeterMap MIXED =
      MeterMap.of(
          List.of(
              new MeterMap.Change(0, new Meter(4, 4)), new MeterMap.Change(7680, new Meter(7, 8))));

  @ParameterizedTest
  @CsvSource({
    "0, 1.1.000",
    "959, 1.1.959",
    "960, 1.2.000",
    "3840, 2.1.000",
    "7679, 2.4.959",
    "7680, 3.1.000",
    "8160, 3.2.000",
    "11040, 4.1.000",
    "-1, 0.4.959",
    "-3840, 0.1.000"
  })
  void positions_count_bars_beats_and_ticks(long tick, String position) {
    assertThat(MIXED.positionAt(tick)).hasToString(position);
  }

  @Test
  void bars_and_their_starts_agree_over_changes() {
    for (int bar = -2; bar < 50; bar++) {
      long start = MIXED.barStart(bar);
      assertThat(MIXED.barAt(start)).isEqualTo(bar);
      assertThat(MIXED.barAt(start - 1)).isEqualTo(bar - 1);
      assertThat(MIXED.barRangeAt(start).end()).isEqualTo(MIXED.barStart(bar + 1));
    }
  }

  @Test
  void a_change_inside_a_bar_cuts_it_short() {
    MeterMap map =
        MeterMap.of(
            List.of(
                new MeterMap.Change(0, Meter.COMMON), new MeterMap.Change(5000, new Meter(3, 4))));
    assertThat(map.barRangeAt(4000)).isEqualTo(new TickRange(3840, 5000));
    assertThat(map.barAt(5000)).isEqualTo(2);
    assertThat(map.positionAt(5000)).hasToString("3.1.000");
  }

  @Test
  void whole_bars_hold_a_range_and_are_never_none() {
    assertThat(MIXED.wholeBars(new TickRange(100, 3841))).isEqualTo(new TickRange(0, 7680));
    assertThat(MIXED.wholeBars(new TickRange(3840, 3840))).isEqualTo(new TickRange(3840, 7680));
  }

  @Test
  void the_extremes_of_the_range_have_their_lengths() {
    assertThat(new Meter(32, 32).ticksPerBar()).isEqualTo(3840);
    assertThat(new Meter(1, 2).ticksPerBar()).isEqualTo(1920);
    assertThat(new Meter(32, 1).ticksPerBar()).isEqualTo(122_880);
  }

  @ParameterizedTest
  @ValueSource(strings = {"0/4", "33/4", "4/3", "4/64", "4", "4/4/4", "x/4", "", "-1/4"})
  void a_meter_that_cannot_be_is_refused_with_a_reason(String text) {
    assertThatThrownBy(() -> Meter.parse(text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageMatching("A (bar|beat|meter) .*");
  }
}
