package flailbeat.core.capture;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.event.Performed;
import flailbeat.core.model.Played;
import flailbeat.core.model.control.Control;
import flailbeat.core.time.Loop;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** At 120 bpm; the loop is bar 2, from 2000 to 4000 ms, ticks 3840 to 7680. */
class RecordingTest {
  private static final TempoMap TEMPO = TempoMap.of(TempoMap.DEFAULT);
  private static final long MS = 1_000_000;
  private static final Loop BAR_2 = new Loop(2000 * MS, 4000 * MS);

  private final Recording recording =
      new Recording(TEMPO, 3840, 120 * MS, Optional.of(BAR_2), 60 * MS);
  private final List<Pass> over = new ArrayList<>();

  private void perform(Performed event, long unrolledMs) {
    over.addAll(recording.advance(unrolledMs * MS));
    recording.accept(event, unrolledMs * MS);
  }

  private void on(int pitch, long unrolledMs) {
    perform(new Performed.NoteOn(0, pitch, 90), unrolledMs);
  }

  private void off(int pitch, long unrolledMs) {
    perform(new Performed.NoteOff(0, pitch), unrolledMs);
  }

  private void stop(long unrolledMs) {
    over.addAll(recording.finish(unrolledMs * MS));
  }

  private static NewNote note(int pitch, long onset, long release, long stands) {
    return new NewNote(pitch, 90, new Played(onset, release), stands);
  }

  @Test
  void each_round_is_a_pass_and_its_notes_lie_within_the_loop() {
    on(60, 2500);
    off(60, 2750);
    on(62, 4500);
    off(62, 4750);
    on(64, 8500);
    off(64, 8600);
    stop(8700);
    assertThat(over).extracting(p -> p.done().size()).containsExactly(1, 1, 0, 1);
    assertThat(over.get(0).done()).containsExactly(note(60, 4800, 5280, 4800));
    assertThat(over.get(1).done()).containsExactly(note(62, 4800, 5280, 4800));
    assertThat(recording.number()).isEqualTo(4);
  }

  @Test
  void a_note_held_across_the_end_is_closed_there_and_goes_on_from_the_start() {
    on(60, 3500);
    off(60, 4500);
    stop(5000);
    assertThat(over.get(0).done()).containsExactly(note(60, 6720, 7680, 6720));
    assertThat(over.get(1).done()).containsExactly(note(60, 3840, 4800, 3840));
  }

  @Test
  void a_finger_that_lifts_just_after_the_end_leaves_no_note_there() {
    on(60, 3500);
    off(60, 4050);
    stop(5000);
    assertThat(over.get(0).done()).containsExactly(note(60, 6720, 7680, 6720));
    assertThat(over.get(1).done()).isEmpty();
  }

  @Test
  void a_note_held_over_a_whole_round_fills_it() {
    on(60, 3000);
    off(60, 7000);
    stop(7000);
    assertThat(over).extracting(p -> p.done().size()).containsExactly(1, 1, 1);
    assertThat(over.get(1).done()).containsExactly(note(60, 3840, 7680, 3840));
    assertThat(over.get(2).done()).containsExactly(note(60, 3840, 5760, 3840));
  }

  @Test
  void a_note_just_before_the_end_is_an_early_one_for_the_first_beat_of_the_next_pass() {
    on(60, 3941);
    off(60, 4200);
    stop(5000);
    assertThat(over.get(0).done()).isEmpty();
    assertThat(over.get(1).done()).containsExactly(note(60, 3840 - 113, 3840 + 384, 3840));
  }

  @Test
  void an_early_note_for_a_round_that_never_came_is_kept_all_the_same() {
    on(60, 3990);
    stop(3995);
    assertThat(over).hasSize(2);
    assertThat(over.get(1).done()).containsExactly(note(60, 3821, 3840, 3840));
  }

  @Test
  void a_note_just_before_the_start_stands_at_the_start_and_one_before_that_is_left_out() {
    on(60, 1700);
    off(60, 1750);
    on(62, 1900);
    off(62, 2100);
    stop(3000);
    assertThat(over.get(0).done()).containsExactly(note(62, 3840 - 192, 3840 + 192, 3840));
    assertThat(recording.leftOut()).isEqualTo(1);
  }

  @Test
  void a_pedal_that_is_down_at_the_end_is_put_down_again_at_the_start() {
    perform(new Performed.Control(0, 64, 127), 3000);
    perform(new Performed.Control(0, 64, 0), 5000);
    stop(5500);
    assertThat(over.get(0).controls())
        .containsExactly(
            new NewControl(5760, Control.controller(64, 127)),
            new NewControl(7679, Control.controller(64, 0)));
    assertThat(over.get(1).controls())
        .containsExactly(
            new NewControl(3840, Control.controller(64, 127)),
            new NewControl(5760, Control.controller(64, 0)));
  }

  /** Every 60th press falls on the very start of a round, as what is carried over does. */
  @Test
  void sixteen_keys_and_thirty_presses_a_second_for_ten_minutes_lose_nothing() {
    int presses = 30 * 600;
    int most = 0;
    for (int i = 0; i < presses; i++) {
      long at = 2000 + i * 1000L / 30;
      on(40 + i % 16, at);
      most = Math.max(most, recording.current().held().size());
      if (i >= 15) {
        off(40 + (i - 15) % 16, at + 1);
      }
    }
    stop(2000 + 600_000);
    long struck =
        over.stream()
            .flatMap(p -> p.done().stream())
            .filter(n -> n.played().onset() != 3840)
            .count();
    assertThat(most).isEqualTo(16);
    assertThat(over).hasSize(301);
    assertThat(struck).isEqualTo(presses - presses / 60);
  }

  @Test
  void at_the_very_end_a_round_is_over_and_the_song_stands_at_its_start() {
    assertThat(recording.advance(4000 * MS - 1)).isEmpty();
    assertThat(recording.advance(4000 * MS)).hasSize(1);
    assertThat(recording.songNanos(4500 * MS)).isEqualTo(2500 * MS);
  }

  @Test
  void a_pitch_struck_again_early_for_the_next_round_ends_where_it_is_struck_again() {
    on(60, 3500);
    on(60, 3990);
    off(60, 4500);
    stop(5000);
    assertThat(over.get(0).done()).containsExactly(note(60, 6720, 7661, 6720));
    assertThat(over.get(1).done()).containsExactly(note(60, 3821, 4800, 3840));
  }

  @Test
  void a_stroke_that_is_heard_of_after_a_later_one_does_not_take_its_place() {
    on(60, 3990);
    on(60, 3900);
    off(60, 4500);
    stop(5000);
    assertThat(over.get(0).done()).containsExactly(note(60, 7488, 7680, 7488));
    assertThat(over.get(1).done()).containsExactly(note(60, 3821, 4800, 3840));
  }

  @Test
  void while_an_early_note_is_held_others_end_in_their_own_round() {
    on(62, 3500);
    on(60, 3940);
    off(62, 3990);
    off(60, 3995);
    stop(5000);
    assertThat(over.get(0).done()).containsExactly(note(62, 6720, 7661, 6720));
    assertThat(over.get(1).done()).containsExactly(note(60, 3725, 3830, 3840));
  }

  @Test
  void what_came_too_early_is_still_counted_rounds_later() {
    on(60, 1700);
    off(60, 1750);
    stop(7000);
    assertThat(recording.leftOut()).isEqualTo(1);
  }

  @Test
  void a_bend_held_over_the_end_springs_back_there_and_a_pedal_at_rest_stays_at_rest() {
    perform(new Performed.Control(0, 64, 127), 2500);
    perform(new Performed.Control(0, 64, 0), 2750);
    perform(new Performed.Bend(0, 16_383), 3000);
    stop(5000);
    assertThat(over.get(0).controls())
        .endsWith(
            new NewControl(5760, Control.bend(16_383)), new NewControl(7679, Control.bend(8192)));
    assertThat(over.get(1).controls()).containsExactly(new NewControl(3840, Control.bend(16_383)));
  }
}
