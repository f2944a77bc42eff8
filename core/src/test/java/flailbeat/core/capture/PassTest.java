package flailbeat.core.capture;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.event.Performed.Control;
import flailbeat.core.event.Performed.NoteOff;
import flailbeat.core.event.Performed.NoteOn;
import flailbeat.core.model.Played;
import flailbeat.core.time.TempoMap;
import org.junit.jupiter.api.Test;

/** At 120 bpm a quarter of 960 ticks lasts half a second. */
class PassTest {
  private static final TempoMap TEMPO = TempoMap.of(TempoMap.DEFAULT);
  private static final long MS = 1_000_000;

  private final Pass pass = new Pass(TEMPO, 0, 120 * MS);

  private void on(int pitch, long atMs) {
    pass.accept(new NoteOn(0, pitch, 90), atMs * MS);
  }

  private void off(int pitch, long atMs) {
    pass.accept(new NoteOff(0, pitch), atMs * MS);
  }

  @Test
  void notes_get_the_ticks_of_their_times() {
    on(60, 500);
    off(60, 750);
    assertThat(pass.finish(1000 * MS)).containsExactly(new NewNote(60, 90, new Played(960, 1440)));
  }

  @Test
  void a_held_note_is_there_while_held_and_ends_with_the_pass() {
    on(60, 500);
    assertThat(pass.held()).containsExactly(new Pass.Held(960, 60, 90, false));
    assertThat(pass.finish(1000 * MS)).containsExactly(new NewNote(60, 90, new Played(960, 1920)));
    assertThat(pass.held()).isEmpty();
  }

  @Test
  void a_note_just_ahead_of_the_start_belongs_and_an_earlier_one_is_counted() {
    on(60, -400);
    off(60, -300);
    on(62, -119);
    off(62, 200);
    assertThat(pass.leftOut()).isEqualTo(1);
    assertThat(pass.finish(1000 * MS)).containsExactly(new NewNote(62, 90, new Played(-228, 384)));
  }

  @Test
  void the_same_pitch_again_ends_the_first_and_a_stroke_has_some_length() {
    on(60, 0);
    on(60, 500);
    off(60, 500);
    assertThat(pass.finish(1000 * MS))
        .extracting(n -> n.played().length())
        .containsExactly(960L, 1L);
  }

  @Test
  void a_release_without_a_note_is_nothing() {
    off(60, 100);
    assertThat(pass.finish(200 * MS)).isEmpty();
  }

  @Test
  void a_note_at_the_very_edge_of_the_catch_belongs() {
    on(60, -120);
    off(60, 200);
    assertThat(pass.leftOut()).isZero();
    assertThat(pass.finish(1000 * MS)).hasSize(1);
  }

  @Test
  void a_late_finger_leaves_nothing_and_one_a_little_later_a_note() {
    Pass following = Pass.following(TEMPO, 3840, 60 * MS);
    following.carryOn(new Pass.Held(0, 60, 90, false));
    following.carryOn(new Pass.Held(0, 62, 90, false));
    assertThat(following.hasNotes()).isFalse();
    assertThat(following.holds(60)).isTrue();
    assertThat(following.holds(61)).isFalse();
    following.accept(new NoteOff(0, 60), 2060 * MS);
    following.accept(new NoteOff(0, 62), 2061 * MS);
    assertThat(following.done()).extracting(NewNote::pitch).containsExactly(62);
    assertThat(following.startTick()).isEqualTo(3840);
  }

  @Test
  void what_is_held_counts_as_struck_and_the_last_value_at_a_tick_holds() {
    assertThat(pass.hasNotes()).isFalse();
    on(60, 100);
    assertThat(pass.hasNotes()).isTrue();
    pass.accept(new Control(0, 1, 10), -50 * MS);
    pass.accept(new Control(0, 64, 127), -40 * MS);
    pass.accept(new Control(0, 1, 20), 0);
    assertThat(pass.controls())
        .containsExactly(
            new NewControl(0, flailbeat.core.model.control.Control.controller(64, 127)),
            new NewControl(0, flailbeat.core.model.control.Control.controller(1, 20)));
  }
}
