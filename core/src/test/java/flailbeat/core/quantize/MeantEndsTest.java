package flailbeat.core.quantize;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.quantize.QuantizeSettings.Ends;
import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Where notes were meant to end is found, however they are articulated; 120 bpm, in 1/16. */
class MeantEndsTest {
  private static final QuantizeSettings MEANT =
      QuantizeSettings.recommended().withGrid(Grid.parse("1/16")).withEnds(Ends.MEANT);

  private static final long EIGHTH = 480;
  private static final long QUARTER = 960;

  private final Random random = new Random(5);
  private final List<Note> notes = new ArrayList<>();
  private final List<Long> written = new ArrayList<>();

  /** Played late and unevenly, for a share of its written length. */
  private void play(int pitch, long onset, long length, double share) {
    long late = 40 + Math.round(18 * random.nextGaussian());
    long release = onset + Math.round(share * length) + 50 + Math.round(18 * random.nextGaussian());
    NoteId id = new NoteId(notes.size() + 1L);
    notes.add(Note.asPlayed(id, pitch, 80, new Played(onset + late, release)));
    written.add(onset + length);
  }

  private QuantizePlan plan(QuantizeSettings settings, List<Note> others) {
    return Quantizer.of(settings, TempoMap.of(TempoMap.DEFAULT), MeterMap.of(Meter.COMMON))
        .plan(notes, others);
  }

  private List<Long> ends(QuantizeSettings settings) {
    List<Long> ends = new ArrayList<>(written);
    for (NotePlan plan : plan(settings, List.of()).notes()) {
      ends.set((int) plan.note().id().value() - 1, plan.onset() + plan.length());
    }
    return ends;
  }

  /** Six bars: quarters, eighths, and once in each bar a rest of a quarter. */
  private void playLine(double share) {
    for (long bar = 0; bar < 6 * 3840; bar += 3840) {
      play(60, bar, QUARTER, share);
      play(62, bar + QUARTER, EIGHTH, share);
      play(64, bar + QUARTER + EIGHTH, EIGHTH, share);
      play(65, bar + 2 * QUARTER, QUARTER, share);
    }
  }

  @ParameterizedTest
  @CsvSource({"1, legato", "0.8, detached", "0.5, staccato"})
  void a_line_keeps_its_written_ends_and_its_rests(double share, String habit) {
    playLine(share);
    assertThat(ends(MEANT)).as(habit).isEqualTo(written);
    if (share < 1) {
      assertThat(ends(MEANT.withEnds(Ends.SNAP))).as("rounded").isNotEqualTo(written);
    }
  }

  @ParameterizedTest
  @CsvSource({"1, legato", "0.8, detached"})
  void a_low_voice_is_held_under_what_moves_above_it(double share, String habit) {
    for (long bar = 0; bar < 6 * 3840; bar += 3840) {
      for (int half = 0; half < 2; half++) {
        play(40 + half, bar + half * 2 * QUARTER, 2 * QUARTER, share);
        for (int i = 0; i < 4; i++) {
          play(60 + 2 * i, bar + half * 2 * QUARTER + i * EIGHTH, EIGHTH, share);
        }
      }
    }
    assertThat(ends(MEANT)).as(habit).isEqualTo(written);
  }

  @Test
  void the_notes_of_a_chord_end_together_and_one_that_is_held_on_does_not() {
    for (long bar = 0; bar < 4 * 3840; bar += 3840) {
      for (int pitch : new int[] {60, 64, 67}) {
        play(pitch, bar, 2 * QUARTER, 1);
        play(pitch + 1, bar + 2 * QUARTER, QUARTER, 1);
      }
      play(48, bar, 3840, 1);
    }
    assertThat(ends(MEANT)).isEqualTo(written);
  }

  /** Let go some way after an eighth, where the next note comes after a quarter. */
  @Test
  void an_end_that_may_be_one_or_the_other_is_told_as_doubtful() {
    playLine(1);
    notes.add(Note.asPlayed(new NoteId(99), 72, 80, new Played(6 * 3840 + 40, 6 * 3840 + 840)));
    written.add(0L);
    play(74, 6 * 3840 + QUARTER, QUARTER, 1);
    QuantizePlan plan = plan(MEANT, List.of());
    NotePlan odd =
        plan.notes().stream().filter(p -> p.note().pitch() == 72).findFirst().orElseThrow();
    assertThat(odd.meant().isDoubtful()).isTrue();
    assertThat(odd.meant().other()).isNotEqualTo(odd.onset() + odd.length());
    assertThat(plan.doubtfulEnds()).isEqualTo(1);
    assertThat(plan(MEANT.withEnds(Ends.KEEP), List.of()).doubtfulEnds()).isZero();
  }

  @Test
  void with_half_the_strength_an_end_goes_half_the_way_and_what_was_put_keeps_its_length() {
    playLine(0.5);
    notes.add(Note.placed(new NoteId(100), 30, 80, 6 * 3840, 77));
    NotePlan whole = plan(MEANT, List.of()).notes().getFirst();
    NotePlan half = plan(MEANT.withStrength(50), List.of()).notes().getFirst();
    NotePlan none =
        plan(MEANT.withStrength(0).withLag(new Lag.Off()), List.of()).notes().getFirst();
    assertThat(whole.length()).isEqualTo(QUARTER);
    assertThat(none.length()).isEqualTo(none.note().length());
    assertThat(half.length()).isBetween(none.length() + 100, whole.length() - 100);
    assertThat(plan(MEANT, List.of()).notes().getLast().length()).isEqualTo(77);
  }

  @Test
  void no_note_reaches_into_the_next_of_its_pitch_on_its_track_and_a_lone_one_has_an_end() {
    play(60, 0, QUARTER, 0.5);
    Note next = Note.placed(new NoteId(50), 60, 80, EIGHTH, 100);
    NotePlan first = plan(MEANT, List.of(next)).notes().getFirst();
    assertThat(first.onset() + first.length()).isLessThanOrEqualTo(EIGHTH);
    assertThat(plan(MEANT, List.of()).notes().getFirst().length()).isPositive();
  }
}
