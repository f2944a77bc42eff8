package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.view.bench.BenchView;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.NoteResize.Together;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.model.Instrument;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.TrackId;
import flailbeat.core.pitch.Scale;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import org.junit.jupiter.api.Test;

/** Every gesture of the mouse on the roll. Lines are sixteenths: 240 ticks. */
class DrawingWindowTest extends HeadlessWindow {
  /** What is held while the mouse is used. */
  private enum With {
    SHIFT,
    CTRL,
    ALT,
    RIGHT,
    TWICE
  }

  private BenchView bench() {
    return (BenchView) ui.node("bench");
  }

  private List<String> lines() {
    return lines(notes());
  }

  private static List<String> lines(List<Note> notes) {
    return notes.stream().map(n -> n.onset() + " " + n.pitch() + " " + n.length()).toList();
  }

  private Point2D at(long tick, int pitch) {
    return ui.get(() -> bench().placeOf(tick, pitch));
  }

  private void mouse(EventType<MouseEvent> type, Point2D at, With... with) {
    mouse(ui.node("roll"), type, at, with);
  }

  private void mouse(Node roll, EventType<MouseEvent> type, Point2D at, With... with) {
    Set<With> held = Set.of(with);
    boolean up = type == MouseEvent.MOUSE_RELEASED || type == MouseEvent.MOUSE_MOVED;
    boolean right = held.contains(With.RIGHT);
    ui.run(
        () -> {
          Point2D in = roll.localToScene(at);
          Event.fireEvent(
              roll,
              new MouseEvent(
                  type,
                  in.getX(),
                  in.getY(),
                  in.getX(),
                  in.getY(),
                  right ? MouseButton.SECONDARY : MouseButton.PRIMARY,
                  held.contains(With.TWICE) ? 2 : 1,
                  held.contains(With.SHIFT),
                  held.contains(With.CTRL),
                  held.contains(With.ALT),
                  false,
                  !up && !right,
                  false,
                  !up && right,
                  false,
                  false,
                  false,
                  null));
        });
  }

  private void press(Point2D at, With... with) {
    mouse(MouseEvent.MOUSE_PRESSED, at, with);
  }

  private void drag(Point2D to, With... with) {
    mouse(MouseEvent.MOUSE_DRAGGED, to, with);
  }

  private void letGo(Point2D at, With... with) {
    gestures++;
    mouse(MouseEvent.MOUSE_RELEASED, at, with);
  }

  private void stroke(Point2D from, Point2D to, With... with) {
    press(from, with);
    drag(from.midpoint(to), with);
    drag(to, with);
    letGo(to, with);
  }

  private void given(String... notes) {
    List<NewNote> all = new ArrayList<>();
    for (String note : notes) {
      String[] p = note.split(" ");
      long onset = Long.parseLong(p[0]);
      Played played = new Played(onset, onset + Long.parseLong(p[2]));
      all.add(new NewNote(Integer.parseInt(p[1]), 80, played));
    }
    ui.run(
        () -> {
          TrackId track = ui.session.document().track().id();
          ui.session
              .editing()
              .edit("Given", s -> NoteEdits.add(s, track, all, new TickRange(0, 15_360)));
          bench().fit();
        });
  }

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

  private void type2(KeyCode... keys) {
    try {
      type(keys);
    } catch (Exception e) {
      throw new AssertionError(e);
    }
  }

  @Test
  void dragging_right_sets_the_length_and_the_next_note_is_as_long() {
    stroke(at(10, 60), at(700, 60));
    press(at(970, 62));
    letGo(at(970, 62));
    assertThat(lines()).containsExactly("0 60 720", "960 62 720");
    ui.run(() -> ui.session.drawing().setTakesLastLength(false));
    press(at(1930, 64));
    letGo(at(1930, 64));
    assertThat(lines()).contains("1920 64 240");
  }

  @Test
  void with_alt_it_leaves_the_lines_and_without_snap_alt_goes_to_them() {
    stroke(at(101, 60), at(500, 60), With.ALT);
    ui.run(() -> ui.session.drawing().setSnaps(false));
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
    for (int i = 0; i < 5; i++) {
      wheel(at(1200, 64), 40);
    }
    assertThat(ui.text("bench-tip")).isEqualTo("velocity 100   +25 %, 2 notes");
    ui.await(() -> !bench().isMouseBusy());
    assertThat(notes()).extracting(Note::velocity).containsExactly(50, 100);
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(notes()).extracting(Note::velocity).containsExactly(40, 80);
  }

  private void wheel(Point2D at, double amount) {
    Node roll = ui.node("roll");
    ui.run(
        () -> {
          Point2D in = roll.localToScene(at);
          Event.fireEvent(
              roll,
              new ScrollEvent(
                  ScrollEvent.SCROLL,
                  in.getX(),
                  in.getY(),
                  in.getX(),
                  in.getY(),
                  false,
                  false,
                  true,
                  false,
                  false,
                  false,
                  0,
                  amount,
                  0,
                  amount,
                  ScrollEvent.HorizontalTextScrollUnits.NONE,
                  0,
                  ScrollEvent.VerticalTextScrollUnits.NONE,
                  0,
                  0,
                  null));
        });
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
  void a_click_on_an_edge_changes_nothing_whatever_notes_share_when_resized() {
    given("0 60 500", "0 64 700");
    ui.run(
        () -> {
          ui.session.drawing().setTogether(Together.LENGTH);
          ui.session.document().select(NoteRule.ALL);
        });
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
    ui.run(
        () -> {
          ui.session.drawing().setTogether(Together.PLACE);
          ui.session.document().select(new NoteRule.Within(new TickRange(0, 900), 0, 127));
        });
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

  /** Thirty, for 212 notes; two more for the grid of the hats, which is set by a button. */
  @Test
  void the_kit_part_of_the_demo_is_drawn_in_fewer_gestures_than_it_has_notes() {
    List<Note> wanted = HarbourLamps.song().tracks().get(2).notes();
    ui.run(
        () -> {
          ui.session.editing().addTrack(Instrument.kit(40));
          ui.session.drawing().setTakesLastLength(false);
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
    stroke(at(120, 42), at(14 * 3840 + 120, 42), With.CTRL);
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

  private int gestures;

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
}
