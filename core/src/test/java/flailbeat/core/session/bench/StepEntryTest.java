package flailbeat.core.session.bench;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.session.SessionRig;
import flailbeat.core.session.hands.Performer;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.step.StepLength;
import flailbeat.core.transport.Transport.State;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Steps in a session. A is C4, S is D4, D is E4. */
class StepEntryTest extends SessionRig {
  private final StepEntry steps = session.steps();
  private final Performer performer = session.performer();

  @BeforeEach
  void atSteps() {
    session.keysSwitch().set(KeysMode.STEPS);
  }

  private void down(PhysicalKey key) {
    performer.press(key, nowMs * MS);
  }

  private void up(PhysicalKey key) {
    performer.release(key, nowMs * MS);
  }

  private void tap(PhysicalKey... keys) {
    for (PhysicalKey key : keys) {
      down(key);
      up(key);
    }
  }

  private List<String> lines() {
    return notes().stream().map(n -> n.onset() + " " + n.pitch() + " " + n.length()).toList();
  }

  @Test
  void every_entry_is_one_undo_step_that_puts_the_cursor_back() {
    tap(PhysicalKey.A, PhysicalKey.S);
    steps.advance();
    tap(PhysicalKey.D);
    session.editing().undo();
    assertThat(lines()).containsExactly("0 60 960", "960 62 960");
    assertThat(steps.place().cursorTick()).isEqualTo(2880);
    session.editing().undo();
    assertThat(steps.place().cursorTick()).isEqualTo(960);
    session.editing().redo();
    assertThat(steps.place().cursorTick()).isEqualTo(1920);
    steps.remove();
    assertThat(lines()).containsExactly("0 60 960");
    assertThat(steps.place().cursorTick()).isEqualTo(960);
  }

  @Test
  void undo_with_keys_held_takes_back_what_they_entered_and_they_can_enter_it_anew() {
    down(PhysicalKey.A);
    steps.advance();
    session.editing().undo();
    assertThat(notes()).isEmpty();
    up(PhysicalKey.A);
    assertThat(notes()).as("it was taken back").isEmpty();
    down(PhysicalKey.S);
    steps.advance();
    session.editing().undo();
    steps.advance();
    up(PhysicalKey.S);
    assertThat(lines()).containsExactly("0 62 960");
  }

  @Test
  void a_chord_that_is_held_as_the_focus_goes_is_entered_and_nothing_hangs() {
    down(PhysicalKey.A);
    down(PhysicalKey.D);
    performer.releaseAll(nowMs * MS);
    assertThat(lines()).containsExactly("0 60 960", "0 64 960");
    assertThat(player.sounding).isEmpty();
    assertThat(steps.held()).isEmpty();
  }

  @Test
  void the_switch_moved_with_keys_held_enters_them_and_none_sounds_on() {
    down(PhysicalKey.A);
    session.keysSwitch().set(KeysMode.PLAY);
    assertThat(lines()).containsExactly("0 60 960");
    assertThat(player.sounding).isEmpty();
    tap(PhysicalKey.S);
    assertThat(notes()).as("at Play nothing is entered").hasSize(1);
  }

  @Test
  void a_song_starts_playing_under_held_keys_and_they_are_entered_where_the_cursor_stands() {
    tap(PhysicalKey.A, PhysicalKey.S, PhysicalKey.D);
    down(PhysicalKey.A);
    session.run().playOrStop();
    runTo(500);
    up(PhysicalKey.A);
    assertThat(lines()).contains("2880 60 960");
    assertThat(runControl.transport().state()).isEqualTo(State.PLAYING);
    assertThat(pitches(player.plan())).hasSize(4);
  }

  @Test
  void the_track_that_goes_under_held_keys_is_told_of_and_no_other_gets_its_notes() {
    session.tracks().add(Instrument.melodic(0));
    down(PhysicalKey.A);
    session.editing().undo();
    assertThat(session.song().tracks()).hasSize(1);
    assertThat(notes()).isEmpty();
    assertThat(player.sounding).isEmpty();
    assertThat(session.notices().current().text())
        .isEqualTo("The track is gone: C4 cannot be entered");
  }

  @Test
  void another_track_chosen_under_held_keys_gets_none_of_them() {
    session.tracks().add(Instrument.melodic(0));
    down(PhysicalKey.A);
    session.document().chooseTrack(session.song().tracks().get(0).id());
    assertThat(notes()).isEmpty();
    assertThat(session.song().tracks().get(1).notes()).hasSize(1);
  }

  @Test
  void on_another_track_backspace_and_tie_leave_the_step_that_was_entered_out_of_sight() {
    session.tracks().add(Instrument.melodic(0));
    tap(PhysicalKey.A);
    session.document().chooseTrack(session.song().tracks().get(0).id());
    steps.tie();
    steps.remove();
    assertThat(session.song().tracks().get(1).notes())
        .extracting(Note::length)
        .containsExactly(960L);
    assertThat(steps.place().cursorTick()).as("as far as a step goes back").isZero();
  }

  @Test
  void taps_that_measure_the_lag_want_the_keys_at_play_and_enter_nothing() {
    session.run().calibrate();
    assertThat(runControl.isCalibrating()).isFalse();
    assertThat(session.notices().current().text()).contains("put them at Play");
  }

  @Test
  void recording_is_refused_at_steps_and_steps_are_while_recording() {
    session.run().recordOrStop();
    assertThat(runControl.transport().isRunning()).isFalse();
    assertThat(session.notices().current().warning()).isTrue();
    session.keysSwitch().set(KeysMode.PLAY);
    session.run().recordOrStop();
    session.keysSwitch().set(KeysMode.STEPS);
    assertThat(performer.keysMode()).isEqualTo(KeysMode.PLAY);
    session.run().recordOrStop();
  }

  @Test
  void the_cursor_starts_where_the_song_would_and_stays_where_it_was_put() {
    session.open(HarbourLamps.song(), Optional.empty());
    session.keysSwitch().set(KeysMode.PLAY);
    runControl.seek(7680);
    session.keysSwitch().set(KeysMode.STEPS);
    assertThat(steps.place().cursorTick()).isEqualTo(7680);
    steps.moveTo(960);
    session.keysSwitch().set(KeysMode.PLAY);
    runControl.seek(0);
    session.keysSwitch().set(KeysMode.STEPS);
    assertThat(steps.place().cursorTick()).isEqualTo(960);
    session.open(Song.empty(), Optional.empty());
    session.keysSwitch().set(KeysMode.STEPS);
    assertThat(steps.place().cursorTick()).isZero();
  }

  @Test
  void off_the_grid_after_triplets_one_key_brings_it_back_on_a_line() {
    steps.chooseLength(StepLength.of(8).triplet());
    tap(PhysicalKey.A);
    steps.moveToLine(1);
    assertThat(steps.place().cursorTick()).isEqualTo(480);
    steps.moveToLine(-1);
    assertThat(steps.place().cursorTick()).isEqualTo(240);
  }

  @Test
  void home_and_end_are_the_clips() {
    session.open(HarbourLamps.song(), Optional.empty());
    steps.moveTo(5000);
    steps.moveToClipEnd();
    assertThat(steps.place().cursorTick())
        .isEqualTo(session.document().track().clips().get(0).end());
    steps.moveToClipStart();
    assertThat(steps.place().cursorTick())
        .isEqualTo(session.document().track().clips().get(0).start());
  }

  @Test
  void velocity_is_what_the_keys_and_the_device_gave() {
    performer.setVelocity(112);
    tap(PhysicalKey.A);
    performer.pressOnDevice(65, 23, nowMs * MS);
    performer.releaseOnDevice(65, nowMs * MS);
    assertThat(notes()).extracting(Note::velocity).containsExactly(112, 23);
  }

  @Test
  void what_is_entered_without_a_key_sounds_for_a_moment_and_never_hangs() {
    down(PhysicalKey.A);
    assertThat(player.sounding).containsExactly("0:60");
    up(PhysicalKey.A);
    steps.repeatLast();
    assertThat(player.sounding).containsExactly("0:60");
    runTo(400);
    assertThat(player.sounding).isEmpty();
    steps.set(steps.settings().withSounds(false));
    int before = player.log.size();
    tap(PhysicalKey.S);
    steps.repeatLast();
    assertThat(player.log.subList(before, player.log.size()))
        .noneMatch(line -> line.startsWith("on"));
  }

  @Test
  void a_tapped_rhythm_gets_its_pitches_afterwards_and_keeps_its_time() {
    session.keysSwitch().set(KeysMode.PLAY);
    runControl.setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
    session.run().recordOrStop();
    for (int i = 0; i < 4; i++) {
      strike(PhysicalKey.A, 400 * i + 13 * i);
    }
    session.run().recordOrStop();
    List<Note> tapped = notes();
    session.keysSwitch().set(KeysMode.STEPS);
    steps.set(steps.settings().withOntoRhythm(true));
    tap(PhysicalKey.D, PhysicalKey.F, PhysicalKey.G, PhysicalKey.H);
    assertThat(notes()).extracting(Note::pitch).containsExactly(64, 65, 67, 69);
    assertThat(notes())
        .extracting(Note::played)
        .isEqualTo(tapped.stream().map(Note::played).toList());
    assertThat(notes())
        .extracting(Note::length)
        .isEqualTo(tapped.stream().map(Note::length).toList());
  }

  @Test
  void a_track_added_meanwhile_does_not_move_the_cursor() {
    tap(PhysicalKey.A);
    session.editing().edit("Tracks", s -> SongEdits.addTrack(s, Instrument.melodic(5)));
    assertThat(steps.place().cursorTick()).isEqualTo(960);
  }
}
