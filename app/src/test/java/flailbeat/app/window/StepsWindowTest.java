package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.audio.AudioEngine;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.StepEntry;
import flailbeat.core.step.StepLength;
import flailbeat.core.step.StepSettings;
import flailbeat.core.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import org.junit.jupiter.api.Test;

/** The step strip, the step cursor and the fields about steps, with the headless toolkit. */
class StepsWindowTest extends HeadlessWindow {
  private void atSteps() throws Exception {
    type(KeyCode.F3);
  }

  private long cursor() {
    return ui.get(() -> ui.session.steps().place().cursorTick());
  }

  @Test
  void the_strip_is_there_at_steps_and_says_what_the_next_key_does() throws Exception {
    assertThat(ui.node("step-strip")).isNull();
    atSteps();
    assertThat(ui.node("step-strip").isVisible()).isTrue();
    assertThat(ui.text("step-says"))
        .isEqualTo("Press and let go a note key: it is entered as 1/4 at 1.1.000. \u2192 rests");
    type(KeyCode.DIGIT8);
    type(KeyCode.PERIOD);
    press(KeyCode.A);
    assertThat(ui.text("step-says"))
        .startsWith("Let go to enter C4 as dotted 1/8 at 1.1.000; \u2192 or a length key");
    release(KeyCode.A);
    assertThat(((MenuButton) ui.node("step-length")).getText()).isEqualTo("dotted 1/8");
    assertThat(((MenuButton) ui.node("step-position")).getText()).isEqualTo("1.1.720");
    assertThat(ui.text("step-left")).isEqualTo("3 1/4 beats left");
    assertThat(recent()).containsExactly("C4  dotted 1/8");
    type(KeyCode.ESCAPE);
    assertThat(ui.node("step-strip").isVisible()).isFalse();
  }

  private List<String> recent() {
    return ui.get(
        () ->
            ((HBox) ui.node("step-recent"))
                .getChildren().stream()
                    .skip(1)
                    .filter(Node::isVisible)
                    .map(n -> ((javafx.scene.control.Button) n).getText())
                    .toList());
  }

  @Test
  void its_parts_can_be_clicked() throws Exception {
    atSteps();
    click("step-dot");
    click("step-triplet");
    assertThat(ui.session.steps().settings().length()).hasToString("1/4 triplet");
    click("step-triplet");
    type(KeyCode.A, KeyCode.S);
    type(KeyCode.D);
    assertThat(cursor()).isEqualTo(1920);
    click(((HBox) ui.node("step-recent")).getChildren().get(1), 0.5, 0.5);
    assertThat(cursor()).as("a narrow strip has room for the last step").isEqualTo(960);
    click("step-finds");
    click("step-rhythm");
    StepSettings now = ui.session.steps().settings();
    assertThat(now.findsFirst()).isTrue();
    assertThat(now.ontoRhythm()).isTrue();
    type(KeyCode.CONTROL, KeyCode.F);
    type(KeyCode.CONTROL, KeyCode.R);
    type(KeyCode.CONTROL, KeyCode.I);
    now = ui.session.steps().settings();
    assertThat(List.of(now.findsFirst(), now.ontoRhythm(), now.adds()))
        .containsExactly(false, false, true);
  }

  @Test
  void drawn_keys_and_the_piano_enter_notes_and_length_caps_choose_lengths() throws Exception {
    atSteps();
    click("cap-DIGIT_8");
    click("cap-A");
    click(ui.node("piano-strip"), 0.5, 0.9);
    assertThat(notes()).extracting(Note::length).containsExactly(480L, 480L);
    assertThat(notes()).extracting(Note::onset).containsExactly(0L, 480L);
    assertThat(sounding()).isEmpty();
  }

  @Test
  void any_fraction_of_a_beat_is_a_length_and_nonsense_is_told_beside_the_field() throws Exception {
    atSteps();
    click("step-beats");
    ui.run(() -> ui.field("step-beats").setText("2/5"));
    type(KeyCode.ENTER);
    assertThat(ui.session.steps().settings().length().ticks().intValue()).isEqualTo(384);
    assertThat(ui.text("step-ticks")).isEqualTo("384 ticks");
    for (String nonsense : List.of("0", "-1", "nonsense", "1/0", "99999")) {
      click("step-beats");
      ui.run(() -> ui.field("step-beats").setText(nonsense));
      type(KeyCode.ENTER);
      assertThat(ui.field("step-beats").getPseudoClassStates().toString()).contains("refused");
      type(KeyCode.ESCAPE);
      assertThat(ui.field("step-beats").getText()).isEqualTo("2/5");
    }
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.STEPS);
  }

  @Test
  void a_click_on_the_ruler_moves_the_cursor_and_a_click_elsewhere_does_not() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    atSteps();
    click(ui.node("ruler"), 0.5, 0.5);
    long there = cursor();
    assertThat(there).isPositive();
    assertThat(there % 240).isZero();
    assertThat(ui.get(() -> ui.session.runControl().playStartTicks())).isZero();
    click("roll");
    click("track-tab-1");
    assertThat(cursor()).isEqualTo(there);
  }

  @Test
  void on_the_song_map_a_track_and_a_gap_are_chosen_and_a_clip_is_made() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    type(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.A);
    atSteps();
    click(ui.node("song-map"), 0.55, 0.9);
    assertThat(ui.get(() -> ui.session.document().track().name())).isEqualTo("Track 5");
    long there = cursor();
    assertThat(there).isPositive();
    assertThat(there % 3840).isZero();
    type(KeyCode.A);
    assertThat(notes()).extracting(Note::onset).containsExactly(there);
    assertThat(ui.get(() -> ui.session.document().track().clips().get(0).range().length()))
        .isEqualTo(3840);
  }

  @Test
  void a_pattern_is_asked_for_and_repeated_by_keys_alone() throws Exception {
    atSteps();
    type(KeyCode.A);
    type(KeyCode.S);
    type(KeyCode.SHIFT, KeyCode.ENTER);
    ui.run(() -> ui.field("pattern-steps").setText("2"));
    type(KeyCode.ENTER);
    click("pattern-times");
    ui.run(() -> ui.field("pattern-times").setText("3"));
    type(KeyCode.ENTER);
    type(KeyCode.CONTROL, KeyCode.ENTER);
    assertThat(notes()).hasSize(8);
    assertThat(ui.get(() -> ui.session.document().undoLabel())).contains("Repeat 2 steps");
  }

  @Test
  void a_note_entered_out_of_sight_is_brought_into_sight() throws Exception {
    atSteps();
    type(KeyCode.DIGIT1);
    for (int i = 0; i < 12; i++) {
      type(KeyCode.A);
    }
    Node cap = ui.node("step-layer").lookup(".step-cap");
    double x = ui.get(() -> cap.localToScene(cap.getBoundsInLocal()).getCenterX());
    Node roll = ui.node("roll");
    double right = ui.get(() -> roll.localToScene(roll.getBoundsInLocal()).getMaxX());
    assertThat(x).isBetween(0.0, right);
    assertThat(((Label) ui.node("step-says")).getText()).contains("13.1.000");
  }

  @Test
  void the_window_is_no_wider_for_the_strip() throws Exception {
    atSteps();
    type(KeyCode.DIGIT8);
    type(KeyCode.PERIOD);
    type(KeyCode.A);
    ui.run(() -> ui.stage.setWidth(900));
    assertThat(ui.text("step-left")).isEqualTo("3 1/4 beats left");
    ui.run(() -> ui.stage.setHeight(600));
    assertThat(ui.text("pedals")).as("no room for it in a low deck").isEmpty();
    assertThat(ui.get(() -> ui.stage.getScene().getRoot().minWidth(-1))).isLessThanOrEqualTo(900);
    Node left = ui.node("step-left");
    assertThat(ui.get(() -> left.localToScene(left.getBoundsInLocal()).getMaxX()))
        .isLessThanOrEqualTo(900);
  }

  /** What each key does at Steps, told to another session without any window. */
  private static final Map<KeyCode, Consumer<StepEntry>> DOES =
      Map.ofEntries(
          Map.entry(KeyCode.DIGIT1, s -> s.chooseLength(StepLength.of(1))),
          Map.entry(KeyCode.DIGIT2, s -> s.chooseLength(StepLength.of(2))),
          Map.entry(KeyCode.DIGIT4, s -> s.chooseLength(StepLength.of(4))),
          Map.entry(KeyCode.DIGIT8, s -> s.chooseLength(StepLength.of(8))),
          Map.entry(KeyCode.DIGIT6, s -> s.chooseLength(StepLength.of(16))),
          Map.entry(KeyCode.DIGIT3, s -> s.chooseLength(StepLength.of(32))),
          Map.entry(KeyCode.PERIOD, s -> s.changeLength(StepLength::dotted)),
          Map.entry(KeyCode.SLASH, s -> s.changeLength(StepLength::triplet)),
          Map.entry(KeyCode.RIGHT, StepEntry::advance),
          Map.entry(KeyCode.LEFT, StepEntry::back),
          Map.entry(KeyCode.BACK_SPACE, StepEntry::remove));

  private static final Map<KeyCode, PhysicalKey> NOTES =
      Map.of(
          KeyCode.A, PhysicalKey.A,
          KeyCode.S, PhysicalKey.S,
          KeyCode.D, PhysicalKey.D,
          KeyCode.F, PhysicalKey.F,
          KeyCode.G, PhysicalKey.G);

  @Test
  void however_fast_and_overlapping_keys_come_each_does_what_it_does_without_a_window()
      throws Exception {
    for (int seed = 0; seed < 3; seed++) {
      Random random = new Random(seed);
      Session plain = new Session(Clock.SYSTEM, AudioEngine.silent(Clock.SYSTEM));
      plain.open(Song.empty(), Optional.empty());
      plain.keysSwitch().set(KeysMode.STEPS);
      ui.run(
          () -> {
            ui.session.open(Song.empty(), Optional.empty());
            ui.session.keysSwitch().set(KeysMode.COMMANDS);
            ui.session.keysSwitch().set(KeysMode.STEPS);
            ui.session.steps().moveTo(0);
            ui.session.steps().chooseLength(StepLength.of(4));
          });
      plain.steps().moveTo(0);
      plain.steps().chooseLength(StepLength.of(4));
      List<String> sent = new ArrayList<>();
      Set<KeyCode> held = new LinkedHashSet<>();
      List<KeyCode> commands = new ArrayList<>(DOES.keySet());
      commands.sort(null);
      List<KeyCode> notes = new ArrayList<>(NOTES.keySet());
      notes.sort(null);
      for (int i = 0; i < 50 || !held.isEmpty(); i++) {
        boolean isNote = i >= 50 || random.nextInt(5) < 3;
        KeyCode key =
            i >= 50
                ? held.iterator().next()
                : isNote
                    ? notes.get(random.nextInt(notes.size()))
                    : commands.get(random.nextInt(commands.size()));
        sent.add((held.contains(key) ? "-" : "") + key);
        if (!isNote) {
          type(key);
          DOES.get(key).accept(plain.steps());
        } else if (held.remove(key)) {
          release(key);
          plain.performer().release(NOTES.get(key), System.nanoTime());
        } else {
          held.add(key);
          press(key);
          plain.performer().press(NOTES.get(key), System.nanoTime());
        }
      }
      assertThat(lines(notes()))
          .as("seed %d: %s", seed, sent)
          .isEqualTo(lines(plain.document().track().notes()));
    }
  }

  private static List<String> lines(List<Note> notes) {
    return notes.stream().map(n -> n.onset() + " " + n.pitch() + " " + n.length()).toList();
  }
}
