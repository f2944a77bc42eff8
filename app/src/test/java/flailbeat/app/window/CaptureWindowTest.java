package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.audio.midi.MidiInput;
import flailbeat.audio.midi.MidiMonitor;
import flailbeat.audio.midi.SimulatedInput;
import flailbeat.core.capture.RecordingMode;
import flailbeat.core.event.Performed;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Note;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.session.run.RecordSettings;
import flailbeat.core.time.Clock;
import flailbeat.core.time.TickRange;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.text.Text;
import org.controlsfx.control.RangeSlider;
import org.junit.jupiter.api.Test;

/** Performing and recording, driven by keys and mouse. */
class CaptureWindowTest extends HeadlessWindow {
  private void rightClick(String id) throws Exception {
    move(ui.node(id), 0.5, 0.5);
    ui.run(() -> robot.mousePress(MouseButton.SECONDARY));
    ui.run(() -> robot.mouseRelease(MouseButton.SECONDARY));
  }

  private String legend(String cap) {
    return ui.get(
        () ->
            ui.node(cap).lookupAll(".cap-legend").stream()
                .map(n -> ((Text) n).getText())
                .findFirst()
                .orElse(""));
  }

  /** Clicks on the ruler so far from its left edge; gives the place. */
  private long clickRuler(double x) throws Exception {
    dragRuler(x, x);
    return ui.get(() -> ui.session.runControl().playStartTicks());
  }

  private void dragRuler(double from, double to) throws Exception {
    Node bench = ui.node("bench");
    Bounds b = ui.get(() -> bench.localToScreen(bench.getLayoutBounds()));
    ui.run(() -> robot.mouseMove(b.getMinX() + 52 + from, b.getMinY() + 12));
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    ui.run(() -> robot.mouseMove(b.getMinX() + 52 + to, b.getMinY() + 12));
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
  }

  /** The layout changed: what the system repeats of Y has another name, and so has its release. */
  @Test
  void a_held_note_that_goes_on_repeating_under_another_name_ends() throws Exception {
    press(KeyCode.A);
    press(KeyCode.Y);
    assertThat(sounding()).containsExactlyInAnyOrder(60, 68);
    // At once: how soon a key repeats is what tells the two cases apart.
    ui.run(
        () -> {
          robot.keyPress(KeyCode.Z);
          robot.keyPress(KeyCode.Z);
          robot.keyPress(KeyCode.Z);
        });
    assertThat(sounding()).isEmpty();
    release(KeyCode.Z);
    release(KeyCode.A);
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    release(KeyCode.A);
    assertThat(sounding()).isEmpty();
  }

  @Test
  void a_drag_on_the_ruler_chooses_the_loop_and_a_click_the_place() throws Exception {
    long from = clickRuler(101);
    long to = clickRuler(301);
    long place = clickRuler(0);
    dragRuler(301, 101);
    TickRange loop = ui.get(() -> ui.session.runControl().looping().active()).orElseThrow();
    assertThat(loop.start() % 960 + loop.end() % 960).as("whole beats").isZero();
    assertThat(loop.start()).isCloseTo(from, within(720L));
    assertThat(loop.end()).isCloseTo(to, within(720L));
    assertThat(ui.text("notice")).startsWith("Loop: bars ");
    assertThat(ui.get(() -> ui.session.runControl().playStartTicks())).isEqualTo(place);
    click("loop");
    assertThat(ui.text("notice")).isEqualTo("No loop");
    type(KeyCode.CONTROL, KeyCode.L);
    assertThat(ui.get(() -> ui.session.runControl().looping().active())).isPresent();
  }

  @Test
  void gliding_over_the_caps_plays_one_after_another() throws Exception {
    move(ui.node("cap-A"), 0.5, 0.5);
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    assertThat(sounding()).containsExactly(60);
    move(ui.node("cap-S"), 0.5, 0.5);
    assertThat(sounding()).containsExactly(62);
    move(ui.node("cap-W"), 0.5, 0.5);
    assertThat(sounding()).containsExactly(61);
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    assertThat(sounding()).isEmpty();
  }

  @Test
  void right_clicks_build_a_chord_that_stays_until_it_is_let_go() throws Exception {
    rightClick("cap-A");
    rightClick("cap-D");
    rightClick("cap-G");
    assertThat(sounding()).containsExactlyInAnyOrder(60, 64, 67);
    rightClick("cap-D");
    assertThat(sounding()).containsExactlyInAnyOrder(60, 67);
    type(KeyCode.CONTROL, KeyCode.PERIOD);
    assertThat(sounding()).isEmpty();
  }

  @Test
  void caps_beyond_the_piano_say_so() throws Exception {
    ui.run(() -> ui.session.performer().moveOctaves(5));
    assertThat(legend("cap-G")).isEqualTo("G9");
    assertThat(legend("cap-H")).isEqualTo("too high");
    press(KeyCode.H);
    assertThat(sounding()).isEmpty();
    release(KeyCode.H);
  }

  @Test
  void a_floor_and_a_ceiling_that_meet_are_one_velocity_and_the_readout_tells() throws Exception {
    type(KeyCode.F6);
    RangeSlider range = (RangeSlider) ui.node("velocity-range");
    ui.run(() -> range.setHighValue(72));
    ui.run(() -> range.setLowValue(72));
    assertThat(ui.text("velocity")).startsWith("72");
    type(KeyCode.DOWN);
    assertThat(ui.text("velocity")).startsWith("72");
    ui.run(() -> range.setLowValue(40));
    type(KeyCode.DOWN);
    assertThat(ui.text("velocity")).startsWith("67");
  }

  @Test
  void takes_are_chosen_by_click_and_by_key() throws Exception {
    ui.run(
        () -> {
          ui.session.runControl().setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
          ui.session
              .runControl()
              .setRecordSettings(RecordSettings.standard().withMode(RecordingMode.TAKES));
        });
    for (KeyCode key : new KeyCode[] {KeyCode.A, KeyCode.S}) {
      type(KeyCode.SHIFT, KeyCode.SPACE);
      type(key);
      type(KeyCode.SPACE);
    }
    assertThat(notes()).extracting(Note::pitch).containsExactly(62);
    click("take-1");
    assertThat(notes()).extracting(Note::pitch).containsExactly(60);
    type(KeyCode.CONTROL, KeyCode.PAGE_DOWN);
    assertThat(notes()).extracting(Note::pitch).containsExactly(62);
    click("remove-take");
    assertThat(notes()).extracting(Note::pitch).containsExactly(60);
    assertThat(ui.get(() -> ui.node("takes").isVisible())).isFalse();
  }

  @Test
  void the_keyboard_is_learned_by_pressing_the_keys_that_light_up() throws Exception {
    type(KeyCode.F6);
    click("learn-keyboard");
    assertThat(ui.text("who-has-the-keys")).startsWith("Press the key that lights up");
    type(KeyCode.Q);
    assertThat(sounding()).as("while it is asked, keys are answers").isEmpty();
    type(KeyCode.Q);
    assertThat(ui.text("who-has-the-keys")).startsWith("The system says the same");
    type(KeyCode.ENTER);
    type(KeyCode.D);
    click("ask-finish");
    press(KeyCode.Q);
    assertThat(sounding()).as("where A lies").containsExactly(60);
    release(KeyCode.Q);
    assertThat(ui.get(() -> ui.session.performer().layout().cap(PhysicalKey.A))).isEqualTo("Q");
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys are notes");
  }

  @Test
  void a_blocked_chord_is_told_remembered_and_led_round() throws Exception {
    type(KeyCode.F6);
    click("chord-check");
    type(KeyCode.A);
    type(KeyCode.D);
    type(KeyCode.G);
    type(KeyCode.ENTER);
    press(KeyCode.A, KeyCode.D);
    release(KeyCode.A, KeyCode.D);
    assertThat(ui.text("who-has-the-keys")).isEqualTo("G did not come through with A D.");
    assertThat(ui.get(() -> ((Button) ui.node("ask-detour")).getText()))
        .isEqualTo("Other keys: Home from B3");
    click("ask-detour");
    assertThat(ui.get(() -> ui.session.keyboard().isAsking())).isFalse();
    assertThat(ui.text("octave")).startsWith("B3");
  }

  @Test
  void escape_leaves_a_lesson_and_nothing_has_changed() throws Exception {
    type(KeyCode.F6);
    click("learn-keyboard");
    type(KeyCode.Q);
    type(KeyCode.ESCAPE);
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    release(KeyCode.A);
  }

  @Test
  void a_midi_input_plays_and_its_notes_end_when_it_is_unplugged() throws Exception {
    SimulatedInput input = new SimulatedInput(Clock.SYSTEM, new MidiMonitor());
    ui.run(() -> ui.window.midi().choose(Optional.of(input)));
    ui.await(() -> !ui.session.performer().hands().soundingPitches().isEmpty());
    input.unplug();
    ui.await(() -> ui.session.notices().current().text().contains("has gone"));
    assertThat(sounding()).isEmpty();
  }

  @Test
  void the_midi_input_that_was_chosen_last_is_listened_to_again_and_one_that_is_missing_is_told()
      throws Exception {
    ui.run(
        () -> {
          ui.session.performer().chooseDevice(Optional.of("Simulated keyboard"));
          ui.window.midi().openRemembered();
        });
    ui.await(() -> !ui.session.performer().hands().soundingPitches().isEmpty());
    ui.run(() -> ui.window.midi().choose(Optional.empty()));
    assertThat(sounding()).isEmpty();
    ui.run(
        () -> {
          ui.session.performer().chooseDevice(Optional.of("Harbour keys"));
          ui.window.midi().openRemembered();
        });
    ui.await(() -> ui.session.notices().current().text().contains("Harbour keys"));
    ui.run(() -> ui.session.performer().chooseDevice(Optional.empty()));
  }

  @Test
  void note_repeat_goes_on_while_the_key_is_held_and_what_it_strikes_is_recorded()
      throws Exception {
    ui.run(
        () ->
            ui.session.runControl().setSettings(PlaySettings.standard().withCountIn(CountIn.NONE)));
    type(KeyCode.TAB);
    type(KeyCode.SHIFT, KeyCode.SPACE);
    press(KeyCode.A);
    ui.await(() -> ui.session.runControl().pass().orElseThrow().done().size() >= 4);
    release(KeyCode.A);
    type(KeyCode.SPACE);
    assertThat(notes()).hasSizeGreaterThanOrEqualTo(4);
    assertThat(notes().subList(1, 4)).allMatch(n -> n.onset() % 240 == 0);
  }

  /** A device that is played on by the test, and that plays once more as it is closed. */
  private static final class Keyboard implements MidiInput {
    private final String name;
    private volatile Consumer<Performed> listener = event -> {};
    private volatile boolean open;

    Keyboard(String name) {
      this.name = name;
    }

    @Override
    public String name() {
      return name;
    }

    @Override
    public void open(Consumer<Performed> to) {
      listener = to;
      open = true;
    }

    void strike(int pitch) {
      listener.accept(new Performed.NoteOn(System.nanoTime(), pitch, 90));
    }

    @Override
    public boolean isThere() {
      return open;
    }

    @Override
    public void close() {
      strike(72);
      open = false;
    }
  }

  @Test
  void a_note_that_a_device_plays_as_it_is_left_does_not_hang() throws Exception {
    Keyboard first = new Keyboard("First");
    Keyboard second = new Keyboard("Second");
    ui.run(() -> ui.window.midi().choose(Optional.of(first)));
    ui.await(
        () -> first.open && ui.session.notices().current().text().equals("Listening to First"));
    first.strike(60);
    ui.await(() -> ui.session.performer().hands().soundingPitches().contains(60));
    ui.run(() -> ui.window.midi().choose(Optional.of(second)));
    ui.await(() -> second.open && !first.open);
    ui.await(() -> ui.session.notices().current().text().equals("Listening to Second"));
    assertThat(sounding()).isEmpty();
  }

  @Test
  void of_two_quick_choices_only_the_last_device_is_open() throws Exception {
    Keyboard first = new Keyboard("First");
    Keyboard second = new Keyboard("Second");
    ui.run(
        () -> {
          ui.window.midi().choose(Optional.of(first));
          ui.window.midi().choose(Optional.of(second));
        });
    ui.await(() -> ui.session.notices().current().text().equals("Listening to Second"));
    assertThat(first.open).isFalse();
    ui.run(
        () -> {
          ui.window.midi().choose(Optional.of(first));
          ui.window.midi().choose(Optional.empty());
        });
    ui.await(() -> !second.open && !first.open);
    first.strike(60);
    assertThat(sounding()).isEmpty();
  }
}
