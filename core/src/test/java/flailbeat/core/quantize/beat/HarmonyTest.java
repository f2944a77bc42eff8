package flailbeat.core.quantize.beat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Sixteen bars of three beats in eighths, whose chord changes on each bar line. */
class HarmonyTest {
  private static final int BAR = 6;
  private static final int BARS = 16;
  private static final int[] CHORDS = {
    0b000010010001, 0b001000100001, 0b100010000100, 0b1000100010
  };

  /** A part that strikes on the second and third beat alone. */
  private static Row offBeats(int shift, int... chords) {
    int[] classes = IntStream.range(0, 2 * BARS).map(i -> chords[i / 2 % chords.length]).toArray();
    double[] ms =
        IntStream.range(0, 2 * BARS)
            .mapToDouble(i -> 250.0 * (i / 2 * BAR + 2 + i % 2 * 2 + shift))
            .toArray();
    double[] even = new double[2 * BARS];
    int[] middle = new int[2 * BARS];
    Arrays.fill(middle, 64);
    return new Row(ms, Row.Kind.NOTES, even, even, middle, classes);
  }

  private static double[] begins(int shift, int... chords) {
    Row row = offBeats(shift, chords);
    int[] slots = Arrays.stream(row.ms()).mapToInt(ms -> (int) Math.round(ms / 250)).toArray();
    return new Harmony(List.of(row), new int[][] {slots}).begins(BAR, 2);
  }

  @Test
  void bars_do_not_begin_between_the_strokes_of_one_chord() {
    double[] first = begins(0, CHORDS);
    assertThat(first[2]).as("between its two strokes").isLessThan(first[0] - 5);
    assertThat(first[1])
        .as("before either of them the chord is whole")
        .isCloseTo(first[0], within(3.0));
    double[] later = begins(2, CHORDS);
    assertThat(later[0]).as("all a beat later").isLessThan(later[1] - 5);
  }

  @Test
  void one_chord_throughout_and_a_melody_alone_say_nothing() {
    for (double each : begins(0, CHORDS[0])) {
      assertThat(each).isCloseTo(0, within(0.5));
    }
    for (double each : begins(0, 1, 1 << 2, 1 << 4, 1 << 5, 1 << 7)) {
      assertThat(each).isZero();
    }
  }
}
