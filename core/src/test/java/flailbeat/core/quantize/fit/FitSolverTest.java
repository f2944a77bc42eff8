package flailbeat.core.quantize.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.quantize.fit.Generated.Manner;
import flailbeat.core.quantize.fit.Generated.Rhythm;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class FitSolverTest {
  private static final int NEAR = 4;
  private static final double SPREAD = 22;

  /** Twelve sixteenths at 120 bpm, 125 ms apart, four to a beat. */
  private static Slots slots() {
    int n = 12;
    double[] ms = new double[n];
    int[] place = new int[n];
    int[] beat = new int[n];
    for (int s = 0; s < n; s++) {
      ms[s] = 125 * s;
      place[s] = s % 4;
      beat[s] = s / 4;
    }
    byte[] family = {0, 1, 1, 1, 0, 2, 2, 1, 0, 1, 2, 1};
    return new Slots(ms, place, new double[] {1, 0.25, 0.6, 0.25}, place, beat, family);
  }

  private static double[] times(Random random, int n) {
    double[] times = new double[n];
    for (int i = 0; i < n; i++) {
      times[i] = random.nextDouble() * 1300;
    }
    Arrays.sort(times);
    return times;
  }

  /** All ways to give n events one of the slots near each. */
  private static int[][] allPaths(FitSolver solver, int n) {
    int count = (int) Math.pow(NEAR, n);
    int[][] paths = new int[count][n];
    for (int p = 0; p < count; p++) {
      int rest = p;
      for (int i = 0; i < n; i++) {
        paths[p][i] = solver.firstNear(i) + rest % NEAR;
        rest /= NEAR;
      }
    }
    return paths;
  }

  @Test
  void the_path_found_is_the_cheapest_of_all() {
    Random random = new Random(1);
    for (int round = 0; round < 300; round++) {
      int n = 1 + random.nextInt(5);
      Slots slots = slots();
      FitSolver solver = new FitSolver(times(random, n), new boolean[n], slots, 0, 40);
      Occupancy occupancy = new Occupancy(slots);
      double[] lag = new double[n];
      Arrays.fill(lag, random.nextInt(80) - 40);
      int[] found = solver.viterbi(lag, occupancy, SPREAD);
      double least =
          Arrays.stream(allPaths(solver, n))
              .mapToDouble(p -> solver.cost(p, lag, occupancy, SPREAD))
              .min()
              .orElseThrow();
      assertThat(solver.cost(found, lag, occupancy, SPREAD)).isCloseTo(least, within(1e-9));
    }
  }

  @Test
  void the_doubt_of_forward_backward_is_that_of_summing_over_all_paths() {
    Random random = new Random(2);
    for (int round = 0; round < 100; round++) {
      int n = 1 + random.nextInt(5);
      Slots slots = slots();
      FitSolver solver = new FitSolver(times(random, n), new boolean[n], slots, 0, 40);
      Reading reading = solver.readings().get(0);
      Reading alone = new Reading(reading.slot(), reading.lagMs(), reading.spreadMs(), 0, 1);
      Doubts doubts = solver.doubts(List.of(alone));
      Occupancy occupancy = new Occupancy(slots);
      occupancy.learn(alone.slot());
      double[] right = new double[n];
      double all = 0;
      for (int[] path : allPaths(solver, n)) {
        double p = Math.exp(-solver.cost(path, alone.lagMs(), occupancy, alone.spreadMs()));
        all += p;
        for (int i = 0; i < n; i++) {
          right[i] += path[i] == alone.slot()[i] ? p : 0;
        }
      }
      for (int i = 0; i < n; i++) {
        assertThat(doubts.doubt()[i]).isCloseTo(1 - right[i] / all, within(1e-9));
      }
    }
  }

  @Test
  void a_lag_that_creeps_is_followed() {
    int n = 240;
    double[] times = new double[n];
    double[] residuals = new double[n];
    Random random = new Random(3);
    for (int i = 0; i < n; i++) {
      times[i] = 250 * i;
      residuals[i] = 10 + 0.0025 * times[i] + 15 * random.nextGaussian();
    }
    double[] lag = LagTrack.smooth(times, residuals, 15, 0, 40);
    for (int i = 0; i < n; i++) {
      assertThat(lag[i]).isCloseTo(10 + 0.0025 * times[i], within(12.0));
    }
  }

  /** One sure gain over rounding in each: the numbers in full are in docs/quantizing.md. */
  @Test
  void late_playing_off_beat_playing_and_creeping_are_understood() {
    double[][] ignored = new double[10][3];
    double[] late = FitReport.measure(new Manner(Rhythm.STRAIGHT, 120, 20, 50, 0, 0), ignored);
    double[] offBeat = FitReport.measure(new Manner(Rhythm.OFF_BEAT, 110, 20, 0, 0, 0), ignored);
    double[] creeping =
        FitReport.measure(new Manner(Rhythm.STRAIGHT, 110, 20, 20, 0, 0.0025), ignored);
    assertThat(late[2]).isGreaterThan(99.5).isGreaterThan(late[0] + 15);
    assertThat(offBeat[2]).isGreaterThan(99.5);
    assertThat(creeping[2]).isGreaterThan(99.5);
  }
}
