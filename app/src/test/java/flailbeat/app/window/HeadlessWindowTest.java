package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.Selection;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Note;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.transport.Transport.State;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.Test;

/** Drives the window by keys and mouse, with the headless toolkit. */
class HeadlessWindowTest extends HeadlessWindow {
  /** Else keys wait for all of the window to be drawn, in every frame while it plays. */
  @Test
  void what_moves_while_it_plays_is_drawn_without_all_that_stands_around_it() {
    for (String id : List.of("roll", "position", "track-tab-1", "timing-desk")) {
      assertThat(ui.node(id)).as(id).isNotNull();
      for (Node n = ui.node(id); n != null; n = n.getParent()) {
        assertThat(n.isCache()).as("%s round %s", n, id).isFalse();
      }
    }
  }

  @Test
  void the_first_letter_sounds_and_stops_when_let_go() throws Exception {
    press(KeyCode.A);
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    release(KeyCode.A);
    assertThat(sounding()).isEmpty();
  }

  @Test
  void the_switch_says_who_has_the_keys_and_no_click_changes_it() throws Exception {
    click(ui.node("bench"), 0.5, 0.5);
    click(ui.node("track-tab-1"), 0.1, 0.5);
    click("play");
    click("play");
    type(KeyCode.A);
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
    type(KeyCode.ESCAPE);
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys are commands");
    press(KeyCode.A);
    assertThat(sounding()).isEmpty();
    release(KeyCode.A);
    type(KeyCode.F2);
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    type(KeyCode.ESCAPE);
    assertThat(sounding()).as("the switch moved").isEmpty();
    type(KeyCode.BACK_QUOTE);
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys are notes");
  }

  @Test
  void octave_and_velocity_follow_their_keys_and_are_shown() throws Exception {
    type(KeyCode.EQUALS);
    assertThat(ui.text("octave")).isEqualTo("C5 to F6");
    type(KeyCode.MINUS);
    type(KeyCode.MINUS);
    assertThat(ui.text("octave")).isEqualTo("C3 to F4");
    type(KeyCode.UP);
    assertThat(ui.text("velocity")).isEqualTo("85  mf");
    type(KeyCode.Z);
    assertThat(ui.text("velocity")).isEqualTo("16  ppp");
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(48);
    release(KeyCode.A);
  }

  @Test
  void recording_shows_its_notes_and_says_what_it_does() throws Exception {
    ui.run(
        () ->
            ui.session.runControl().setSettings(PlaySettings.standard().withCountIn(CountIn.NONE)));
    type(KeyCode.SHIFT, KeyCode.SPACE);
    ui.await(() -> ui.session.runControl().transport().state() == State.RECORDING);
    ui.await(() -> ((Label) ui.node("state")).getText().equals("Recording"));
    type(KeyCode.A);
    press(KeyCode.S);
    assertThat(ui.get(() -> ui.session.runControl().pass().orElseThrow().held().size()))
        .isEqualTo(1);
    type(KeyCode.SPACE);
    release(KeyCode.S);
    assertThat(notes()).hasSize(2);
    assertThat(ui.text("notice")).isEqualTo("Recorded 2 notes onto Track 1");
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(notes()).isEmpty();
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
    assertThat(notes()).hasSize(2);
  }

  @Test
  void the_demo_is_quantized_by_the_key_and_by_the_button() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    assertThat(ui.text("lag")).matches("Lag: \\d\\d ms late");
    assertThat(ui.text("timing-details")).contains("doubtful");
    type(KeyCode.CONTROL, KeyCode.T);
    assertThat(notes()).allMatch(n -> n.onset() % 240 == 0);
    ui.run(() -> ((Slider) ui.node("strength")).setValue(50));
    Button quantize = (Button) ui.node("quantize");
    assertThat(quantize.isDisabled()).isFalse();
    click("quantize");
    assertThat(notes()).anyMatch(n -> n.onset() % 240 != 0);
    click("undo");
    assertThat(notes()).allMatch(n -> n.onset() % 240 == 0);
  }

  @Test
  void notes_are_chosen_moved_and_deleted_on_the_bench() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    type(KeyCode.CONTROL, KeyCode.A);
    assertThat(ui.get(() -> ui.session.document().selection().notes().size())).isEqualTo(67);
    Note first = notes().get(0);
    ui.run(() -> ui.session.document().select(Selection.ofNotes(Set.of(first.id()))));
    type(KeyCode.ESCAPE);
    type(KeyCode.RIGHT);
    type(KeyCode.SHIFT, KeyCode.UP);
    Note moved = find(first.id());
    assertThat(moved.onset()).isEqualTo(first.onset() + 240);
    assertThat(moved.pitch()).isEqualTo(first.pitch() + 12);
    type(KeyCode.DELETE);
    assertThat(notes()).hasSize(66);
  }

  @Test
  void caps_and_strip_play_under_the_mouse_the_lower_the_louder() throws Exception {
    Node cap = ui.node("cap-D");
    Bounds b = ui.get(() -> cap.localToScreen(cap.getBoundsInLocal()));
    ui.run(() -> robot.mouseMove(b.getCenterX(), b.getMaxY() - 4));
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    assertThat(sounding()).containsExactly(64);
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    assertThat(sounding()).isEmpty();
    Node strip = ui.node("piano-strip");
    Bounds s = ui.get(() -> strip.localToScreen(strip.getBoundsInLocal()));
    ui.run(() -> robot.mouseMove(s.getMinX() + s.getWidth() * 35.5 / 75, s.getMaxY() - 4));
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    assertThat(sounding()).containsExactly(60);
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    click("cap-EQUALS");
    assertThat(ui.text("octave")).isEqualTo("C5 to F6");
    assertThat(ui.get(() -> ui.session.performer().hands().isDown(PhysicalKey.D))).isFalse();
  }

  /** Nothing runs out of a small window, nor lies on something else. */
  @Test
  void everything_fits_a_window_of_900_by_600() throws Exception {
    ui.run(
        () -> {
          ui.session.open(HarbourLamps.song(), Optional.empty());
          ui.stage.setWidth(900);
          ui.stage.setHeight(600);
        });
    for (String id :
        List.of(
            "play",
            "record",
            "position",
            "tempo",
            "meter",
            "bench",
            "quantize",
            "slim-line",
            "keys-switch",
            "panic",
            "track-tab-4",
            "state",
            "page-rail")) {
      Bounds b = ui.get(() -> ui.node(id).localToScene(ui.node(id).getBoundsInLocal()));
      assertThat(b.getMaxX()).as("right edge of " + id).isLessThanOrEqualTo(901);
      assertThat(b.getMaxY()).as("lower edge of " + id).isLessThanOrEqualTo(601);
      assertThat(b.getWidth() * b.getHeight()).as("size of " + id).isGreaterThan(100);
    }
    Bounds state = ui.get(() -> ui.node("state").localToScene(ui.node("state").getBoundsInLocal()));
    Bounds apply =
        ui.get(() -> ui.node("quantize").localToScene(ui.node("quantize").getBoundsInLocal()));
    assertThat(apply.getMaxY()).as("above the line under the desk").isLessThan(state.getMinY());
    Bounds bench = ui.get(() -> ui.node("bench").localToScene(ui.node("bench").getBoundsInLocal()));
    assertThat(bench.getHeight()).isGreaterThan(100);
  }

  @Test
  void fit_is_chosen_on_the_desk_previewed_and_applied() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    click("method-fit");
    double lag = ui.get(() -> ui.session.timing().plan().removedLagMs());
    assertThat(lag).as("the demo's lead is some 38 ms late").isBetween(28.0, 45.0);
    click("quantize");
    assertThat(ui.text("notice")).startsWith("Quantized ");
    assertThat(notes()).allMatch(n -> n.onset() % 240 == 0);
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(notes()).anyMatch(n -> n.onset() % 240 != 0);
  }

  private Note find(NoteId id) {
    return notes().stream().filter(n -> n.id().equals(id)).findFirst().orElseThrow();
  }
}
