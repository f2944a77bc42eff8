package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.command.Found;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.notes.NoteResize.Together;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Set;
import javafx.geometry.Point2D;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Test;

/** Changing notes by mouse on the roll. */
class EditingWindowTest extends RollWindow {
  @Test
  void shift_or_the_right_button_draws_a_box_and_a_right_click_lets_go() {
    given("0 60 480", "960 64 480", "1920 67 480");
    stroke(at(700, 66), at(2500, 58), With.SHIFT);
    assertThat(ui.get(() -> ui.session.document().selection().notes())).hasSize(1);
    stroke(at(700, 70), at(2700, 62), With.RIGHT);
    assertThat(ui.get(() -> ui.session.document().selection().notes())).hasSize(2);
    press(at(3000, 60), With.RIGHT);
    letGo(at(3000, 60), With.RIGHT);
    assertThat(ui.get(() -> ui.session.document().selection().notes())).isEmpty();
    assertThat(notes()).hasSize(3);
  }

  @Test
  void edges_resize_and_the_pointer_says_which_even_on_a_note_of_three_pixels() {
    given("960 60 960", "4800 64 20", "15000 70 10");
    ui.run(() -> bench().zoom(1.25));
    Node roll = ui.node("roll");
    Point2D end = at(4820, 64).add(3, 0);
    mouse(MouseEvent.MOUSE_MOVED, end);
    assertThat(ui.get(roll::getCursor)).isEqualTo(Cursor.E_RESIZE);
    mouse(MouseEvent.MOUSE_MOVED, at(4800, 64).add(-3, 0));
    assertThat(ui.get(roll::getCursor)).isEqualTo(Cursor.W_RESIZE);
    stroke(end, at(5300, 64));
    assertThat(lines()).contains("4800 64 480");
    stroke(at(1920, 60).add(-1, 0), at(1440, 60));
    assertThat(lines()).contains("960 60 480");
    stroke(at(960, 60).add(1, 0), at(480, 60));
    assertThat(lines()).contains("480 60 960");
    stroke(at(1440, 60).add(-1, 0), at(0, 60));
    assertThat(lines()).as("through zero").contains("480 60 15");
  }

  @Test
  void the_wheel_with_alt_makes_the_selection_louder_in_proportion_as_one_step() throws Exception {
    given("0 60 480", "960 64 480");
    ui.run(
        () -> {
          ui.session.document().select(NoteRule.ALL);
          ui.session
              .editing()
              .edit(
                  "Softer",
                  s -> NoteEdits.change(s, Set.of(notes().get(0).id()), n -> n.withVelocity(40)));
        });
    wheel(at(1200, 64), 40, 5);
    assertThat(ui.text("bench-tip")).isEqualTo("velocity 100   +25 %, 2 notes");
    ui.await(() -> !bench().isMouseBusy());
    assertThat(notes()).extracting(Note::velocity).containsExactly(50, 100);
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(notes()).extracting(Note::velocity).containsExactly(40, 80);
  }

  @Test
  void notes_are_split_and_pasted_where_the_mouse_points() {
    given("0 60 960");
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    mouse(MouseEvent.MOUSE_MOVED, at(500, 60));
    type2(KeyCode.ALT, KeyCode.X);
    assertThat(lines()).containsExactly("0 60 480", "480 60 480");
    type2(KeyCode.CONTROL, KeyCode.C);
    mouse(MouseEvent.MOUSE_MOVED, at(3850, 70));
    type2(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.V);
    assertThat(lines()).contains("3840 60 480");
    mouse(MouseEvent.MOUSE_EXITED, at(3850, 70));
    type2(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.V);
    assertThat(ui.text("notice")).isEqualTo("Point at a place on the roll first");
  }

  @Test
  void a_click_on_an_edge_changes_nothing_whatever_notes_share_when_resized() {
    given("0 60 500", "0 64 700");
    draws(k -> k.withTogether(Together.LENGTH));
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    press(at(700, 64).add(-1, 0));
    letGo(at(700, 64).add(-1, 0));
    assertThat(lines()).containsExactly("0 60 500", "0 64 700");
  }

  @Test
  void another_button_let_go_in_the_middle_of_a_drag_ends_nothing() {
    given("0 60 480");
    press(at(240, 60));
    drag(at(720, 60));
    press(at(3000, 70), With.RIGHT);
    letGo(at(3000, 70), With.RIGHT);
    assertThat(lines()).as("still held").containsExactly("0 60 480");
    letGo(at(1200, 60));
    assertThat(lines()).containsExactly("960 60 480");
  }

  @Test
  void a_group_is_resized_to_one_end_chord_by_chord() {
    given("0 60 500", "0 64 700", "0 67 900", "1200 60 480");
    draws(k -> k.withTogether(Together.PLACE));
    ui.run(() -> ui.session.document().select(new NoteRule.Within(new TickRange(0, 900), 0, 127)));
    stroke(at(900, 67).add(-1, 0), at(1920, 67));
    assertThat(lines()).containsExactly("0 60 1200", "0 64 1920", "0 67 1920", "1200 60 480");
  }

  @Test
  void a_drag_moves_by_lines_and_rows_one_way_with_shift_and_copies_with_ctrl() {
    given("240 60 240", "960 64 240");
    stroke(at(360, 60), at(850, 62));
    assertThat(lines()).contains("720 62 240");
    stroke(at(840, 62), at(1350, 63), With.SHIFT);
    assertThat(lines()).as("pitch is held").contains("1200 62 240");
    press(at(1300, 62), With.SHIFT);
    letGo(at(1300, 62), With.SHIFT);
    assertThat(ui.get(() -> ui.session.document().selection().notes())).isEmpty();
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    List<String> before = lines();
    stroke(at(1300, 62), at(3220, 62), With.CTRL);
    assertThat(lines()).containsAll(before).hasSize(2 * before.size());
    type2(KeyCode.CONTROL, KeyCode.Z);
    assertThat(lines()).isEqualTo(before);
  }

  @Test
  void what_is_seen_while_the_mouse_is_held_is_what_letting_go_makes_of_it() {
    given("240 60 460", "300 64 400", "380 67 320", "9000 55 900");
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    press(at(500, 60));
    drag(at(100, 60));
    drag(at(-500, 58));
    Song seen = ui.get(() -> bench().shownSong());
    letGo(at(-500, 58));
    assertThat(ui.session.song()).isEqualTo(seen);
    assertThat(notes())
        .as("the group stops at the wall and keeps its shape")
        .extracting(Note::onset)
        .containsExactly(0L, 60L, 140L, 8760L);
  }

  @Test
  void two_clicks_erase_a_note_and_a_drag_with_ctrl_and_alt_wipes_all_on_its_way() {
    given("0 60 480", "960 60 480", "1920 60 480", "1920 64 480");
    press(at(200, 60), With.TWICE);
    letGo(at(200, 60), With.TWICE);
    assertThat(notes()).hasSize(3);
    stroke(at(700, 60), at(2300, 60), With.CTRL, With.ALT);
    assertThat(lines()).containsExactly("1920 64 480");
    type2(KeyCode.CONTROL, KeyCode.Z);
    assertThat(notes()).hasSize(3);
  }

  @Test
  void copies_are_laid_behind_the_selection_as_far_as_its_end_is_dragged_with_ctrl() {
    given("0 60 480", "480 64 480");
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    press(at(960, 64).add(-1, 0), With.CTRL);
    drag(at(2900, 64), With.CTRL);
    assertThat(ui.text("bench-tip")).isEqualTo("copies: 2, up to 1.4.000");
    letGo(at(2900, 64), With.CTRL);
    assertThat(lines())
        .containsExactly(
            "0 60 480", "480 64 480", "960 60 480", "1440 64 480", "1920 60 480", "2400 64 480");
    type2(KeyCode.CONTROL, KeyCode.Z);
    assertThat(lines()).containsExactly("0 60 480", "480 64 480");
  }

  @Test
  void what_is_off_the_lines_keeps_its_offset_or_goes_to_the_line_as_was_set() {
    given("30 60 480");
    stroke(at(300, 60), at(520, 60));
    assertThat(lines()).containsExactly("270 60 480");
    type2(KeyCode.ALT, KeyCode.SHIFT, KeyCode.S);
    assertThat(ui.text("notice")).isEqualTo("Moved notes go to the line");
    stroke(at(500, 60), at(720, 60));
    assertThat(lines()).containsExactly("480 60 480");
  }

  @Test
  void a_command_that_goes_by_a_number_takes_it_from_the_finder_and_keeps_it() {
    given("0 60 960");
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    type2(KeyCode.F4);
    words("split equal 3");
    assertThat(found()).contains("Split notes into 3 equal parts");
    type2(KeyCode.ENTER);
    assertThat(lines()).containsExactly("0 60 320", "320 60 320", "640 60 320");
    assertThat(ui.get(() -> ui.session.person().commandNumbers().of("split-parts", 2)))
        .isEqualTo(3);
    type2(KeyCode.F4);
    words("split equal 99");
    assertThat(found()).anyMatch(title -> title.endsWith(": from 2 to 16"));
    type2(KeyCode.ENTER);
    assertThat(notes()).as("2 to 16").hasSize(3);
    type2(KeyCode.ESCAPE);
    ui.choose("split-parts");
    assertThat(ui.get(() -> ((TextField) ui.node("finder-words")).getText()))
        .isEqualTo("Split notes into equal parts 3");
    type2(KeyCode.ENTER);
    assertThat(notes()).hasSize(9);
    type2(KeyCode.F4);
    words("key d dorian");
    type2(KeyCode.ENTER);
    assertThat(notes()).extracting(Note::pitch).containsOnly(62);
  }

  @SuppressWarnings("unchecked")
  private List<String> found() {
    return ui.get(
        () ->
            ((ListView<Found>) ui.node("finder-found"))
                .getItems().stream().map(Found::title).toList());
  }

  private void words(String text) {
    ui.run(() -> ((TextField) ui.node("finder-words")).setText(text));
  }
}
