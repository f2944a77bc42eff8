package flailbeat.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TempoMapTest {
  /** Arithmetic: at 120 bpm a tick is 0.520833 ms and a sixteenth 125 ms. */
  @ParameterizedTest
  @CsvSource({
    "120, 1, 520833",
    "120, 240, 125000000",
    "60, 960, 1000000000",
    "96, 960, 625000000",
    "120, -240, -125000000"
  })
  void a_tick_comes_when_arithmetic_says(double bpm, long tick, long nanos) {
    assertThat(TempoMap.of(Tempo.ofBpm(bpm)).nanosAt(tick)).isEqualTo(nanos);
  }

  @Test
  void a_change_of_tempo_holds_from_its_tick_on() {
    TempoMap map =
        TempoMap.of(
            List.of(
                new TempoMap.Change(0, Tempo.ofBpm(120)),
                new TempoMap.Change(1920, Tempo.ofBpm(60))));
    assertThat(map.nanosAt(1920)).isEqualTo(1_000_000_000);
    assertThat(map.nanosAt(2880)).isEqualTo(2_000_000_000);
    assertThat(map.tickAt(1_500_000_000)).isEqualTo(2400);
    assertThat(map.tempoAt(1919).bpm()).isEqualTo(120);
    assertThat(map.tempoAt(1920).bpm()).isEqualTo(60);
  }

  @Test
  void ticks_come_back_from_nanoseconds_at_any_tempo_and_far_out() {
    Random random = new Random(1);
    for (int i = 0; i < 2000; i++) {
      TempoMap map =
          TempoMap.of(
              List.of(
                  new TempoMap.Change(0, new Tempo(2 + random.nextInt(16_777_214))),
                  new TempoMap.Change(
                      1 + random.nextInt(100_000), new Tempo(2 + random.nextInt(16_777_214)))));
      long tick = Math.floorMod(random.nextLong(), Ticks.LAST);
      assertThat(map.tickAt(map.nanosAt(tick))).isEqualTo(tick);
    }
  }

  @Test
  void of_two_changes_at_one_tick_the_later_holds_and_disorder_is_refused() {
    TempoMap.Change slow = new TempoMap.Change(0, Tempo.ofBpm(60));
    TempoMap.Change fast = new TempoMap.Change(0, Tempo.ofBpm(180));
    assertThat(TempoMap.of(List.of(slow, fast)).changes()).containsExactly(fast);
    TempoMap.Change later = new TempoMap.Change(960, Tempo.ofBpm(90));
    assertThatThrownBy(() -> TempoMap.of(List.of(later, fast)))
        .isInstanceOf(IllegalArgumentException.class);
    assertThat(TempoMap.of(List.of(later)).tempoAt(0)).isEqualTo(TempoMap.DEFAULT);
  }

  @ParameterizedTest
  @ValueSource(doubles = {19.99, 400.01, 0, -5, Double.NaN, Double.POSITIVE_INFINITY})
  void a_tempo_outside_20_to_400_is_refused_with_the_range(double bpm) {
    assertThatThrownBy(() -> Tempo.ofBpm(bpm)).hasMessageContaining("20 to 400");
  }

  @ParameterizedTest
  @CsvSource({"20, 20", "400, 400", "92.5, 92.5", "133.33, 133.33", "130, 130"})
  void a_tempo_reads_as_it_was_typed(double bpm, String text) {
    assertThat(Tempo.ofBpm(bpm)).hasToString(text);
  }

  @Test
  void milliseconds_lie_between_ticks_across_a_change_and_back() {
    TempoMap map =
        TempoMap.of(
            List.of(
                new TempoMap.Change(0, Tempo.ofBpm(120)),
                new TempoMap.Change(1920, Tempo.ofBpm(60))));
    assertThat(map.millisBetween(960, 2880)).isEqualTo(1500);
    assertThat(map.millisBetween(2880, 960)).isEqualTo(-1500);
    assertThat(map)
        .isEqualTo(map.with(1920, Tempo.ofBpm(60)))
        .hasSameHashCodeAs(map.with(1920, Tempo.ofBpm(60)));
    assertThat(map).isNotEqualTo(map.without(1920));
  }
}
