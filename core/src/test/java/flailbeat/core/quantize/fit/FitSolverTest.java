package flailbeat.core.quantize.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.quantize.fit.Generated.Manner;
import flailbeat.core.quantize.fit.Generated.Rhythm;
import flailbeat.core.quantize.lag.LagPrior;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class FitSolverTest {
  private static final double SPREAD = 22;

  /** Twelve sixteenths at 120 bpm, 125 ms apart, four to a beat. */
  private static Slots slots(boolean mixed) {
    int n = 12;
    double[] ms = new double[n];
    int[] place = new int[n];
    int[] beat = new int[n];
    for (int s = 0; s < n; s++) {
      ms[s] = 125 * s;
      place[s] = s % 4;
      beat[s] = s / 4;
    }
    byte[] family = mixed ? new byte[] {0, 1, 1, 1, 0, 2, 2, 1, 0, 1, 2, 1} : new byte[n];
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
  private static int[][] allPaths(Lattice lattice, int n) {
    int near = lattice.near();
    int count = (int) Math.pow(near, n);
    int[][] paths = new int[count][n];
    for (int p = 0; p < count; p++) {
      int rest = p;
      for (int i = 0; i < n; i++) {
        paths[p][i] = lattice.first()[i] + rest % near;
        rest /= near;
      }
    }
    return paths;
  }

  private static Lattice aimed(Random random, int n, Slots slots) {
    boolean[] sharesPitch = new boolean[n];
    for (int i = 1; i < n; i++) {
      sharesPitch[i] = random.nextInt(3) == 0;
    }
    Lattice lattice = new Lattice(times(random, n), sharesPitch, slots, random.nextBoolean());
    double[] lag = new double[n];
    Arrays.fill(lag, random.nextInt(80) - 40);
    lattice.aim(lag, SPREAD);
    return lattice;
  }

  @Test
  void the_path_found_is_the_cheapest_of_all() {
    Random random = new Random(1);
    for (int round = 0; round < 300; round++) {
      Slots slots = slots(round % 2 == 0);
      Occupancy occupancy = new Occupancy(slots);
      int n = 1 + random.nextInt(4);
      Lattice lattice = aimed(random, n, slots);
      double least =
          Arrays.stream(allPaths(lattice, n))
              .mapToDouble(p -> lattice.cost(p, occupancy))
              .min()
              .orElseThrow();
      assertThat(lattice.cost(lattice.viterbi(occupancy), occupancy))
          .isCloseTo(least, within(1e-9));
    }
  }

  @Test
  void forward_backward_gives_what_summing_over_all_paths_gives() {
    Random random = new Random(2);
    for (int round = 0; round < 100; round++) {
      Slots slots = slots(round % 2 == 0);
      Occupancy occupancy = new Occupancy(slots);
      int n = 1 + random.nextInt(4);
      Lattice lattice = aimed(random, n, slots);
      Posterior found = lattice.posterior(occupancy);
      double[] summed = new double[n * lattice.near()];
      double all = 0;
      for (int[] path : allPaths(lattice, n)) {
        double p = Math.exp(-lattice.cost(path, occupancy));
        all += p;
        for (int i = 0; i < n; i++) {
          summed[i * lattice.near() + path[i] - lattice.first()[i]] += p;
        }
      }
      for (int j = 0; j < summed.length; j++) {
        assertThat(found.probability()[j]).isCloseTo(summed[j] / all, within(1e-9));
      }
      assertThat(found.evidence()).isCloseTo(Math.log(all) - n * Math.log(SPREAD), within(1e-9));
    }
  }

  /** What is disturbed between two events is mended as if it had been sought there at once. */
  @Test
  void a_path_is_mended_between_two_events_that_stay() {
    Random random = new Random(5);
    for (int round = 0; round < 200; round++) {
      Slots slots = slots(round % 2 == 0);
      Occupancy occupancy = new Occupancy(slots);
      int n = 3 + random.nextInt(4);
      Lattice lattice = aimed(random, n, slots);
      int[] best = lattice.viterbi(occupancy);
      int from = random.nextInt(n - 1);
      int to = from + 1 + random.nextInt(n - from - 1);
      int[] path = best.clone();
      for (int i = from + 1; i < to; i++) {
        path[i] = lattice.first()[i] + random.nextInt(lattice.near());
      }
      lattice.mend(path, from, to, occupancy);
      assertThat(lattice.cost(path, occupancy))
          .isCloseTo(lattice.cost(best, occupancy), within(1e-9));
      for (int i = 0; i < n; i++) {
        if (i <= from || i >= to) {
          assertThat(path[i]).isEqualTo(best[i]);
        }
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
    FitTrial late = trial(new Manner(Rhythm.STRAIGHT, 120, 20, 50, 0, 0));
    assertThat(late.percent(late.fit)).isGreaterThan(99.5);
    assertThat(late.percent(late.nearest)).isLessThan(85);
    FitTrial creeping = trial(new Manner(Rhythm.STRAIGHT, 110, 20, 20, 0, 0.0025));
    assertThat(creeping.percent(creeping.fit)).isGreaterThan(99.5);
  }

  @Test
  void off_beat_playing_is_never_moved_whole_not_even_late_by_half_a_slot() {
    FitTrial onTime = trial(new Manner(Rhythm.OFF_BEAT, 110, 20, 0, 0, 0));
    FitTrial late = trial(new Manner(Rhythm.OFF_BEAT, 110, 18, 68, 0, 0));
    assertThat(onTime.percent(onTime.fit)).isGreaterThan(99.5);
    assertThat(onTime.worst).isGreaterThan(-2);
    assertThat(late.percent(late.fit)).isGreaterThan(99.5);
  }

  @Test
  void doubt_says_how_often_a_note_is_wrong() {
    double[][] tenths = new double[10][3];
    FitTrial.of(new Manner(Rhythm.MIXED, 110, 20, 20, 0, 0), 60, 16, tenths);
    FitTrial.of(new Manner(Rhythm.STRAIGHT, 140, 25, 20, 0, 0), 60, 16, tenths);
    for (int tenth = 1; tenth < 4; tenth++) {
      double said = tenths[tenth][1] / tenths[tenth][0];
      double wrong = tenths[tenth][2] / tenths[tenth][0];
      assertThat(wrong).as("of notes called %.2f doubtful", said).isCloseTo(said, within(0.08));
    }
  }

  private static FitTrial trial(Manner manner) {
    return FitTrial.of(manner, 40, 16, new double[10][3]);
  }

  /**
   * The two readings of a part that answers a straight rhythm, a sixteenth later: were the metre
   * held against it slot by slot, the difference would grow with its length.
   */
  @Test
  void a_part_that_answers_is_not_the_less_believed_the_longer_it_plays() {
    for (int bars : new int[] {2, 4, 8, 16, 32}) {
      double most = 0;
      for (int seed = 0; seed < 20; seed++) {
        Generated g =
            Generated.of(new Manner(Rhythm.ANSWERING, 120, 15, 10, 0, 0), bars, 100 + seed);
        Occupancy right = heard(g, 0);
        Occupancy early = heard(g, -1);
        most = Math.max(most, early.comparedEvidence() - right.comparedEvidence());
      }
      assertThat(most).as("nats, %d bars", bars).isLessThan(5);
    }
  }

  /** What is learned of a performance's slots as they were meant, or so many slots off. */
  private static Occupancy heard(Generated g, int off) {
    Occupancy occupancy = new Occupancy(g.slots());
    occupancy.learn(
        g.notes.stream().mapToInt(n -> (int) (n[1] / 3) + 8 + off).sorted().distinct().toArray());
    return occupancy;
  }

  @Test
  void the_prior_over_where_the_metre_lies_sums_to_one_and_leaves_mixed_grids_alone() {
    for (int places : new int[] {1, 2, 3, 4, 5, 7, 8, 12}) {
      assertThat(Arrays.stream(Metres.weights(places, false)).sum()).isCloseTo(1, within(1e-12));
    }
    assertThat(Metres.weights(6, true)).containsExactly(1);
  }

  @Test
  void answering_parts_are_not_moved_whole_once_the_person_is_known_and_told_until_then() {
    int moved = 0;
    int offered = 0;
    int known = 0;
    for (int seed = 0; seed < 60; seed++) {
      double lag = -25 + seed * 65 / 60.0;
      double bpm = 80 + seed * 37 % 80;
      Generated g =
          Generated.of(new Manner(Rhythm.ANSWERING, bpm, 18, lag, 0, 0, 0.4, 0.01), 8, seed);
      FitTrial nothing = new FitTrial(new double[10][3], LagPrior.UNKNOWN);
      nothing.play(g);
      moved += nothing.shifted;
      offered += nothing.offered;
      FitTrial person = new FitTrial(new double[10][3], LagPrior.known(lag + 5, 12));
      person.play(g);
      known += person.shifted;
    }
    assertThat(known).as("moved whole, the person known").isZero();
    assertThat(moved).as("nothing known").isLessThanOrEqualTo(2);
    assertThat(offered).as("all told").isEqualTo(moved);
  }

  @Test
  void doubled_notes_drag_nothing_along() {
    FitTrial doubled = trial(new Manner(Rhythm.DOUBLED, 120, 15, 10, 0, 0));
    assertThat(doubled.percent(doubled.fit)).isGreaterThan(99);
    assertThat(doubled.shifted).isZero();
  }

  /** In full in docs/quantizing.md. */
  @Test
  void bars_that_were_put_help_to_understand_those_that_were_played_and_never_harm() {
    assertThat(moved(PutReport.Kind.IN_TURN, true))
        .isLessThan(moved(PutReport.Kind.IN_TURN, false));
    for (PutReport.Kind kind :
        List.of(PutReport.Kind.BEATS, PutReport.Kind.OFF_BEATS_IN_TURN, PutReport.Kind.CHANCE)) {
      assertThat(moved(kind, true)).as("%s", kind).isLessThanOrEqualTo(moved(kind, false));
    }
  }

  /** How many of some phrases are moved whole. */
  private static int moved(PutReport.Kind kind, boolean listening) {
    return PutReport.parts(kind, 6).stream()
        .map(p -> listening ? p : p.deaf())
        .mapToInt(p -> p.tried().shifted)
        .sum();
  }
}
