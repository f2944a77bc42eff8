package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.view.bench.BenchView;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.shapes.ControlEdits;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.bench.LaneActions;
import flailbeat.core.session.bench.LaneActions.Shown;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.canvas.Canvas;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The lanes under the roll: velocities, controllers, pedals. */
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
  void the_lanes_are_put_away_by_the_same_key_and_come_back_as_they_were() throws Exception {
    ui.run(() -> ui.session.lanes().toggle(Shown.of(Controller.SUSTAIN)));
    assertThat(lanes()).hasSize(2);
    type(KeyCode.V);
    assertThat(lanes()).isEmpty();
    type(KeyCode.V);
    assertThat(lanes()).hasSize(2);
  }

  private List<Node> lanes() {
    return ui.get(
        () ->
            ((Parent) ui.node("lanes"))
                .getChildrenUnmodifiable().stream().filter(n -> n instanceof Canvas).toList());
  }

  /** Shows the lane of a controller alone, and draws on it. */
  private Node only(Controller of) throws Exception {
    ui.run(
        () ->
            ui.session
                .lanes()
                .set(new LaneActions.Kept(List.of(Shown.of(of).withHeight(100)), true, false)));
    ui.run(() -> ui.node("bench").getScene().getRoot().layout());
    return lanes().get(0);
  }

  private void draw(Node on, MouseButton button, double... places) throws Exception {
    move(on, places[0], places[1]);
    ui.run(() -> robot.mousePress(button));
    for (int i = 2; i < places.length; i += 2) {
      move(on, places[i], places[i + 1]);
    }
    ui.run(() -> robot.mouseRelease(button));
  }

  private List<ControlPoint> points(Controller of) {
    TickRange all = new TickRange(0, Ticks.LAST);
    return ui.get(() -> ControlEdits.points(ui.session.document().track(), of, all));
  }

  @Test
  void a_line_drawn_over_stems_fades_the_selected_notes_alone() throws Exception {
    List<Note> before = notes();
    Set<NoteId> chosen = Selection.of(before.subList(0, before.size() / 2)).notes();
    ui.run(() -> ui.session.document().select(Selection.ofNotes(chosen)));
    draw(lane, MouseButton.PRIMARY, 0.005, 0.05, 0.5, 0.5, 0.995, 0.9);
    assertThat(ui.get(() -> ui.session.document().undoLabel())).contains("Draw velocities");
    List<Note> after = notes();
    List<Note> drawn = after.stream().filter(n -> chosen.contains(n.id())).toList();
    assertThat(after).filteredOn(n -> !chosen.contains(n.id())).isSubsetOf(before);
    List<Integer> loud = velocities(drawn);
    assertThat(loud.subList(1, loud.size())).isSortedAccordingTo(Comparator.reverseOrder());
    assertThat(loud.get(1) - loud.getLast()).isGreaterThan(20);
  }

  @Test
  void a_corner_of_the_selection_is_dragged_for_a_ramp_from_the_other_corner() throws Exception {
    ui.run(() -> ui.session.document().select(Selection.of(notes().subList(0, 12))));
    List<Note> before = notes();
    Note last = before.get(11);
    double width = ui.get(() -> lane.getBoundsInLocal().getWidth());
    double height = ui.get(() -> lane.getBoundsInLocal().getHeight());
    double x = placeOf(last.onset()) + 10 / width;
    double y = (height - 4 - (height - 8) * last.velocity() / 127) / height;
    draw(lane, MouseButton.PRIMARY, x, y, x, 0.5, x, 0.07);
    List<Integer> loud = velocities(notes().subList(0, 12));
    assertThat(loud.get(0)).isEqualTo(before.get(0).velocity());
    assertThat(loud).isSorted();
    assertThat(loud.getLast()).isGreaterThan(120);
    assertThat(notes().subList(12, 67)).isEqualTo(before.subList(12, 67));
  }

  @Test
  void a_swell_is_drawn_told_in_events_and_taken_back_while_it_is_held() throws Exception {
    Node swell = only(Controller.EXPRESSION);
    Song before = ui.get(ui.session::song);
    move(swell, 0.1, 0.9);
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    move(swell, 0.3, 0.2);
    assertThat(ui.text("bench-tip")).startsWith("Expression").contains(" at ");
    type(KeyCode.ESCAPE);
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    assertThat(ui.get(ui.session::song)).isSameAs(before);
    draw(swell, MouseButton.PRIMARY, 0.1, 0.9, 0.2, 0.5, 0.3, 0.1);
    List<ControlPoint> drawn = points(Controller.EXPRESSION);
    assertThat(drawn).hasSizeBetween(20, 130);
    assertThat(drawn).isSortedAccordingTo(ControlPoint.ORDER);
    assertThat(ui.text("notice")).startsWith("Expression: written as " + drawn.size() + " events");
    int last = drawn.getLast().control().value();
    draw(swell, MouseButton.SECONDARY, 0.15, 0.5, 0.25, 0.5);
    List<ControlPoint> left = points(Controller.EXPRESSION);
    assertThat(left).hasSizeLessThan(drawn.size());
    assertThat(left.getFirst()).isEqualTo(drawn.getFirst());
    assertThat(left.getLast().control().value()).as("what lies behind").isEqualTo(last);
    ui.run(() -> ui.session.lanes().toggleSteps());
    draw(swell, MouseButton.PRIMARY, 0.5, 0.9, 0.7, 0.1);
    assertThat(points(Controller.EXPRESSION))
        .filteredOn(p -> !left.contains(p))
        .allMatch(p -> p.tick() % 240 == 0);
  }

  @Test
  void a_stroke_right_behind_another_goes_on_from_it_without_a_gap() throws Exception {
    Node swell = only(Controller.EXPRESSION);
    double pixel = 1 / ui.get(() -> swell.getBoundsInLocal().getWidth());
    draw(swell, MouseButton.PRIMARY, 0.1, 0.9, 0.2, 0.5);
    draw(swell, MouseButton.PRIMARY, 0.2 + 4 * pixel, 0.5, 0.3, 0.9);
    List<ControlPoint> drawn = points(Controller.EXPRESSION);
    assertThat(drawn.subList(0, drawn.size() - 1))
        .as("no value is set back between the two")
        .allMatch(p -> p.control().value() < 80);
    assertThat(drawn.getLast().control().value()).as("at rest behind both").isEqualTo(127);
  }

  @Test
  void a_pedal_is_drawn_as_a_bar_that_says_what_rings_on_and_its_edges_are_dragged()
      throws Exception {
    Node pedal = only(Controller.SUSTAIN);
    ui.run(
        () ->
            ui.session
                .editing()
                .edit(
                    "None",
                    s ->
                        SongEdits.clearControls(
                            s, ui.session.document().track().id(), new TickRange(0, Ticks.LAST))));
    move(pedal, 0.2, 0.5);
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    move(pedal, 0.6, 0.5);
    assertThat(ui.text("bench-tip")).startsWith("up at").contains("ringing on");
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    assertThat(points(Controller.SUSTAIN))
        .extracting(p -> p.control().value())
        .containsExactly(127, 0);
    long up = points(Controller.SUSTAIN).get(1).tick();
    draw(pedal, MouseButton.PRIMARY, placeOf(up), 0.5, placeOf(up) + 0.15, 0.5);
    assertThat(points(Controller.SUSTAIN)).hasSize(2);
    assertThat(points(Controller.SUSTAIN).get(1).tick()).isGreaterThan(up);
    draw(pedal, MouseButton.SECONDARY, 0.4, 0.5);
    assertThat(points(Controller.SUSTAIN)).isEmpty();
    ui.run(() -> ui.session.editing().undo());
    assertThat(points(Controller.SUSTAIN)).hasSize(2);
  }

  @Test
  void what_controllers_do_in_the_loop_is_scaled_moved_copied_and_erased_by_commands()
      throws Exception {
    Node swell = only(Controller.EXPRESSION);
    ui.run(ui.session.lanes()::eraseStretch);
    assertThat(ui.text("notice")).startsWith("Choose a loop first");
    draw(swell, MouseButton.PRIMARY, 0.01, 0.9, 0.1, 0.5, 0.2, 0.3);
    List<ControlPoint> drawn = points(Controller.EXPRESSION);
    ui.run(() -> ui.session.run().loop(new TickRange(0, 7680)));
    ui.run(() -> ui.session.lanes().scaleStretch(50));
    assertThat(points(Controller.EXPRESSION).get(3).control().value())
        .isEqualTo(Math.round(drawn.get(3).control().value() / 2.0f));
    ui.run(ui.session.editing()::undo);
    ui.run(() -> ui.session.lanes().copyStretch(15_360));
    assertThat(points(Controller.EXPRESSION))
        .filteredOn(p -> p.tick() >= 15_360)
        .extracting(p -> p.tick() - 15_360)
        .contains(drawn.get(2).tick(), drawn.get(5).tick());
    ui.run(ui.session.editing()::undo);
    ui.run(() -> ui.session.lanes().moveStretch(1, 240));
    assertThat(points(Controller.EXPRESSION))
        .extracting(ControlPoint::tick)
        .contains(drawn.get(2).tick() + 240);
    ui.run(ui.session.editing()::undo);
    assertThat(points(Controller.EXPRESSION)).isEqualTo(drawn);
  }

  @Test
  void what_a_controller_does_in_the_loop_is_moved_copied_and_scaled_by_its_grip()
      throws Exception {
    Node swell = only(Controller.EXPRESSION);
    draw(swell, MouseButton.PRIMARY, 0.01, 0.9, 0.1, 0.5, 0.2, 0.3);
    List<ControlPoint> drawn = points(Controller.EXPRESSION);
    ui.run(() -> ui.session.run().loop(new TickRange(0, 7680)));
    draw(swell, MouseButton.PRIMARY, placeOf(3840), 0.03, placeOf(3840 + 960), 0.05);
    assertThat(points(Controller.EXPRESSION))
        .extracting(ControlPoint::tick)
        .contains(drawn.get(2).tick() + 960, drawn.get(9).tick() + 960);
    assertThat(ui.text("notice")).startsWith("Move expression");
    ui.run(ui.session.editing()::undo);
    move(swell, placeOf(3840), 0.03);
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    double height = ui.get(() -> swell.getBoundsInLocal().getHeight());
    move(swell, placeOf(3840), 0.03 + 30 / height);
    assertThat(ui.text("bench-tip")).isEqualTo("70 %");
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    assertThat(points(Controller.EXPRESSION).get(3).control().value())
        .isEqualTo(Math.round(drawn.get(3).control().value() * 0.7f));
    ui.run(ui.session.editing()::undo);
    press(KeyCode.CONTROL);
    move(swell, placeOf(3840), 0.03);
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    move(swell, placeOf(3840 + 1920), 0.03);
    type(KeyCode.ESCAPE);
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    release(KeyCode.CONTROL);
    assertThat(points(Controller.EXPRESSION))
        .as("taken back by Esc, also while Ctrl is held")
        .isEqualTo(drawn);
  }

  /** How far from the left of the lane a tick is drawn, as a share of its width. */
  private double placeOf(long tick) {
    return ui.get(
        () ->
            ((BenchView) ui.node("bench")).placeOf(tick, 60).getX()
                / lanes().get(0).getBoundsInLocal().getWidth());
  }

  @Test
  void lanes_are_turned_to_something_else_made_higher_and_leave_the_roll_its_part()
      throws Exception {
    ui.run(
        () -> {
          for (int number : new int[] {1, 7, 10, 11, 74}) {
            ui.session.lanes().toggle(Shown.of(Controller.numbered(number)).withHeight(200));
          }
          ui.session.lanes().toggle(Shown.of(Controller.BEND));
        });
    ui.run(() -> ui.node("bench").getScene().getRoot().layout());
    assertThat(ui.text("notice")).startsWith("There are 6 lanes already");
    assertThat(lanes()).hasSize(6);
    double high = ui.get(() -> ui.node("lanes").getLayoutBounds().getHeight());
    assertThat(high)
        .isLessThanOrEqualTo(0.6 * ui.get(() -> ((BenchView) ui.node("bench")).getHeight()));
    ui.run(() -> ui.session.lanes().turn(Shown.VELOCITIES, Shown.of(Controller.numbered(7))));
    assertThat(ui.session.lanes().kept().lanes())
        .extracting(Shown::title)
        .startsWith("Volume", "Modulation", "Velocity");
    assertThat(new LaneActions.Kept(List.of(new Shown("controller 999", 5)), true, false).lanes())
        .as("a damaged settings file")
        .containsExactly(Shown.VELOCITIES);
  }
}
