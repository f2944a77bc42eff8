package flailbeat.core.quantize.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.quantize.fit.Occupancy.Likeness;
import java.util.Arrays;
import java.util.stream.IntStream;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

/**
 * Sums by hand, of bars of one slot each, on the beat: the prior counts 3.3 strokes of 5.7, a bar
 * says half as much as the one that is a bar nearer, the beat in general as much as one bar.
 */
class OccupancyTest {
  private static final Offset<Double> NEARLY = within(1e-5);

  private static Occupancy bars(int count, int... anchors) {
    int[] none = new int[count];
    boolean[] anchored = new boolean[count];
    for (int a : anchors) {
      anchored[a] = true;
    }
    double[] ms = IntStream.range(0, count).mapToDouble(i -> 500 * i).toArray();
    int[] beats = IntStream.range(0, count).toArray();
    Occupancy occupancy =
        new Occupancy(
            new Slots(
                ms,
                none,
                new double[] {1},
                none,
                beats,
                new byte[count],
                anchored,
                new boolean[anchored.length]));
    occupancy.setLikeness(new Likeness(0.5, 1));
    return occupancy;
  }

  @Test
  void a_bar_is_foretold_from_those_before_and_understood_from_those_around() {
    Occupancy occupancy = bars(3);
    occupancy.learn(new int[] {0, 2});
    // log(3.3/5.7) + log(1 - (0.5 + 4.3/6.7)/1.5) + log((0.25 + 4.3/7.7)/1.75)
    assertThat(occupancy.comparedEvidence()).isCloseTo(-2.750910, NEARLY);
    // In general 5.3/8.7; (0.25 + 5.3/8.7)/1.75 and (0.5 + 0.5 + 5.3/8.7)/2.
    assertThat(occupancy.probabilities())
        .containsExactly(new double[] {0.490969, 0.804598, 0.490969}, NEARLY);
    assertThat(occupancy.passed(0, 2))
        .isCloseTo(-Math.log(1 - 0.490969) - Math.log(1 - 0.804598), NEARLY);
    assertThat(occupancy.playing(1)).isCloseTo(-Math.log(0.804598), NEARLY);
  }

  @Test
  void a_bar_that_was_put_is_listened_to_where_it_foretells_what_was_played() {
    Occupancy occupancy = bars(3, 1);
    occupancy.learn(new int[] {0, 2});
    // Listening: log((0.25 + 4.3/6.7)/1.25) + log(1 - (0.5 + 5.3/7.7 + 0.5)/2)
    //     + log((0.75 + 5.3/8.7)/1.75) = -2.449290; deaf as above; each as likely as the other.
    assertThat(occupancy.comparedEvidence()).isCloseTo(-2.588771, NEARLY);
    // In general 6.3/9.7; (0.75 + that)/1.75 and (0.5 + 0.5 + 0.5 + that)/2.5.
    assertThat(occupancy.probabilities())
        .containsExactly(new double[] {0.799706, 0.859794, 0.799706}, NEARLY);
  }

  @Test
  void what_was_put_before_and_behind_is_looked_at_and_not_where_it_is_unlike() {
    Occupancy around = bars(6, 0, 1, 4, 5);
    around.learn(new int[] {2, 3});
    assertThat(Arrays.stream(around.probabilities()).min().orElseThrow()).isGreaterThan(0.8);
    Occupancy alone = bars(6);
    alone.learn(new int[] {2, 3});
    assertThat(around.comparedEvidence()).isGreaterThan(alone.comparedEvidence());
    Occupancy unlike = bars(12, 3, 5, 7);
    unlike.learn(new int[] {2, 4, 6, 8});
    Occupancy deaf = bars(12);
    deaf.learn(new int[] {2, 4, 6, 8});
    assertThat(unlike.comparedEvidence())
        .as("half the weight is lost at most")
        .isBetween(deaf.comparedEvidence() + Math.log(0.5), deaf.comparedEvidence());
    assertThat(unlike.probabilities()).containsExactly(deaf.probabilities(), NEARLY);
  }
}
