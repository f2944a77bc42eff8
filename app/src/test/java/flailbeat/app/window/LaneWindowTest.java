package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.view.bench.BenchView;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.model.Note;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The velocity lane under the roll. */
class LaneWindowTest extends HeadlessWindow {
  private Node lane;

  @BeforeEach
  void showLane() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    type(KeyCode.ESCAPE);
    type(KeyCode.V);
    lane = ui.node("velocity-lane");
  }

  private boolean holdsNotes() {
    return ui.get(() -> ((BenchView) ui.node("bench")).isHolding());
  }

  /** Presses on the stem that is next from the left, and says where. */
  private double pressStem() throws Exception {
    for (double x = 0.001; x < 1; x += 0.004) {
      move(lane, x, 0.9);
      ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
      if (holdsNotes()) {
        return x;
      }
      ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    }
    throw new AssertionError("no stem in the lane");
  }

  private static List<Integer> velocities(List<Note> notes) {
    return notes.stream().map(Note::velocity).toList();
  }

  @Test
  void a_dragged_stem_makes_the_selection_softer_as_one_step_and_is_seen_while_held()
      throws Exception {
    List<Note> before = notes();
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    double x = pressStem();
    move(lane, x, 0.98);
    List<Integer> seen =
        ui.get(
            () -> velocities(((BenchView) ui.node("bench")).shownSong().tracks().get(0).notes()));
    assertThat(notes()).as("not before the mouse lets go").isEqualTo(before);
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    assertThat(ui.get(() -> ui.session.document().undoLabel())).contains("Softer 67 notes");
    assertThat(velocities(notes())).isEqualTo(seen);
    int by = before.get(0).velocity() - notes().get(0).velocity();
    assertThat(by).isBetween(8, 16);
    assertThat(velocities(notes()))
        .isEqualTo(velocities(before).stream().map(v -> Math.max(1, v - by)).toList());
    ui.run(() -> ui.session.editing().undo());
    assertThat(notes()).isEqualTo(before);
  }

  @Test
  void a_stem_of_no_selection_takes_its_own_note_alone() throws Exception {
    List<Note> before = notes();
    double x = pressStem();
    assertThat(ui.get(() -> ui.session.document().selection().notes())).hasSize(1);
    move(lane, x, 0.7);
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    assertThat(notes()).filteredOn(n -> !before.contains(n)).hasSize(1);
  }

  @Test
  void the_lane_is_put_away_by_the_same_key() throws Exception {
    assertThat(ui.get(lane::isVisible)).isTrue();
    type(KeyCode.V);
    assertThat(ui.get(lane::isVisible)).isFalse();
  }
}
