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

  /** In 4/4 a beat has 960 ticks; half way between two the later is the nearer. */
  @ParameterizedTest
  @CsvSource({"0, 0", "479, 0", "480, 960", "1439, 960", "1440, 1920", "3500, 3840", "-479, 0"})
  void the_nearest_beat(long tick, long beat) {
    assertThat(MeterMap.of(Meter.COMMON).beatNearest(tick)).isEqualTo(beat);
  }

  /** A bar of 4/4 that is cut short after three beats and a half, then 3/4. */
  @Test
  void a_bar_that_is_cut_short_counts_as_one_and_its_last_beat_is_near_the_next_bar() {
    MeterMap meters =
        MeterMap.of(
            List.of(
                new MeterMap.Change(0, Meter.COMMON),
                new MeterMap.Change(3840 + 3360, new Meter(3, 4))));
    assertThat(meters.barAt(7199)).isEqualTo(1);
    assertThat(meters.barAt(7200)).isEqualTo(2);
    assertThat(meters.barStart(2)).isEqualTo(7200);
    assertThat(meters.barStart(4)).isEqualTo(7200 + 2 * 2880);
    assertThat(meters.barStart(-1)).isEqualTo(-3840);
    assertThat(meters.beatNearest(7100)).isEqualTo(7200);
    assertThat(meters.withFirst(new Meter(2, 4)).barAt(7200)).isEqualTo(4);
    assertThat(meters).isNotEqualTo(MeterMap.of(Meter.COMMON));
  }
}
