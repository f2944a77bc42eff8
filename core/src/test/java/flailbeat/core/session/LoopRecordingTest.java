package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.TestSongs;
import flailbeat.core.capture.RecordingMode;
import flailbeat.core.edit.shapes.PedalBars;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Controller;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Recording round a loop of one bar: 3840 ticks, two seconds. Recording starts at 10 s. */
class LoopRecordingTest extends SessionRig {
  private static final TickRange BAR_1 = new TickRange(0, 3840);

  @BeforeEach
  void loopOneBar() {
    runControl.setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
    session.run().loop(BAR_1);
  }

  private void record(RecordingMode mode) {
    runControl.setRecordSettings(runControl.recordSettings().withMode(mode));
    session.run().recordOrStop();
  }

  private List<Integer> heardNow() {
    return pitches(player.plan());
  }

  private List<Integer> readyForNextRound() {
    return pitches(player.nextRound());
  }

  @Test
  void passes_layer_and_each_is_one_undo_step() {
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 10);
    strike(PhysicalKey.S, 1000);
    runTo(1900);
    assertThat(readyForNextRound()).as("before the loop begins anew").containsExactly(60, 62);
    strike(PhysicalKey.D, 2500);
    assertThat(runControl.passNumber()).isEqualTo(2);
    assertThat(heardNow()).containsExactly(60, 62);
    runTo(4100);
    assertThat(heardNow()).containsExactly(60, 64, 62);
    session.run().recordOrStop();
    assertThat(session.notices().current().text())
        .isEqualTo("Recorded 3 notes in 2 passes onto Track 1");
    assertThat(notes()).extracting(Note::onset).containsExactly(19L, 960L, 1920L);
    assertThat(session.document().undoLabel()).contains("Pass 2: 1 note");
    session.editing().undo();
    assertThat(notes()).hasSize(2);
    session.editing().undo();
    assertThat(notes()).isEmpty();
  }

  @Test
  void the_last_pass_can_be_dropped_without_stopping() {
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 10);
    strike(PhysicalKey.S, 2500);
    session.run().dropLastPass();
    assertThat(session.notices().current().text()).isEqualTo("Dropped pass 2: 1 note");
    runTo(4100);
    assertThat(notes()).extracting(Note::pitch).containsExactly(60);
    session.run().dropLastPass();
    assertThat(session.notices().current().text()).isEqualTo("Dropped pass 1: 1 note");
    assertThat(notes()).isEmpty();
    strike(PhysicalKey.D, 4500);
    session.run().recordOrStop();
    assertThat(notes()).extracting(Note::pitch).containsExactly(64);
  }

  @Test
  void replacing_clears_from_the_first_note_played_and_leaves_an_idle_pass_alone() {
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 10);
    strike(PhysicalKey.S, 1500);
    session.run().recordOrStop();
    nowMs = 10_000;
    record(RecordingMode.REPLACE);
    runTo(2100);
    assertThat(heardNow()).as("nothing was played yet").containsExactly(60, 62);
    strike(PhysicalKey.D, 3000);
    assertThat(heardNow()).as("from the note on, nothing old").containsExactly(60);
    runTo(3700);
    session.run().recordOrStop();
    assertThat(notes()).extracting(Note::pitch).containsExactly(60, 64);
  }

  @Test
  void replacing_always_clears_what_the_pass_runs_over() {
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 10);
    session.run().recordOrStop();
    nowMs = 10_000;
    runControl.setRecordSettings(runControl.recordSettings().withAlwaysReplace(true));
    record(RecordingMode.REPLACE);
    assertThat(heardNow()).isEmpty();
    runTo(2100);
    session.run().recordOrStop();
    assertThat(notes()).isEmpty();
    session.editing().undo();
    assertThat(notes()).hasSize(1);
  }

  @Test
  void takes_are_kept_apart_and_the_ones_before_are_silent_while_another_is_played() {
    record(RecordingMode.TAKES);
    strike(PhysicalKey.A, 10);
    strike(PhysicalKey.S, 2500);
    assertThat(heardNow()).isEmpty();
    runTo(4500);
    session.run().recordOrStop();
    assertThat(session.notices().current().text())
        .isEqualTo("Recorded 2 notes in 2 passes onto Track 1, take 2");
    assertThat(notes()).extracting(Note::pitch).containsExactly(62);
    session.editing().stepTake(-1);
    assertThat(notes()).extracting(Note::pitch).containsExactly(60);
    session.editing().stepTake(1);
    session.editing().removeTake();
    assertThat(notes()).extracting(Note::pitch).containsExactly(60);
    session.editing().undo();
    assertThat(notes()).extracting(Note::pitch).containsExactly(62);
  }

  @Test
  void quantizing_while_recording_puts_notes_on_lines_and_keeps_when_they_were_played() {
    runControl.setRecordSettings(runControl.recordSettings().withQuantize(true));
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 20);
    strike(PhysicalKey.S, 540);
    strike(PhysicalKey.D, 1975);
    runTo(4100);
    session.run().recordOrStop();
    assertThat(notes()).extracting(Note::onset).containsExactly(0L, 0L, 960L);
    assertThat(notes()).extracting(n -> n.played().onset()).containsExactly(38L, -48L, 1037L);
    session.editing().undo();
    session.editing().undo();
    assertThat(notes()).isEmpty();
  }

  /** At 180 bpm a sixteenth lasts 83 ms: a part between the beats, 55 ms late, is 28 ms early. */
  @ParameterizedTest
  @EnumSource(names = {"OVERDUB", "TAKES"})
  void a_pass_between_the_beats_is_quantized_as_late_as_the_pass_before_was(RecordingMode mode) {
    session.open(Song.empty().withTempos(TempoMap.of(Tempo.ofBpm(180))), Optional.empty());
    session.run().loop(new TickRange(0, 4 * 3840));
    runControl.setRecordSettings(runControl.recordSettings().withQuantize(true));
    record(mode);
    int[] before = {0, 2, 4, 6, 7, 8, 10, 12, 14};
    int[] between = {3, 7, 11};
    strikeBars(0, PhysicalKey.A, before);
    strikeBars(4, PhysicalKey.D, between);
    runTo(Math.round(8 * 4000 / 3.0) + 50);
    session.run().stop();
    assertThat(notes().stream().filter(n -> n.pitch() == 64).map(n -> n.onset() % 3840 / 240.0))
        .hasSize(12)
        .containsOnly(3.0, 7.0, 11.0);
  }

  private void strikeBars(int from, PhysicalKey key, int... steps) {
    for (int bar = from; bar < from + 4; bar++) {
      for (int step : steps) {
        double ms = (bar * 16 + step) * 1000 / 12.0 + 55 + (bar * 7 + step * 5) % 9 - 4;
        runTo(Math.round(ms));
        session.performer().press(key, nowMs * MS);
        runTo(Math.round(ms) + 30);
        session.performer().release(key, nowMs * MS);
      }
    }
  }

  @Test
  void the_input_offset_is_taken_off_what_is_recorded() {
    runControl.setRecordSettings(runControl.recordSettings().withOffsetMs(40));
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 540);
    session.run().recordOrStop();
    assertThat(notes()).extracting(Note::onset).containsExactly(960L);
  }

  @Test
  void a_sweep_with_a_note_key_wipes_that_note_as_it_passes_in_one_step() {
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 10);
    strike(PhysicalKey.S, 300);
    strike(PhysicalKey.A, 500);
    strike(PhysicalKey.A, 1500);
    session.run().recordOrStop();
    nowMs = 10_000;
    session.run().playOrStop();
    runTo(200);
    session.run().sweep(true);
    session.performer().press(PhysicalKey.A, nowMs * MS);
    assertThat(heardNow()).as("out of hearing at once").containsExactly(62);
    runTo(900);
    session.run().sweep(false);
    session.performer().release(PhysicalKey.A, nowMs * MS);
    assertThat(session.notices().current().text()).isEqualTo("Swept 1 note");
    assertThat(notes()).extracting(Note::pitch).containsExactly(60, 62, 60);
    session.editing().undo();
    assertThat(notes()).hasSize(4);
  }

  @Test
  void a_sweep_held_alone_wipes_all_notes_round_the_loop_but_not_by_a_slip() {
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 10);
    strike(PhysicalKey.S, 1000);
    strike(PhysicalKey.D, 1500);
    session.run().recordOrStop();
    nowMs = 10_000;
    session.run().playOrStop();
    runTo(900);
    session.run().sweep(true);
    runTo(1100);
    session.run().sweep(false);
    assertThat(notes()).hasSize(3);
    runTo(1400);
    session.run().sweep(true);
    runTo(2100);
    session.run().sweep(false);
    assertThat(notes()).extracting(Note::pitch).containsExactly(62);
  }

  @Test
  void a_start_behind_the_loop_begins_at_the_loop() {
    runControl.seek(7680);
    session.run().playOrStop();
    assertThat(runControl.positionTicks()).isZero();
    runTo(2500);
    assertThat(runControl.positionTicks()).isEqualTo(960);
    session.run().toggleLoop();
    assertThat(runControl.positionTicks()).as("goes on from where it is").isEqualTo(960);
    assertThat(runControl.transport().loop()).isEmpty();
    session.run().stop();
    assertThat(runControl.playStartTicks()).isEqualTo(7680);
  }

  @Test
  void the_loop_is_chosen_from_notes_and_made_longer_and_moved_by_bars() {
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 10);
    session.run().lengthenLoop(1);
    assertThat(session.notices().current().text()).contains("Stop recording first");
    session.run().recordOrStop();
    session.run().lengthenLoop(1);
    assertThat(session.notices().current().text()).isEqualTo("Loop: bars 1 to 2");
    session.run().moveLoop(2);
    assertThat(runControl.looping().active()).contains(new TickRange(7680, 15360));
    session.run().lengthenLoop(-5);
    assertThat(session.notices().current().text()).isEqualTo("Loop: bars 3 to 3");
    session.run().loopScope();
    assertThat(runControl.looping().active()).contains(BAR_1);
    session.run().toggleLoop();
    assertThat(session.notices().current().text()).isEqualTo("No loop");
  }

  @ParameterizedTest
  @ValueSource(ints = {30, 80, 200})
  void a_last_note_held_over_the_seam_is_no_reason_to_wipe_the_round_that_is_only_listened_to(
      int overMs) {
    record(RecordingMode.REPLACE);
    strike(PhysicalKey.A, 10);
    strike(PhysicalKey.S, 700);
    runTo(1500);
    session.performer().press(PhysicalKey.D, nowMs * MS);
    runTo(2000 + overMs);
    session.performer().release(PhysicalKey.D, nowMs * MS);
    runTo(6500);
    session.run().stop();
    assertThat(notes()).extracting(Note::pitch).contains(60, 62, 64);
    assertThat(notes()).filteredOn(n -> n.pitch() == 60).hasSize(1);
  }

  @Test
  void the_tail_of_a_note_held_over_the_seam_is_no_take() {
    record(RecordingMode.TAKES);
    strike(PhysicalKey.A, 10);
    runTo(1500);
    session.performer().press(PhysicalKey.D, nowMs * MS);
    runTo(2200);
    session.performer().release(PhysicalKey.D, nowMs * MS);
    runTo(4100);
    session.run().stop();
    assertThat(session.document().track().clips()).hasSize(1);
    assertThat(session.document().clip().orElseThrow().takes().isChoice()).isFalse();
    assertThat(notes()).extracting(Note::pitch).contains(60, 64);
  }

  @Test
  void what_is_recorded_over_a_loop_leaves_its_rounds_behind_the_range_where_they_were() {
    Song looping =
        TestSongs.song(
            TestSongs.clip(
                2, 0, 4 * 3840, 3840, List.of(TestSongs.note(10, 48, 0, 960)), List.of()));
    session.open(looping, Optional.empty());
    session.run().loop(BAR_1);
    runControl.setRecordSettings(runControl.recordSettings().withQuantize(true));
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 510);
    runTo(2500);
    session.run().stop();
    assertThat(TestSongs.heard(session.song()))
        .isEqualTo("48@0+960 60@960+192 48@3840+960 48@7680+960 48@11520+960");
  }

  @Test
  void a_pedal_held_over_the_seam_leaves_the_pedal_of_the_clip_that_begins_there_alone() {
    Song song =
        TestSongs.song(
            TestSongs.clip(
                2,
                3840,
                3840,
                Clip.NEVER,
                List.of(TestSongs.note(10, 48, 0, 480)),
                List.of(TestSongs.point(20, 0, 64, 127), TestSongs.point(21, 3000, 64, 0))));
    session.open(song, Optional.empty());
    session.run().loop(BAR_1);
    for (RecordingMode mode : RecordingMode.values()) {
      startMs = nowMs;
      record(mode);
      runTo(100);
      session.performer().sustain(true, nowMs * MS);
      strike(PhysicalKey.A, 500);
      runTo(2500);
      session.performer().sustain(false, nowMs * MS);
      runTo(3900);
      session.run().stop();
      assertThat(TestSongs.clips(session.song())).as("%s", mode).isEqualTo("0-3840 3840-7680");
      assertThat(
              PedalBars.of(
                  session.document().track(), Controller.SUSTAIN, new TickRange(3840, 9999)))
          .as("%s", mode)
          .containsExactly(new TickRange(3840, 6840));
    }
  }

  @Test
  void the_pedal_goes_along_with_what_is_quantized_while_recording() {
    runControl.setRecordSettings(
        runControl.recordSettings().withQuantize(true).withMode(RecordingMode.OVERDUB));
    session.run().recordOrStop();
    runTo(530);
    session.performer().press(PhysicalKey.A, nowMs * MS);
    runTo(550);
    session.performer().sustain(true, nowMs * MS);
    runTo(700);
    session.performer().release(PhysicalKey.A, nowMs * MS);
    runTo(1400);
    session.performer().sustain(false, nowMs * MS);
    runTo(1900);
    session.run().stop();
    assertThat(notes()).extracting(Note::onset).containsExactly(960L);
    assertThat(TestSongs.controls(session.song())).isEqualTo("64=127@998 64=0@2688");
  }

  @Test
  void keep_after_four_rounds_of_a_loop_keeps_the_last_and_says_so() {
    session.run().playOrStop();
    for (int round = 0; round < 4; round++) {
      strike(PhysicalKey.A, 500 + round * 2000);
      strike(PhysicalKey.S, 1000 + round * 2000 + 10 * round);
    }
    strike(PhysicalKey.D, 7980);
    runTo(8300);
    strike(PhysicalKey.F, 8500);
    session.run().keepPhrase();
    assertThat(TestSongs.heard(session.song())).isEqualTo("64@0+154 65@960+192");
    assertThat(session.notices().current().text()).contains("the last of 5 rounds");
  }
}
