package flailbeat.core.quantize.beat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Ways to count through strokes, one on each half beat of 500 ms. */
class HearingTest {
  private static final int BEATS = 32;

  private static Row row(double[] ms) {
    int n = ms.length;
    return new Row(ms, Row.Kind.NOTES, new double[n], new double[n], new int[n], new int[n]);
  }

  private static double[] beats(int count) {
    return IntStream.rangeClosed(0, count).mapToDouble(b -> 500 * b).toArray();
  }

  /** The last eight beats last up to twice as long: k beats in, 500 + 62.5 k ms. */
  @Test
  void an_end_that_slows_down_is_explained_by_one_that_does_so_from_there() {
    double[] ms = new double[2 * BEATS];
    for (int i = 0; i < ms.length; i++) {
      double slow = Math.max(0, i / 2.0 - 24);
      ms[i] = 500 * (i / 2.0 + slow * slow / 16);
    }
    Hearing steady = new Hearing(List.of(row(ms)), beats(BEATS + 8), 0, 2);
    Hearing slowing = steady.slowing(12_000, 1.9375);
    assertThat(slowing.fit() + slowing.plain()).isGreaterThan(steady.fit() + steady.plain() + 20);
    assertThat(slowing.usualBeatMs()).isCloseTo(500, within(1e-9));
    assertThat(slowing.beatsAt(ms[2 * BEATS - 2])).isCloseTo(BEATS - 1, within(0.15));
  }

  /** A tempo that would rise without end once filled all memory. */
  @Test
  void one_that_does_not_slow_down_is_as_it_was_and_none_goes_on_for_ever() {
    double[] ms = IntStream.range(0, 2 * BEATS).mapToDouble(i -> 250 * i).toArray();
    Hearing steady = new Hearing(List.of(row(ms)), beats(BEATS), 0, 2);
    for (double most : new double[] {-1, 0.5, 0.97, 1}) {
      assertThat(steady.slowing(8_000, most)).isSameAs(steady);
    }
    assertThat(steady.slowing(100, 2)).as("nothing before it says how fast it is").isSameAs(steady);
    assertThat(steady.slowing(15_000, 3).fit()).isLessThan(steady.fit());
  }
}
