package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.quantize.lag.KnownLag;
import flailbeat.core.session.run.NoteVersion;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TempoMap;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Test;

/** What surprised people who came to the window for the first time. */
class NewcomerTest extends RollWindow {
  private void demo() {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
  }

  private String said() {
    return ui.get(() -> ui.session.notices().current().text());
  }

  @Test
  void as_played_ends_with_its_page_when_that_is_left_while_it_is_held() {
    demo();
    ui.run(
        () ->
            MouseEvents.fire(
                ui.node("as-played"),
                MouseEvent.MOUSE_PRESSED,
                new Point2D(4, 4),
                MouseButton.PRIMARY,
                1,
                new MouseEvents.Modifiers(false, false, false)));
    assertThat(ui.session.timing().version()).isEqualTo(NoteVersion.PLAYED);
    ui.choose("page-hands");
    assertThat(ui.session.timing().version()).isEqualTo(NoteVersion.STANDING);
    assertThat(ui.session.runControl().transport().isRunning()).isFalse();
  }

  /** At Commands the keys that move an octave are those that zoom. */
  @Test
  void the_hint_does_not_name_a_key_that_does_something_else_now() throws Exception {
    type(KeyCode.A);
    assertThat(ui.text("hint")).startsWith("Next: = and -");
    type(KeyCode.ESCAPE);
    assertThat(ui.text("hint")).startsWith("Next: F2");
    type(KeyCode.F2);
    assertThat(ui.text("hint")).startsWith("Next: = and -");
  }

  @Test
  void one_grid_at_a_time_is_lit() {
    demo();
    ui.run(() -> ui.session.timing().setGrid(Grid.of(NoteValue.triplet(16))));
    long lit =
        ui.get(
            () ->
                ui.stage.getScene().getRoot().lookupAll(".toggle-button").stream()
                    .filter(n -> n instanceof ToggleButton b && b.isSelected())
                    .map(n -> ((ToggleButton) n).getText())
                    .filter(t -> t.startsWith("1/"))
                    .count());
    assertThat(lit).isEqualTo(1);
  }

  @Test
  void keys_that_type_nothing_decide_no_doubtful_note() throws Exception {
    demo();
    ui.run(() -> ui.session.doubts().start());
    int before = ui.session.doubts().left();
    for (KeyCode key : new KeyCode[] {KeyCode.CAPS, KeyCode.PRINTSCREEN, KeyCode.F1, KeyCode.F1}) {
      type(key);
      assertThat(ui.session.doubts().left()).as("%s", key).isEqualTo(before);
    }
    type(KeyCode.K);
    assertThat(ui.session.doubts().left()).isEqualTo(before - 1);
  }

  @Test
  void escape_after_the_last_doubtful_note_leaves_the_keys_with_the_notes() throws Exception {
    demo();
    ui.run(() -> ui.session.doubts().start());
    while (ui.session.doubts().isOn()) {
      type(KeyCode.K);
    }
    type(KeyCode.ESCAPE);
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
    type(KeyCode.ESCAPE);
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.COMMANDS);
  }

  @Test
  void f2_gives_the_keys_to_notes_whoever_has_them() throws Exception {
    type(KeyCode.F2);
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
    type(KeyCode.ESCAPE);
    type(KeyCode.F2);
    type(KeyCode.F2);
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
    assertThat(said()).startsWith("Letter keys are notes");
    type(KeyCode.F3);
    assertThat(said()).as("what holds no longer").doesNotContain("Letter keys are notes");
  }

  @Test
  void comparing_leaves_the_loop_as_it_was_and_its_notice_ends_with_it() {
    demo();
    ui.run(() -> ui.session.run().compareRounds());
    assertThat(ui.session.runControl().looping().isOn()).isTrue();
    ui.run(() -> ui.session.run().playOrStop());
    assertThat(ui.session.runControl().looping().isOn()).isFalse();
    assertThat(ui.session.runControl().looping().range()).isEmpty();
    assertThat(said()).doesNotContain("next as quantized");
    ui.run(() -> ui.session.run().loop(new TickRange(0, 3840)));
    ui.run(() -> ui.session.run().compareRounds());
    ui.run(() -> ui.session.run().playOrStop());
    assertThat(ui.session.runControl().looping().active()).contains(new TickRange(0, 3840));
  }

  @Test
  void note_repeat_is_seen_at_the_deck_in_words_before_the_next_stroke() throws Exception {
    assertThat(ui.text("pedals")).doesNotContain("again");
    type(KeyCode.TAB);
    assertThat(ui.text("pedals")).contains("held notes strike again, 1/16", "Tab");
    type(KeyCode.TAB);
    assertThat(ui.text("pedals")).doesNotContain("again");
  }

  @Test
  void who_presses_letters_in_vain_three_times_is_told_what_has_them() throws Exception {
    type(KeyCode.ESCAPE);
    type(KeyCode.T);
    type(KeyCode.Y);
    type(KeyCode.F);
    type(KeyCode.T);
    type(KeyCode.Y);
    assertThat(said()).as("F did something in between").doesNotContain("have none");
    type(KeyCode.T);
    assertThat(ui.text("notice"))
        .isEqualTo("Letter keys are commands now, and these have none: F2 makes them notes");
  }

  @Test
  void who_presses_space_in_a_field_three_times_is_told_that_it_has_the_keys() throws Exception {
    click("tempo");
    type(KeyCode.SPACE);
    type(KeyCode.SPACE);
    assertThat(said()).doesNotContain("A field has the keys");
    type(KeyCode.SPACE);
    assertThat(ui.text("notice"))
        .isEqualTo("A field has the keys: Enter or Esc gives them back, and then Space plays");
    type(KeyCode.ESCAPE);
    type(KeyCode.SPACE);
    assertThat(ui.session.runControl().transport().isRunning()).isTrue();
    type(KeyCode.SPACE);
  }

  @Test
  void one_spot_says_what_state_it_is_in_and_which_key_leads_out() throws Exception {
    demo();
    assertThat(ui.text("state")).isEqualTo("Stopped");
    type(KeyCode.F3);
    assertThat(ui.text("state")).isEqualTo("Steps: F2 plays");
    type(KeyCode.F2);
    press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.T);
    assertThat(ui.text("state")).isEqualTo("Playing, as played");
    release(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.T);
    type(KeyCode.CONTROL, KeyCode.D);
    assertThat(ui.text("state")).isEqualTo("Deciding doubts: Esc leaves");
    type(KeyCode.ESCAPE);
    assertThat(ui.text("state")).isEqualTo("Stopped");
    type(KeyCode.ESCAPE);
    ui.choose("page-chores");
    ui.press("chore-velocity");
    assertThat(ui.text("state")).isEqualTo("Trying a chore: Esc leaves");
    type(KeyCode.ESCAPE);
    assertThat(ui.text("state")).isEqualTo("Stopped");
  }

  @Test
  void who_goes_from_note_to_note_has_each_told_and_read_out() throws Exception {
    demo();
    type(KeyCode.ESCAPE);
    type(KeyCode.TAB);
    assertThat(said())
        .matches("D5 at 1\\.1\\.\\d+, [0-9.]+ beats, velocity \\d+, played \\d+ ms (late|early)");
    assertThat(ui.get(() -> ui.stage.getScene().getRoot().getAccessibleText())).isEqualTo(said());
    type(KeyCode.UP);
    type(KeyCode.TAB);
    type(KeyCode.SHIFT, KeyCode.TAB);
    assertThat(said()).startsWith("D#5 at 1.1");
  }

  @Test
  void with_latching_what_is_held_goes_on_until_its_keys_are_pressed_again_or_escape()
      throws Exception {
    demo();
    ui.choose("latching");
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.T);
    assertThat(ui.session.timing().version()).isEqualTo(NoteVersion.PLAYED);
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.T);
    assertThat(ui.session.timing().version()).isEqualTo(NoteVersion.STANDING);
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.T);
    type(KeyCode.ESCAPE);
    assertThat(ui.session.timing().version()).isEqualTo(NoteVersion.STANDING);
    assertThat(ui.session.performer().keysMode())
        .as("it led out of that alone")
        .isEqualTo(KeysMode.PLAY);
    ui.choose("latching");
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.T);
    assertThat(ui.session.timing().version()).isEqualTo(NoteVersion.STANDING);
  }

  /** As the README says. */
  @Test
  void by_what_the_hint_line_says_four_bars_are_recorded_and_quantized_in_five_presses()
      throws Exception {
    ui.run(
        () ->
            ui.session.document().edit("Tempo", s -> s.withTempos(TempoMap.of(Tempo.ofBpm(400)))));
    assertThat(ui.text("hint")).contains("press a letter that is drawn white");
    type(KeyCode.A);
    assertThat(ui.text("hint")).contains("= and -");
    type(KeyCode.EQUALS);
    assertThat(ui.text("hint")).contains("Shift+Space records");
    type(KeyCode.SHIFT, KeyCode.SPACE);
    for (int quarter = 0; quarter < 16; quarter++) {
      long at = quarter * 960L + 60;
      ui.await(() -> ui.session.runControl().positionTicks() >= at);
      type(KeyCode.S);
    }
    type(KeyCode.SHIFT, KeyCode.SPACE);
    ui.await(() -> !notes().isEmpty());
    assertThat(ui.text("hint")).contains("Ctrl+T puts late notes right");
    type(KeyCode.CONTROL, KeyCode.T);
    assertThat(notes()).hasSize(16).allMatch(n -> n.onset() % 240 == 0);
  }

  @Test
  void a_command_with_nothing_to_work_on_says_so() throws Exception {
    type(KeyCode.ESCAPE);
    type(KeyCode.CONTROL, KeyCode.X);
    assertThat(said()).isEqualTo("Cut the selected notes or clips: select notes or clips first");
    ui.run(() -> ui.window.commands().setKeys(Map.of("chore-own", List.of("Ctrl+J"))));
    type(KeyCode.CONTROL, KeyCode.J);
    assertThat(said()).contains("you have made none");
  }

  @Test
  void while_it_plays_the_bench_can_be_looked_at_elsewhere_and_follows_again() throws Exception {
    demo();
    ui.run(() -> ui.session.run().playOrStop());
    Point2D middle = at(1000, 72);
    for (int i = 0; i < 20; i++) {
      ui.run(
          () ->
              MouseEvents.scroll(
                  ui.node("roll"), middle, -200, new MouseEvents.Modifiers(true, false, false)));
    }
    Thread.sleep(200);
    assertThat(at(0, 72).getX()).as("the playhead is left behind").isNegative();
    ui.run(() -> ui.session.run().playOrStop());
    ui.run(() -> ui.session.run().playOrStop());
    Thread.sleep(200);
    assertThat(at(0, 72).getX()).as("a new start is followed").isNotNegative();
    ui.run(() -> ui.session.run().playOrStop());
  }

  @Test
  void learned_lags_outlive_a_buffer_that_grows_by_itself() {
    ui.run(
        () -> {
          ui.session.lags().setAll(Map.of("keys", new KnownLag(List.of(20.0, 21.0, 22.0))));
          ui.session.sound().set(ui.session.sound().settings().withFound(8192));
        });
    assertThat(ui.get(() -> ui.session.lags().all())).containsKey("keys");
    ui.run(() -> ui.session.sound().set(ui.session.sound().settings().withBuffer(8192)));
    assertThat(ui.get(() -> ui.session.lags().all())).as("another was chosen").isEmpty();
  }

  @Test
  void a_window_in_which_nothing_moves_rests_until_something_happens() throws Exception {
    demo();
    ui.await(ui.window::isResting);
    type(KeyCode.A);
    assertThat(ui.get(ui.window::isResting)).isFalse();
    ui.await(ui.window::isResting);
    ui.run(() -> ui.session.run().playOrStop());
    Thread.sleep(3000);
    assertThat(ui.get(ui.window::isResting)).as("while it plays").isFalse();
    assertThat(ui.session.runControl().positionTicks()).isGreaterThan(2000);
    ui.run(() -> ui.session.run().playOrStop());
    ui.await(ui.window::isResting);
  }
}
