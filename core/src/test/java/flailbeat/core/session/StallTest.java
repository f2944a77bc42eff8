package flailbeat.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.capture.RecordingMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Note;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.time.TickRange;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * Work that is in danger when the sound stalls, near a seam of the loop, or as something is undone.
 * At 120 bpm a bar lasts two seconds.
 */
class StallTest extends SessionRig {
  private static final PhysicalKey[] KEYS = {PhysicalKey.A, PhysicalKey.S, PhysicalKey.D};

  @BeforeEach
  void noCountIn() {
    runControl.setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
  }

  private void start(Runnable how) {
    startMs = nowMs;
    how.run();
  }

  private void record(RecordingMode mode) {
    runControl.setRecordSettings(runControl.recordSettings().withMode(mode));
    start(session.run()::recordOrStop);
  }

  private void recordEvery(long stepMs, int count) {
    record(RecordingMode.OVERDUB);
    for (int i = 0; i < count; i++) {
      strike(KEYS[i % KEYS.length], 10 + i * stepMs);
    }
    session.run().recordOrStop();
  }

  @Test
  void a_stall_while_sweeping_costs_no_note_that_was_not_passed() {
    recordEvery(250, 8);
    start(session.run()::playOrStop);
    runTo(900);
    session.run().sweep(true);
    session.performer().press(PhysicalKey.A, nowMs * MS);
    runTo(1100);
    player.stepBack(40 * MS);
    runTo(1300);
    session.run().sweep(false);
    assertThat(notes()).as("in sight and hearing until they are passed").hasSize(8);
    session.run().sweep(true);
    session.performer().press(PhysicalKey.A, nowMs * MS);
    runTo(1600);
    player.stepBack(40 * MS);
    runTo(1700);
    session.run().sweep(false);
    assertThat(session.notices().current().text()).isEqualTo("Swept 1 note");
  }

  @Test
  void a_stall_while_sweeping_round_a_loop_does_not_wipe_the_rest_of_the_round() {
    session.run().loop(new TickRange(0, 3840));
    recordEvery(120, 16);
    assertThat(notes()).hasSize(16);
    start(session.run()::playOrStop);
    runTo(400);
    session.run().sweep(true);
    runTo(800);
    player.stepBack(40 * MS);
    runTo(900);
    session.run().sweep(false);
    assertThat(notes()).as("those from 400 to 860 ms are wiped").hasSize(12);
  }

  @Test
  void a_sweep_over_the_seam_wipes_both_sides_of_it_and_follows_another_loop() {
    session.run().loop(new TickRange(0, 3840));
    recordEvery(240, 8);
    start(session.run()::playOrStop);
    runTo(1600);
    session.run().sweep(true);
    runTo(2300);
    session.run().loop(new TickRange(0, 1920));
    runTo(2400);
    session.run().sweep(false);
    assertThat(notes())
        .as("at 10, 250 and 1690 ms they are wiped")
        .extracting(n -> n.played().onset() / 1920.0 * 1000)
        .allMatch(ms -> ms > 480 && ms < 1500)
        .hasSize(5);
  }

  @Test
  void replacing_keeps_the_pass_just_played_though_a_note_came_early_for_the_next() {
    session.run().loop(new TickRange(0, 3840));
    record(RecordingMode.REPLACE);
    strike(PhysicalKey.A, 10);
    strike(PhysicalKey.S, 500);
    strike(PhysicalKey.D, 1000);
    runTo(1970);
    session.performer().press(PhysicalKey.F, nowMs * MS);
    runTo(1985);
    session.run().recordOrStop();
    assertThat(notes()).extracting(Note::pitch).containsExactly(65, 60, 62, 64);
    assertThat(session.notices().current().text()).isEqualTo("Recorded 4 notes onto Track 1");
    session.editing().undo();
    assertThat(notes()).as("it was one pass").isEmpty();
  }

  @Test
  void a_note_that_came_early_for_another_round_belongs_to_the_take_just_played() {
    session.run().loop(new TickRange(0, 3840));
    record(RecordingMode.TAKES);
    strike(PhysicalKey.A, 10);
    strike(PhysicalKey.S, 500);
    runTo(1970);
    session.performer().press(PhysicalKey.F, nowMs * MS);
    runTo(1985);
    session.run().recordOrStop();
    assertThat(notes()).extracting(Note::pitch).containsExactly(65, 60, 62);
    assertThat(session.document().clip().orElseThrow().takes().isChoice()).isFalse();
  }

  @Test
  void a_note_struck_as_the_position_steps_back_over_the_seam_is_recorded() {
    session.run().loop(new TickRange(0, 3840));
    runControl.setRecordSettings(runControl.recordSettings().withCatchMs(0));
    record(RecordingMode.OVERDUB);
    runTo(2010);
    player.stepBack(90 * MS);
    strike(PhysicalKey.A, 2020);
    runTo(2400);
    session.run().recordOrStop();
    assertThat(notes()).extracting(Note::pitch).containsExactly(60);
    assertThat(session.notices().current().text()).doesNotContain("left out");
  }

  @Test
  void a_pass_that_is_dropped_just_before_the_seam_is_not_heard_after_it() {
    session.run().loop(new TickRange(0, 3840));
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 10);
    strike(PhysicalKey.S, 2500);
    runTo(3900);
    assertThat(pitches(player.nextRound())).as("made ready").containsExactly(60, 62);
    session.run().dropLastPass();
    assertThat(pitches(player.nextRound())).containsExactly(60);
    runTo(3990);
    session.run().dropLastPass();
    assertThat(pitches(player.nextRound())).as("undone as well").isEmpty();
    runTo(4500);
    assertThat(pitches(player.plan())).isEmpty();
  }

  @Test
  void an_edit_just_before_the_seam_keeps_the_pass_that_was_made_ready() {
    session.run().loop(new TickRange(0, 3840));
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 10);
    runTo(1990);
    runControl.setSettings(runControl.settings().withClickInRecord(false));
    assertThat(pitches(player.nextRound())).containsExactly(60);
  }

  @Test
  void a_decision_made_for_a_note_that_was_undone_never_applies_to_another() {
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.A, 60);
    session.run().recordOrStop();
    long first = notes().get(0).id().value();
    session.timing().decide(session.timing().plan().notes(), 960);
    session.editing().undo();
    record(RecordingMode.OVERDUB);
    strike(PhysicalKey.S, 10);
    session.run().recordOrStop();
    assertThat(notes()).extracting(n -> n.id().value()).doesNotContain(first);
    assertThat(session.timing().plan().notes().get(0).decided()).isFalse();
    session.editing().undo();
    assertThat(session.document().toWrite().nextId()).isGreaterThan(first + 1);
  }
}
