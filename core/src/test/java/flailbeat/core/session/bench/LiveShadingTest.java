package flailbeat.core.session.bench;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Controller;
import flailbeat.core.session.FakePlayer;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.LaneActions.Shown;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** With the demo open: 96 bpm, a bar lasts 2.5 s. */
class LiveShadingTest {
  private static final long MS = 1_000_000;

  private long nowMs;
  private final FakePlayer player = new FakePlayer(() -> nowMs * MS);
  private final Session session = new Session(() -> nowMs * MS, player);

  @BeforeEach
  void open() {
    session.open(HarbourLamps.song(), Optional.empty());
  }

  private List<Note> notes(long fromTick, long toTick) {
    return session.document().track().notesBeginningIn(new TickRange(fromTick, toTick));
  }

  private void playTo(long ms) {
    while (nowMs < ms) {
      nowMs += 10;
      session.tick();
    }
  }

  @Test
  void the_hand_writes_a_crescendo_onto_the_notes_as_they_pass_as_one_undo_step() {
    Song before = session.song();
    session.runControl().play();
    session.shading().point(Shown.VELOCITIES, 0.3);
    session.shading().press();
    playTo(2500);
    session.shading().point(Shown.VELOCITIES, 0.9);
    playTo(5000);
    assertThat(session.song()).as("while it is held").isSameAs(before);
    assertThat(session.shading().applyTo(before)).isNotSameAs(before);
    session.shading().release();
    assertThat(notes(60, 3700)).isNotEmpty().allMatch(n -> n.velocity() == 38);
    assertThat(notes(3900, 7500)).isNotEmpty().allMatch(n -> n.velocity() == 114);
    assertThat(notes(7800, 60_000))
        .isEqualTo(before.tracks().get(0).notesBeginningIn(new TickRange(7800, 60_000)));
    assertThat(session.runControl().transport().isRunning()).isTrue();
    session.editing().undo();
    assertThat(session.song()).isSameAs(before);
  }

  @Test
  void each_round_of_the_loop_is_a_step_of_its_own_and_the_velocity_keys_do_as_well() {
    session.run().loop(new TickRange(0, 3840));
    session.runControl().play();
    session.shading().press();
    session.performer().setVelocity(50);
    playTo(2600);
    session.performer().setVelocity(100);
    playTo(5100);
    session.shading().release();
    assertThat(session.notices().current().text()).contains("rounds");
    assertThat(notes(200, 3700)).allMatch(n -> n.velocity() == 100);
    session.editing().undo();
    session.editing().undo();
    assertThat(notes(200, 3700)).allMatch(n -> n.velocity() == 50);
  }

  @Test
  void another_song_that_is_opened_meanwhile_is_not_shaded_with_what_was_meant_for_the_first() {
    session.runControl().play();
    session.shading().point(Shown.VELOCITIES, 0.1);
    session.shading().press();
    playTo(2500);
    Song other = HarbourLamps.song();
    session.open(other, Optional.empty());
    session.tick();
    session.shading().release();
    assertThat(session.song()).isSameAs(other);
    assertThat(session.shading().isOn()).isFalse();
  }

  @Test
  void going_to_another_track_meanwhile_leaves_that_one_as_it_is() {
    Song before = session.song();
    session.runControl().play();
    session.shading().point(Shown.VELOCITIES, 0.1);
    session.shading().press();
    playTo(1000);
    session.document().chooseTrack(before.tracks().get(1).id());
    playTo(3000);
    session.shading().release();
    assertThat(session.song().tracks().get(1)).isEqualTo(before.tracks().get(1));
    assertThat(session.song().tracks().get(0)).isNotEqualTo(before.tracks().get(0));
  }

  @Test
  void a_controller_is_performed_as_a_curve_and_what_lies_outside_is_kept() {
    session.runControl().play();
    session.shading().point(Shown.of(Controller.MODULATION), 0);
    session.shading().press();
    for (int i = 0; i < 250; i++) {
      session.shading().point(Shown.of(Controller.MODULATION), i / 250.0);
      playTo(nowMs + 10);
    }
    session.runControl().stop();
    session.tick();
    assertThat(session.shading().isOn()).as("stopping ends it").isFalse();
    var points =
        ControlEdits.points(
            session.document().track(), Controller.MODULATION, new TickRange(0, 10_000));
    assertThat(points).hasSizeBetween(40, 130);
    assertThat(points.get(points.size() - 2).control().value()).isBetween(120, 127);
    assertThat(points.getLast().control().value()).as("at rest, as it was there").isZero();
    assertThat(points.getLast().tick()).isBetween(3700L, 3900L);
  }
}
