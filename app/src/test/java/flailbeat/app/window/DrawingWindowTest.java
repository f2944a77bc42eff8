package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.model.Note;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.pitch.Scale;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import javafx.event.ActionEvent;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Test;

/** Entering notes by mouse on the roll. */
class DrawingWindowTest extends RollWindow {
  @Test
  void a_press_on_an_empty_place_draws_a_note_at_the_line_before_it_and_sounds_it() {
    press(at(500, 65));
    assertThat(ui.text("bench-tip")).isEqualTo("F4  1.1.480  240 ticks  velocity 80");
    assertThat(notes()).as("until it lets go").isEmpty();
    letGo(at(500, 65));
    assertThat(lines()).containsExactly("480 65 240");
    assertThat(ui.node("bench-tip").isVisible()).isFalse();
    assertThat(ui.get(() -> ui.session.document().selection().notes())).hasSize(1);
    type2(KeyCode.CONTROL, KeyCode.Z);
    assertThat(notes()).as("one step").isEmpty();
  }

  @Test
  void dragging_right_sets_the_length_and_the_next_note_is_as_long() {
    stroke(at(10, 60), at(700, 60));
    press(at(970, 62));
    letGo(at(970, 62));
    assertThat(lines()).containsExactly("0 60 720", "960 62 720");
    draws(k -> k.withStart(MouseDrawing.Start.GRID));
    press(at(1930, 64));
    letGo(at(1930, 64));
    assertThat(lines()).contains("1920 64 240");
  }

  @Test
  void with_alt_it_leaves_the_lines_and_without_snap_alt_goes_to_them() {
    stroke(at(101, 60), at(500, 60), With.ALT);
    draws(k -> k.withSnaps(false));
    stroke(at(1250, 60), at(1900, 60), With.ALT);
    assertThat(notes().get(0).onset()).isBetween(95L, 107L);
    assertThat(lines().get(1)).isEqualTo("1200 60 720");
  }

  @Test
  void esc_and_undo_in_the_middle_of_a_drag_leave_everything_as_it_was() {
    given("0 60 960");
    press(at(2000, 65));
    drag(at(3000, 65));
    type2(KeyCode.ESCAPE);
    letGo(at(3000, 65));
    assertThat(lines()).containsExactly("0 60 960");
    assertThat(ui.get(() -> ui.session.performer().keysMode().playsNotes())).isTrue();
    press(at(400, 60));
    drag(at(2400, 60));
    type2(KeyCode.CONTROL, KeyCode.Z);
    letGo(at(2400, 60));
    assertThat(notes()).as("the step before is undone, and no more").isEmpty();
    assertThat(ui.text("notice")).contains("while the mouse held");
    type2(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
    assertThat(lines()).containsExactly("0 60 960");
  }

  @Test
  void letters_play_in_the_middle_of_a_drag_and_nothing_breaks() throws Exception {
    press(at(10, 60));
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    drag(at(900, 60));
    release(KeyCode.A);
    letGo(at(900, 60));
    assertThat(lines()).containsExactly("0 60 960");
  }

  @Test
  void a_stencil_is_laid_down_along_a_drag_and_plain_notes_come_back_by_a_key() {
    given("0 60 240", "480 64 240", "960 67 480");
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    type2(KeyCode.ALT, KeyCode.F);
    assertThat(ui.text("notice")).startsWith("Filling lays down these 3 now");
    press(at(3850, 55), With.CTRL);
    drag(at(5800, 55), With.CTRL);
    letGo(at(5800, 55), With.CTRL);
    assertThat(lines())
        .contains(
            "3840 55 240",
            "4320 59 240",
            "4800 62 480",
            "5760 55 240",
            "6240 59 240",
            "6720 62 480");
    type2(KeyCode.ALT, KeyCode.SHIFT, KeyCode.F);
    press(at(8650, 50), With.CTRL);
    letGo(at(8650, 50), With.CTRL);
    assertThat(lines()).hasSize(10).contains("8640 50 240");
  }

  @Test
  void a_row_is_filled_along_a_drag_and_a_crescendo_is_one_stroke() {
    press(at(10, 62), With.CTRL);
    drag(at(970, 62).add(0, -40), With.CTRL);
    letGo(at(970, 62).add(0, -40), With.CTRL);
    assertThat(lines())
        .containsExactly("0 62 240", "240 62 240", "480 62 240", "720 62 240", "960 62 240");
    assertThat(notes()).extracting(Note::velocity).isSorted();
    assertThat(notes().get(4).velocity()).isEqualTo(120);
    assertThat(ui.get(() -> ui.session.document().undoLabel())).contains("Draw 5 notes");
  }

  @Test
  void a_slanted_stroke_with_shift_is_an_even_run_in_the_scale_when_keys_are_arranged_by_it() {
    ui.run(() -> ui.session.performer().arrange(ArrangementKind.SCALE, 0, Scale.MAJOR));
    press(at(10, 60), With.CTRL, With.SHIFT);
    letGo(at(10, 60), With.CTRL, With.SHIFT);
    assertThat(notes()).as("with Shift a box").isEmpty();
    press(at(10, 60), With.CTRL);
    drag(at(1920, 68), With.CTRL, With.SHIFT);
    letGo(at(1920, 68), With.CTRL, With.SHIFT);
    assertThat(notes()).hasSize(9).extracting(Note::pitch).isSorted();
    assertThat(notes()).allMatch(n -> Set.of(0, 2, 4, 5, 7, 9, 11).contains(n.pitch() % 12));
  }

  /** Thirty, for 212 notes; two more for the grid of the hats, which is set by a button. */
  @Test
  void the_kit_part_of_the_demo_is_drawn_in_fewer_gestures_than_it_has_notes() {
    List<Note> wanted = HarbourLamps.song().tracks().get(2).notes();
    ui.run(
        () -> {
          ui.session.tracks().add(Instrument.kit(40));
          ui.session.drawing().set(MouseDrawing.Kept.STANDARD.withStart(MouseDrawing.Start.GRID));
          setGrid(8);
          bench().fit();
        });
    gestures = 0;
    stroke(at(10, 42), at(7680 - 400, 42), With.CTRL);
    ui.run(() -> setGrid(16));
    for (int bar = 0; bar < 2; bar++) {
      for (int sixteenth : new int[] {0, 10}) {
        click(bar, sixteenth, 36);
      }
      for (int sixteenth : new int[] {4, 7, 12, bar == 0 ? 9 : 15}) {
        click(bar, sixteenth, 38);
      }
    }
    stroke(at(-10, 44), at(7670, 34), With.RIGHT);
    for (int i = 0; i < 6; i++) {
      type2(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.D);
      gestures++;
    }
    ui.run(() -> bench().fit());
    stroke(at(-10, 44), at(3830, 34), With.RIGHT);
    stroke(at(240, 42), at(14 * 3840 + 240, 42), With.CTRL);
    for (int bar : new int[] {3, 7, 11}) {
      press(at(bar * 3840 + 14 * 240 + 120, 42), With.TWICE);
      letGo(at(bar * 3840 + 14 * 240 + 120, 42), With.TWICE);
      click(bar, 14, 46);
    }
    click(15, 0, 36);
    click(15, 0, 49);
    assertThat(places(notes())).isEqualTo(places(wanted));
    assertThat(gestures).isEqualTo(30);
    assertThat(wanted).hasSize(212);
  }

  private void setGrid(int denominator) {
    ui.session
        .timing()
        .setSettings(
            ui.session.timing().settings().withGrid(Grid.of(NoteValue.straight(denominator))));
  }

  private void click(int bar, int sixteenth, int pitch) {
    Point2D at = at(bar * 3840L + sixteenth * 240L + 60, pitch);
    press(at);
    letGo(at);
  }

  private static Set<String> places(List<Note> notes) {
    Set<String> result = new TreeSet<>();
    notes.forEach(n -> result.add(n.onset() + " " + n.pitch()));
    return result;
  }

  @Test
  void a_drag_with_ctrl_on_the_map_makes_an_empty_clip_of_whole_bars() {
    Node map = ui.node("song-map");
    double width = ui.get(() -> map.getBoundsInLocal().getWidth());
    mouse(map, MouseEvent.MOUSE_PRESSED, new Point2D(width * 0.3, 8), With.CTRL);
    mouse(map, MouseEvent.MOUSE_DRAGGED, new Point2D(width * 0.5, 8), With.CTRL);
    mouse(map, MouseEvent.MOUSE_RELEASED, new Point2D(width * 0.5, 8), With.CTRL);
    assertThat(ui.get(() -> ui.session.document().track().clips())).hasSize(1);
    long length = ui.get(() -> ui.session.document().track().clips().get(0).length());
    assertThat(length).isGreaterThan(3840).isEqualTo(length / 3840 * 3840);
    type2(KeyCode.ALT, KeyCode.C);
    assertThat(ui.text("notice")).startsWith("Choose a loop first");
  }

  @Test
  void the_grid_goes_finer_and_coarser_by_keys() {
    type2(KeyCode.F12);
    assertThat(ui.get(() -> ui.session.timing().settings().grid())).hasToString("1/32");
    type2(KeyCode.F12);
    type2(KeyCode.F11);
    type2(KeyCode.F11);
    assertThat(ui.get(() -> ui.session.timing().settings().grid())).hasToString("1/8");
  }

  @Test
  void while_recording_a_press_on_an_empty_place_draws_nothing() {
    ui.run(() -> ui.session.run().recordOrStop());
    press(at(500, 65));
    letGo(at(500, 65));
    ui.run(() -> ui.session.run().recordOrStop());
    assertThat(notes()).isEmpty();
  }

  @Test
  void a_note_drawn_beyond_the_last_clip_or_in_an_odd_meter_finds_its_place() {
    ui.run(
        () -> {
          ui.session.open(HarbourLamps.song(), Optional.empty());
          ui.session
              .editing()
              .edit("13/16", s -> SongEdits.setMeter(s, flailbeat.core.time.Meter.parse("13/16")));
          bench().fit();
        });
    int before = notes().size();
    long far = 17 * 3120;
    press(at(far + 10, 72));
    letGo(at(far + 10, 72));
    assertThat(notes()).hasSize(before + 1).anyMatch(n -> n.onset() == far);
  }

  @Test
  void stencils_are_kept_by_name_and_gone_through_by_keys() {
    given("0 60 240", "480 64 240");
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    type2(KeyCode.SHIFT, KeyCode.F7);
    ui.press("take-stencil");
    enter("stencil-name", "Two up");
    ui.run(() -> ui.session.document().select(new NoteRule.OfPitches(Set.of(60))));
    ui.press("take-stencil");
    enter("stencil-name", "One");
    assertThat(ui.text("mouse-menu")).isEqualTo("1/16 +");
    type2(KeyCode.ALT, KeyCode.PAGE_DOWN);
    assertThat(ui.text("notice")).isEqualTo("Filling lays down Two up");
    press(at(3850, 55), With.CTRL);
    letGo(at(3850, 55), With.CTRL);
    assertThat(lines()).contains("3840 55 240", "4320 59 240");
    enter("stencil-name", "");
    assertThat(ui.get(() -> ui.session.drawing().stencils().all().keySet()))
        .containsExactly("One", "Two up");
  }

  private void enter(String field, String text) {
    ui.run(
        () -> {
          TextField at = (TextField) ui.node(field);
          at.requestFocus();
          at.setText(text);
          at.fireEvent(new ActionEvent());
        });
  }

  @Test
  void new_notes_of_a_track_start_from_the_note_that_was_chosen_for_it() {
    given("0 60 720");
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    type2(KeyCode.ALT, KeyCode.SHIFT, KeyCode.L);
    assertThat(ui.text("notice")).endsWith("720 ticks, velocity 80");
    stroke(at(3850, 62), at(4200, 62));
    press(at(7690, 62));
    letGo(at(7690, 62));
    assertThat(lines()).contains("3840 62 480", "7680 62 720");
  }

  @Test
  void lines_that_follow_the_zoom_are_those_that_there_is_room_for() {
    type2(KeyCode.ALT, KeyCode.Z);
    assertThat(ui.text("mouse-menu")).isEqualTo("zoom");
    ui.run(() -> bench().zoom(30));
    double tick = ui.get(() -> at(1, 60).getX() - at(0, 60).getX());
    assertThat(tick).as("a 64th is 60 ticks").isGreaterThan(0.3);
    press(at(3905, 60));
    letGo(at(3905, 60));
    assertThat(lines()).containsExactly("3900 60 60");
  }

  @Test
  void a_kit_has_its_drums_by_name_shows_those_that_are_used_and_in_an_order_of_ones_own()
      throws Exception {
    ui.run(() -> ui.session.tracks().add(Instrument.kit(40)));
    given("0 36 240", "480 38 240", "960 42 240");
    // Room for names, as soon as it is laid out.
    ui.await(() -> rail().getWidth() > 100);
    type2(KeyCode.ALT, KeyCode.H);
    assertThat(ui.get(() -> ui.session.rows().shown())).containsExactly(42, 38, 36);
    railDrag(36, 42, With.ALT);
    assertThat(ui.get(() -> ui.session.rows().shown())).containsExactly(36, 42, 38);
    assertThat(at(0, 36).getY()).isLessThan(at(0, 42).getY());
    press(at(1930, 36));
    letGo(at(1930, 36));
    assertThat(lines()).as("drawn in its new row").contains("1920 36 240");
    stroke(at(2010, 36), at(2010, 38));
    assertThat(lines()).as("two rows down").contains("1920 38 240");
    Point2D below = at(100, 38).add(0, 60);
    press(below);
    letGo(below);
    assertThat(notes()).as("below the last row there is nothing to draw").hasSize(4);
    type2(KeyCode.CONTROL, KeyCode.Z);
    type2(KeyCode.CONTROL, KeyCode.Z);
    type2(KeyCode.CONTROL, KeyCode.Z);
    assertThat(ui.get(() -> ui.session.rows().shown())).containsExactly(42, 38, 36);
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    stroke(at(470, 38).add(0, -5), at(900, 38).add(0, 5), With.RIGHT);
    assertThat(ui.get(() -> ui.session.document().selection().notes())).hasSize(1);
  }

  private javafx.scene.canvas.Canvas rail() {
    return (javafx.scene.canvas.Canvas) ui.node("rail");
  }

  private void railDrag(int from, int to, With... with) {
    Point2D start = new Point2D(20, at(0, from).getY());
    Point2D end = new Point2D(20, at(0, to).getY());
    mouse(rail(), MouseEvent.MOUSE_PRESSED, start, with);
    mouse(rail(), MouseEvent.MOUSE_DRAGGED, start.midpoint(end), with);
    mouse(rail(), MouseEvent.MOUSE_DRAGGED, end, with);
    mouse(rail(), MouseEvent.MOUSE_RELEASED, end, with);
  }

  @Test
  void rows_are_selected_on_the_rail_more_are_added_and_one_is_taken_out() {
    given("0 60 240", "480 62 240", "960 64 240", "1440 67 240");
    railDrag(61, 64);
    assertThat(selected()).containsExactly(62, 64);
    railDrag(66, 68, With.SHIFT);
    assertThat(selected()).containsExactly(62, 64, 67);
    railDrag(62, 62, With.SHIFT);
    assertThat(selected()).containsExactly(64, 67);
    railDrag(60, 60);
    assertThat(selected()).as("a press alone plays").containsExactly(64, 67);
    assertThat(ui.get(() -> ui.session.performer().hands().soundingPitches())).isEmpty();
  }

  private List<Integer> selected() {
    return ui.get(
        () ->
            ui.session.document().scope().selected().notes().stream()
                .map(id -> ui.session.document().track().note(id).orElseThrow().pitch())
                .sorted()
                .toList());
  }
}
