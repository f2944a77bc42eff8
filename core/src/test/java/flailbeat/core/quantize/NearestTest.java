package flailbeat.core.quantize;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.NotePlan.Outcome;
import flailbeat.core.quantize.QuantizeSettings.Chords;
import flailbeat.core.quantize.QuantizeSettings.Ends;
import flailbeat.core.quantize.QuantizeSettings.NoteFilter;
import flailbeat.core.quantize.lag.FoundLag;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NearestTest {
  private static final TempoMap TEMPO = TempoMap.of(TempoMap.DEFAULT);
  private static final MeterMap METER = MeterMap.of(Meter.COMMON);
  private static final QuantizeSettings SIXTEENTHS = QuantizeSettings.standard();

  private long nextId = 1;

  private Note played(int pitch, long onset, long release) {
    return Note.asPlayed(new NoteId(nextId++), pitch, 80, new Played(onset, release));
  }

  private static QuantizePlan plan(QuantizeSettings settings, List<Note> notes) {
    return Quantizer.of(settings, TEMPO, METER).plan(notes, List.of());
  }

  private static List<Long> onsets(QuantizePlan plan) {
    return plan.notes().stream().map(NotePlan::onset).toList();
  }

  @Test
  void at_full_strength_every_onset_stands_on_a_line_and_lengths_are_kept() {
    QuantizePlan plan =
        plan(SIXTEENTHS, List.of(played(60, 10, 210), played(62, 250, 400), played(64, 470, 980)));
    assertThat(onsets(plan)).containsExactly(0L, 240L, 480L);
    assertThat(plan.notes()).extracting(NotePlan::length).containsExactly(200L, 150L, 510L);
    assertThat(plan.moved()).isEqualTo(3);
  }

  @ParameterizedTest
  @CsvSource({"0, 300", "25, 285", "50, 270", "100, 240"})
  void strength_goes_part_of_the_way(double strength, long onset) {
    assertThat(onsets(plan(SIXTEENTHS.withStrength(strength), List.of(played(60, 300, 400)))))
        .containsExactly(onset);
  }

  @Test
  void quantizing_starts_from_as_played_however_often_it_is_done() {
    Note played = played(60, 300, 400);
    Note once = plan(SIXTEENTHS, List.of(played)).mover().apply(played);
    QuantizeSettings half = SIXTEENTHS.withStrength(50);
    Note twice = plan(half, List.of(once)).mover().apply(once);
    Note thrice = plan(half, List.of(twice)).mover().apply(twice);
    assertThat(twice.onset()).isEqualTo(270);
    assertThat(thrice).isEqualTo(twice);
    assertThat(plan(SIXTEENTHS.withStrength(0), List.of(once)).notes().get(0).onset())
        .isEqualTo(300);
  }

  @Test
  void a_plan_is_seen_by_the_stretch_by_how_far_off_and_by_what_becomes_of_each() {
    List<Note> notes =
        List.of(
            played(60, 220, 300),
            played(60, 260, 350),
            played(62, 480, 600),
            played(64, 768, 900),
            played(64, 2000, 2100));
    QuantizePlan plan = plan(SIXTEENTHS, notes);
    assertThat(plan.notesIn(new TickRange(220, 480)))
        .extracting(p -> p.note().onset())
        .containsExactly(220L, 260L);
    assertThat(plan.notesIn(new TickRange(221, 481)))
        .extracting(p -> p.note().onset())
        .containsExactly(260L, 480L);
    assertThat(plan.notesIn(TickRange.EVER)).hasSize(5);
    assertThat(plan.notesIn(new TickRange(5000, 6000))).isEmpty();
    // 48 ticks are 25 ms at 120 bpm.
    assertThat(plan.deviating(0, 25)).extracting(Note::onset).containsExactly(260L, 480L, 768L);
    assertThat(plan.deviating(0.1, 24.9)).extracting(Note::onset).containsExactly(260L);
    assertThat(plan.deviationMs(3)).isCloseTo(25, within(1e-9));
    assertThat(plan.count(Outcome.LINE_TAKEN)).isEqualTo(1);
    assertThat(plan.count(Outcome.TO_LINE)).isEqualTo(4);
  }

  @Test
  void each_note_is_found_by_its_name_however_far_apart_the_names_lie() {
    List<Note> near = List.of(played(60, 250, 300), played(62, 490, 600));
    Note stranger = played(64, 730, 800);
    List<Note> far =
        List.of(near.get(0), Note.asPlayed(new NoteId(900_000), 62, 80, new Played(490, 600)));
    for (List<Note> notes : List.of(near, far)) {
      UnaryOperator<Note> mover = plan(SIXTEENTHS, notes).mover();
      assertThat(notes).extracting(n -> mover.apply(n).onset()).containsExactly(240L, 480L);
      assertThat(mover.apply(stranger)).isSameAs(stranger);
      Note before = Note.asPlayed(new NoteId(0), 60, 80, new Played(250, 300));
      assertThat(mover.apply(before)).isSameAs(before);
    }
    assertThat(QuantizePlan.NONE.mover().apply(stranger)).isSameAs(stranger);
  }

  @Test
  void other_ways_to_understand_the_whole_are_told_from_one_in_twenty_on() {
    QuantizePlan plan =
        new QuantizePlan(
            new Drafts(List.of()),
            Timing.of(new double[0]),
            FoundLag.NONE,
            List.of(
                new QuantizePlan.WholeReading(0, 0.6, 0),
                new QuantizePlan.WholeReading(60, 0.05, 1),
                new QuantizePlan.WholeReading(-60, 0.049, -1)),
            0);
    assertThat(plan.otherReadings()).extracting(r -> r.slots()).containsExactly(1);
  }

  @Test
  void of_two_equal_pitches_that_would_share_a_line_the_second_stays_as_played() {
    QuantizePlan plan = plan(SIXTEENTHS, List.of(played(60, 220, 300), played(60, 260, 350)));
    assertThat(onsets(plan)).containsExactly(240L, 260L);
    assertThat(plan.notes())
        .extracting(NotePlan::outcome)
        .containsExactly(Outcome.TO_LINE, Outcome.LINE_TAKEN);
    QuantizePlan chord = plan(SIXTEENTHS, List.of(played(60, 220, 300), played(64, 260, 350)));
    assertThat(onsets(chord)).as("other pitches do share it").containsExactly(240L, 240L);
  }

  @Test
  void a_note_played_exactly_on_the_line_keeps_it() {
    assertThat(onsets(plan(SIXTEENTHS, List.of(played(60, 220, 300), played(60, 240, 350)))))
        .containsExactly(220L, 240L);
  }

  @Test
  void a_note_that_is_not_in_hand_is_not_landed_on() {
    Note other = Note.placed(new NoteId(99), 60, 80, 240, 100);
    QuantizePlan plan =
        new Nearest(SIXTEENTHS, TEMPO, METER).plan(List.of(played(60, 250, 300)), List.of(other));
    assertThat(plan.notes().get(0).outcome()).isEqualTo(Outcome.LINE_TAKEN);
    assertThat(onsets(plan)).containsExactly(250L);
  }

  @Test
  void a_note_struck_before_the_song_goes_to_its_first_line() {
    NotePlan early = plan(SIXTEENTHS, List.of(played(60, -90, 300))).notes().get(0);
    assertThat(early.onset()).isZero();
    assertThat(early.length()).isEqualTo(390);
    assertThat(onsets(plan(SIXTEENTHS, List.of(played(60, -200, 300))))).containsExactly(0L);
  }

  /** A fifth of half the gap is 24 ticks. */
  @ParameterizedTest
  @CsvSource({"20, 264, 240", "20, 265, 265", "100, 359, 240", "0, 241, 241"})
  void only_notes_within_the_catch_range_move(double percent, long onset, long result) {
    assertThat(onsets(plan(SIXTEENTHS.withCatchRange(percent), List.of(played(60, onset, 900)))))
        .containsExactly(result);
  }

  @ParameterizedTest
  @CsvSource({"10, 500, 480", "10, 30, 240", "230, 490, 240", "10, 3900, 3840"})
  void snapped_ends_go_to_a_line_and_never_onto_the_onset(long onset, long release, long length) {
    NotePlan plan =
        plan(SIXTEENTHS.withEnds(Ends.SNAP), List.of(played(60, onset, release))).notes().get(0);
    assertThat(plan.length()).isEqualTo(length);
  }

  /** At 120 bpm 96 ticks are 50 ms: everything was played 50 ms late. */
  @Test
  void a_lag_that_is_taken_out_first_saves_notes_from_the_wrong_line() {
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < 9; i++) {
      notes.add(played(60 + i, i * 240L + 96 + (i % 3 - 1) * 30L, i * 240L + 200));
    }
    QuantizePlan known = plan(SIXTEENTHS.withLag(new Lag.Millis(50)), notes);
    assertThat(onsets(known))
        .containsExactly(0L, 240L, 480L, 720L, 960L, 1200L, 1440L, 1680L, 1920L);
    assertThat(known.removedLagMs()).isEqualTo(50);
    assertThat(known.timing().lagMs()).isCloseTo(50, within(0.01));
    List<Note> mild = notes.stream().map(n -> n.moved(-48 + 48, 0)).toList();
    assertThat(plan(SIXTEENTHS.withLag(new Lag.Auto()), mild).removedLagMs()).isNotZero();
  }

  @Test
  void swing_lines_are_gone_to() {
    QuantizeSettings swung = SIXTEENTHS.withGrid(Grid.parse("1/8")).withSwing(66.666667);
    assertThat(onsets(plan(swung, List.of(played(60, 600, 700), played(62, 980, 1100)))))
        .containsExactly(640L, 960L);
  }

  @Test
  void doubt_is_high_half_way_between_lines_and_low_on_one() {
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      notes.add(played(60, 480 + i * 480L + (i % 5 - 2) * 10, i * 480L + 600));
    }
    notes.add(played(72, 10560 + 118, 10800));
    QuantizePlan plan = plan(SIXTEENTHS, notes);
    assertThat(plan.doubtful()).isEqualTo(1);
    assertThat(plan.notes().get(20).doubt()).isBetween(0.3, 0.5);
    assertThat(plan.notes().get(20).otherLine()).isEqualTo(10800);
  }

  /**
   * Rounding is right with probability Phi((g/2 - m)/s) - Phi((-g/2 - m)/s): for g = 125 ms and s =
   * 25 ms 98.76 % at m = 0 and 69.1 % at m = 50 ms (facts.md). The bound is four standard errors.
   */
  @ParameterizedTest
  @CsvSource({"0, 25, 0.9876", "50, 25, 0.6915", "20, 15, 0.9977"})
  void rounding_is_right_as_often_as_the_formula_says(double mean, double sd, double expected) {
    int trials = 20_000;
    Random random = new Random(7);
    List<Note> notes = new ArrayList<>();
    for (int i = 0; i < trials; i++) {
      long line = 240L * (i + 4);
      double offTicks = (mean + sd * random.nextGaussian()) * 1.92;
      long onset = line + Math.round(offTicks);
      notes.add(new Note(new NoteId(i), i % 128, 80, line, 100, new Played(onset, onset + 100)));
    }
    long right =
        plan(SIXTEENTHS, notes).notes().stream().filter(p -> p.line() == p.note().onset()).count();
    double error = Math.sqrt(expected * (1 - expected) / trials);
    assertThat((double) right / trials).isCloseTo(expected, within(4 * error + 0.0005));
  }

  @Test
  void no_note_is_ever_lost_or_made_one_with_another() {
    Random random = new Random(11);
    for (int round = 0; round < 300; round++) {
      List<Note> notes = new ArrayList<>();
      int n = random.nextInt(60);
      for (int i = 0; i < n; i++) {
        long onset = random.nextInt(1200) - 100;
        notes.add(played(60 + random.nextInt(3), onset, onset + 1 + random.nextInt(400)));
      }
      Ends[] ends = Ends.values();
      QuantizeSettings settings =
          (round % 2 == 0 ? QuantizeSettings.standard() : QuantizeSettings.recommended())
              .withGrid(Grid.parse(round % 2 == 0 ? "1/16" : "1/8T"))
              .withStrength(random.nextInt(101))
              .withSwing(50 + random.nextInt(26))
              .withFilter(
                  new NoteFilter(
                      random.nextInt(101), round % 7 == 0, round % 4 * 5, 1 + random.nextInt(200)))
              .withEnds(ends[round % ends.length])
              .withChords(round % 6 == 0 ? Chords.KEEP : Chords.CLOSE)
              .withLag(round % 5 == 0 ? new Lag.Auto() : new Lag.Off());
      List<NotePlan> plans = plan(settings, notes).notes();
      assertThat(plans.stream().map(p -> p.note().id()).collect(Collectors.toSet()))
          .isEqualTo(notes.stream().map(Note::id).collect(Collectors.toSet()));
      assertNoneBecameOne(plans);
    }
  }

  private static void assertNoneBecameOne(List<NotePlan> plans) {
    Set<Long> movedTo = new HashSet<>();
    for (NotePlan p : plans) {
      if (p.outcome() == Outcome.TO_LINE && p.onset() != p.note().onset()) {
        assertThat(movedTo.add(p.onset() * 128 + p.note().pitch())).isTrue();
      }
    }
    for (NotePlan p : plans) {
      if (p.outcome() != Outcome.TO_LINE) {
        assertThat(movedTo).doesNotContain(p.onset() * 128 + p.note().pitch());
      }
    }
  }

  @Test
  void odd_inputs_have_sensible_results() {
    assertThat(plan(SIXTEENTHS, List.of())).isEqualTo(QuantizePlan.NONE);
    QuantizePlan one = plan(SIXTEENTHS.withLag(new Lag.Auto()), List.of(played(60, 250, 300)));
    assertThat(onsets(one)).containsExactly(240L);
    assertThat(one.timing().spreadMs()).isZero();
    List<Note> pile = new ArrayList<>();
    for (int i = 0; i < 10_000; i++) {
      pile.add(played(i % 128, i * 3840L / 10_000, i * 3840L / 10_000 + 10));
    }
    assertThat(plan(SIXTEENTHS, pile).notes()).hasSize(10_000);
    assertThatThrownBy(() -> SIXTEENTHS.withStrength(101)).hasMessageContaining("0 to 100");
    assertThatThrownBy(() -> SIXTEENTHS.withSwing(80)).hasMessageContaining("50 to 75");
    assertThatThrownBy(() -> new Lag.Millis(2000)).hasMessageContaining("-1000 to 1000");
  }

  /** Worked by hand: 1, 2, 4, 9 have median 3, mean 4, squares 9 + 4 + 0 + 25 = 38, 38/3. */
  @Test
  void median_and_standard_deviation_agree_with_a_sum_by_hand() {
    Timing timing = Timing.of(new double[] {9, 1, 4, 2});
    assertThat(timing.lagMs()).isEqualTo(3);
    assertThat(timing.spreadMs()).isCloseTo(Math.sqrt(38.0 / 3), within(1e-12));
    assertThat(Timing.of(new double[] {5, -1, 2}).lagMs()).isEqualTo(2);
    assertThat(Timing.of(new double[0]).lagMs()).isZero();
    Random random = new Random(4);
    for (int n = 1; n < 60; n++) {
      double[] values = random.doubles(n, -9, 9).map(v -> Math.rint(v)).toArray();
      double[] sorted = values.clone();
      Arrays.sort(sorted);
      assertThat(Timing.of(values).lagMs()).isEqualTo((sorted[(n - 1) / 2] + sorted[n / 2]) / 2);
    }
  }

  /** The notes of a chord at 340, 345 and 380 lie 355 in the mean: before half way, 360. */
  @Test
  void a_chord_that_keeps_its_spread_goes_where_its_mean_does_and_what_was_put_for_itself() {
    List<Note> notes =
        List.of(
            played(60, 340, 500),
            played(64, 345, 500),
            played(67, 380, 500),
            Note.placed(new NoteId(900), 72, 90, 370, 100));
    QuantizeSettings keep = SIXTEENTHS.withChords(Chords.KEEP);
    assertThat(plan(keep, notes).notes())
        .extracting(NotePlan::line)
        .containsExactly(240L, 240L, 480L, 240L);
    assertThat(plan(keep.withLag(new Lag.Millis(-25)), notes).notes())
        .as("48 ticks early as a whole; what was put is not")
        .extracting(NotePlan::line)
        .containsExactly(480L, 480L, 480L, 480L);
    assertThat(plan(keep.withLag(new Lag.Millis(25)), notes).notes())
        .extracting(NotePlan::line)
        .containsExactly(240L, 240L, 480L, 240L);
  }
}
