package flailbeat.core.quantize.beat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

/** Where every event lies on a line, the beats lie on it too, before, between and behind them. */
class CountedTest {
  private static final Offset<Double> EXACTLY = within(1e-6);

  private static Counted counted(double... ms) {
    List<Stroke> strokes = new ArrayList<>();
    Pulse pulse = null;
    for (double at : ms) {
      strokes.add(new Stroke(at, 100, 80, 1, 60));
      Pulse before = pulse;
      pulse =
          before == null
              ? Pulse.begin(Division.HALVES, 0, at, 300)
              : before.on(at).stream()
                  .min((a, b) -> Double.compare(off(before, a, at), off(before, b, at)))
                  .orElseThrow();
    }
    return new Counted(pulse, strokes);
  }

  /** How far a way to count on is from steady beats of 600 ms. */
  private static double off(Pulse before, Pulse after, double ms) {
    int[] places = after.places();
    return Math.abs(places[places.length - 1] * 300 + 1000 - ms);
  }

  @Test
  void steady_strokes_give_steady_beats() {
    Counted counted = counted(1000, 1300, 1600, 2200, 2800, 3100, 4600);
    assertThat(counted.beat(1)).isEqualTo(0.5);
    assertThat(counted.beat(6)).isEqualTo(6);
    assertThat(counted.meanBeatMs()).isCloseTo(600, EXACTLY);
    assertThat(counted.from(0, 4).beatMs())
        .containsExactly(new double[] {1000, 1600, 2200, 2800, 3400, 4000, 4600, 5200}, EXACTLY);
    assertThat(counted.from(3, 4).beatMs())
        .as("a bar line lies a beat before the first stroke")
        .startsWith(new double[] {400, 1000, 1600}, EXACTLY);
    assertThat(counted.from(0, 4).beatsPerBar()).isEqualTo(4);
    assertThat(counted(1000, 1600).from(0, 4).beatMs()).as("a bar at least").hasSize(5);
  }

  @Test
  void strokes_far_away_do_not_bend_a_beat() {
    double[] ms = new double[40];
    for (int i = 0; i < 40; i++) {
      ms[i] = 1000 + 300 * i + (i > 30 ? 40 : 0);
    }
    double[] beats = counted(ms).from(0, 4).beatMs();
    assertThat(beats[5]).isCloseTo(4000, EXACTLY);
    assertThat(beats[9]).isCloseTo(6400, EXACTLY);
    assertThat(beats[18]).isCloseTo(11840, within(15.0));
  }
}
