package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.cli.CommandLineApp;
import flailbeat.app.shell.Prompts;
import flailbeat.audio.midi.SimulatedInput;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.files.SongFiles;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.session.CountIn;
import flailbeat.core.session.PlaySettings;
import flailbeat.core.session.TimingDesk;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport.State;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeoutException;
import javafx.event.Event;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Real keys sent to the real window, as Xvfb gives them. */
@Tag("window")
class RealWindowTest {
  private static final String[] SCALE = {"A", "S", "D", "F", "G", "H", "J", "K"};

  @TempDir private Path folder;
  private WindowUnderTest ui;
  private RealKeys keys;

  @BeforeEach
  void open() throws Exception {
    ui = WindowUnderTest.open(1280, 800);
    keys = new RealKeys();
    ui.await(() -> ui.stage.isFocused());
    keys.send("~400");
  }

  @AfterEach
  void close() throws Exception {
    setLayout("us");
    keys.close();
    ui.close();
  }

  private Set<Integer> sounding() {
    return ui.get(() -> ui.session.performer().hands().soundingPitches());
  }

  /** Waits for just these notes to sound: the machine may be slow. */
  private void expectSounding(Integer... pitches) {
    Set<Integer> wanted = Set.of(pitches);
    try {
      ui.await(() -> ui.session.performer().hands().soundingPitches().equals(wanted));
    } catch (TimeoutException e) {
      assertThat(sounding()).isEqualTo(wanted);
    }
  }

  private List<Note> notes() {
    return ui.get(() -> ui.session.document().track().notes());
  }

  private static void setLayout(String layout) throws IOException, InterruptedException {
    List<String> words = new ArrayList<>(List.of("setxkbmap"));
    words.addAll(List.of(layout.split(" ")));
    assertThat(new ProcessBuilder(words).inheritIO().start().waitFor()).isZero();
  }

  @Test
  void eight_notes_over_a_click_are_recorded_quantized_saved_and_converted() throws Exception {
    keys.send("+SHIFT +SPACE ~40 -SPACE -SHIFT");
    ui.await(() -> ui.session.conductor().transport().state() == State.RECORDING);
    StringBuilder words = new StringBuilder("~180 ");
    for (String key : SCALE) {
      words.append('+').append(key).append(" ~170 -").append(key).append(" ~80 ");
    }
    keys.send(words.toString());
    keys.send("+SPACE ~30 -SPACE ~100");
    ui.await(() -> !ui.session.conductor().transport().isRunning());
    assertThat(notes()).extracting(Note::pitch).containsExactly(60, 62, 64, 65, 67, 69, 71, 72);
    keys.chord("CONTROL", "T");
    ui.await(() -> ui.session.document().undoLabel().orElse("").startsWith("Quantize"));
    List<Long> quantized = notes().stream().map(Note::onset).toList();
    assertThat(quantized).hasSize(8).isSorted().allMatch(t -> t % 240 == 0);
    keys.chord("CONTROL", "Z");
    ui.await(() -> ui.session.document().redoLabel().isPresent());
    assertThat(notes()).anyMatch(n -> n.onset() % 240 != 0);
    keys.chord("CONTROL", "SHIFT", "Z");
    ui.await(() -> ui.session.document().redoLabel().isEmpty());
    assertThat(notes()).extracting(Note::onset).containsExactlyElementsOf(quantized);
    Path project = folder.resolve("eight.flail");
    ui.answers.file = Optional.of(project);
    keys.chord("CONTROL", "S");
    ui.await(() -> !ui.session.document().hasUnsavedWork());
    Path midi = folder.resolve("eight.mid");
    assertThat(CommandLineApp.run("convert", project.toString(), midi.toString())).isZero();
    assertThat(SongFiles.read(midi).song().tracks().get(0).notes())
        .extracting(Note::onset)
        .containsExactlyElementsOf(quantized);
  }

  @Test
  void a_held_key_is_struck_once_however_long_the_system_repeats_it() throws Exception {
    keys.send("+SHIFT +SPACE -SPACE -SHIFT");
    ui.await(() -> ui.session.conductor().transport().state() == State.RECORDING);
    keys.send("+D ~1500 -D ~50 +SPACE -SPACE ~100");
    ui.await(() -> !ui.session.conductor().transport().isRunning());
    assertThat(notes()).hasSize(1);
    assertThat(ui.session.song().tempos().millisBetween(0, notes().get(0).length()))
        .as("how long exactly is for the bench to say")
        .isGreaterThan(200.0);
  }

  /** No release comes for keys held as the focus goes; on the way back they may repeat. */
  @Test
  void when_the_focus_goes_with_keys_held_nothing_hangs_and_nothing_starts_by_itself()
      throws Exception {
    keys.send("+A +D +G ~60");
    expectSounding(60, 64, 67);
    Stage other = ui.get(Stage::new);
    ui.run(
        () -> {
          other.setScene(new Scene(new Pane(), 200, 100));
          other.show();
          other.requestFocus();
        });
    ui.await(() -> !ui.stage.isFocused());
    expectSounding();
    ui.run(
        () -> {
          other.hide();
          ui.stage.requestFocus();
        });
    ui.await(() -> ui.stage.isFocused());
    keys.send("~700");
    assertThat(sounding()).as("the held keys only repeat").isEmpty();
    keys.send("-A -D -G ~60 +A ~60");
    expectSounding(60);
    keys.send("-A ~60");
    expectSounding();
  }

  /**
   * The system's own keyboard descriptions (xkeyboard-config, by setxkbmap): the places of the home
   * row, pressed by what is printed there, play the same notes on every layout.
   */
  @Test
  void on_every_layout_the_same_places_play_the_same_notes_and_none_hangs() throws Exception {
    String[][] layouts = {
      {"QWERTY", "us", "A S D F J K", "Y"},
      {"QWERTZ", "de", "A S D F J K", "Z"},
      {"AZERTY", "fr", "Q S D F J K", "Y"},
      {"Dvorak", "us dvorak", "A O E U H T", "F"},
      {"Colemak", "us colemak", "A R S T N E", "J"}
    };
    for (String[] each : layouts) {
      setLayout(each[1]);
      ui.run(() -> ui.session.performer().setLayout(KeyLayout.named(each[0]).orElseThrow()));
      keys.send("~400");
      String[] home = each[2].split(" ");
      int[] notes = {60, 62, 64, 65, 71, 72};
      for (int i = 0; i < home.length; i++) {
        keys.send("+" + home[i] + " ~60");
        expectSounding(notes[i]);
        keys.send("-" + home[i] + " ~60");
      }
      keys.send("+" + each[3] + " ~60");
      expectSounding(68);
      keys.send("-" + each[3] + " ~60");
      expectSounding();
    }
  }

  @Test
  void letters_are_notes_at_the_start_and_escape_makes_them_commands() throws Exception {
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
    keys.chord("ESCAPE");
    ui.await(() -> ui.session.performer().keysMode() == KeysMode.COMMANDS);
    keys.send("+A ~40");
    expectSounding();
    keys.send("-A");
    keys.chord("F2");
    ui.await(() -> ui.session.performer().keysMode() == KeysMode.PLAY);
    keys.send("+A ~40");
    expectSounding(60);
    keys.send("-A ~40");
  }

  @Test
  void as_played_is_heard_for_as_long_as_its_keys_are_held() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    keys.chord("CONTROL", "T");
    keys.send("+CONTROL +SHIFT +T ~200");
    ui.await(() -> ui.session.timing().version() == TimingDesk.Version.PLAYED);
    keys.send("-T -SHIFT -CONTROL ~100");
    ui.await(() -> ui.session.timing().version() == TimingDesk.Version.STANDING);
    ui.await(() -> !ui.session.conductor().transport().isRunning());
  }

  @Test
  void three_doubtful_notes_are_decided_with_three_keys_and_no_letter_plays_meanwhile()
      throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    keys.chord("CONTROL", "D");
    ui.await(() -> ui.session.doubts().isOn());
    assertThat(ui.text("who-has-the-keys")).startsWith("Doubtful 1 of 3");
    keys.chord("LEFT");
    ui.await(() -> ui.session.doubts().left() == 2);
    keys.send("+A ~40");
    ui.await(() -> ui.session.doubts().left() == 1);
    expectSounding();
    keys.send("-A");
    keys.chord("LEFT");
    ui.await(() -> !ui.session.doubts().isOn());
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys are notes");
    keys.send("+A ~40");
    expectSounding(60);
    keys.send("-A ~40");
    keys.chord("CONTROL", "T");
    ui.await(() -> notes().stream().allMatch(n -> n.onset() % 240 == 0));
  }

  @Test
  void enter_sustains_arrows_bend_and_shift_accents_and_losing_the_focus_lets_all_go()
      throws Exception {
    keys.send("+ENTER +RIGHT ~400");
    ui.await(() -> ((Label) ui.node("pedals")).getText().equals("sustain, bend +100 %"));
    keys.send("-RIGHT -ENTER ~400");
    ui.await(() -> !ui.session.performer().pedals().isSustaining());
    ui.await(() -> ui.session.performer().pedals().bend() == 0);
    keys.chord("SHIFT", "ENTER");
    keys.chord("SHIFT", "UP");
    ui.await(() -> ((Label) ui.node("pedals")).getText().equals("sustain latched, modulation 16"));
    keys.send("+SHIFT +SEMICOLON ~60");
    expectSounding(76);
    keys.send("-SEMICOLON -SHIFT ~60");
    expectSounding();
    keys.send("+A +SHIFT -A -SHIFT ~60");
    expectSounding();
    ui.run(() -> ui.stage.hide());
    assertThat(ui.get(() -> ui.session.performer().pedals().isSustaining())).isFalse();
  }

  /** A loop of one bar at 240 bpm: a second. Recording begins at once. */
  private void loopOneSecond() {
    ui.run(
        () -> {
          ui.session.editing().edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(240)));
          ui.session.conductor().setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
          ui.session.run().loop(new TickRange(0, 3840));
        });
  }

  private void record() throws Exception {
    keys.send("+SHIFT +SPACE -SPACE -SHIFT");
    ui.await(() -> ui.session.conductor().transport().state() == State.RECORDING);
  }

  private void awaitPass(int number) throws Exception {
    ui.await(() -> ui.session.conductor().passNumber() >= number);
  }

  @Test
  void passes_are_layered_dropped_and_swept_by_keys_alone() throws Exception {
    loopOneSecond();
    record();
    keys.send("~100 +A ~100 -A ~100 +S ~100 -S");
    awaitPass(2);
    keys.send("+D ~100 -D ~100");
    keys.chord("CONTROL", "BACK_SPACE");
    ui.await(() -> ui.session.notices().current().text().startsWith("Dropped pass"));
    awaitPass(4);
    assertThat(notes()).extracting(Note::pitch).containsExactly(60, 62);
    keys.send("+SPACE -SPACE ~100 +SPACE -SPACE ~200 +BACK_SPACE +A ~1200 -A -BACK_SPACE ~100");
    ui.await(() -> ui.session.notices().current().text().equals("Swept 1 note"));
    keys.send("+SPACE -SPACE ~100");
    assertThat(notes()).extracting(Note::pitch).containsExactly(62);
  }

  @Test
  void the_keys_switch_moved_while_recording_ends_the_note_and_not_the_recording()
      throws Exception {
    loopOneSecond();
    record();
    keys.send("+A ~200");
    keys.chord("F2");
    expectSounding();
    keys.send("-A +S ~50 -S ~50");
    assertThat(ui.get(() -> ui.session.conductor().transport().isRecording())).isTrue();
    assertThat(ui.text("state")).startsWith("Recording");
    keys.chord("F2");
    keys.send("+D ~50 -D ~50 +SPACE -SPACE ~100");
    assertThat(notes()).extracting(Note::pitch).contains(60, 64).doesNotContain(62);
  }

  /** The system then names the keys otherwise as they come up, by itself or by our own menu. */
  @Test
  void a_layout_switched_while_keys_are_held_leaves_no_note_behind() throws Exception {
    keys.send("+A +Y ~60");
    expectSounding(60, 68);
    setLayout("de");
    keys.send("~300 -Z ~60");
    expectSounding();
    keys.send("-A ~60");
    keys.send("+A ~60");
    expectSounding(60);
    ui.run(() -> ui.session.performer().setLayout(KeyLayout.QWERTZ));
    expectSounding();
    keys.send("-A ~60 +Z ~60");
    expectSounding(68);
    keys.send("-Z ~60");
    expectSounding();
  }

  @Test
  void a_dialog_that_opens_while_recording_ends_what_is_held_and_the_recording_goes_on()
      throws Exception {
    loopOneSecond();
    record();
    keys.send("+A +D ~150");
    Stage dialog =
        ui.get(
            () -> {
              Stage stage = new Stage();
              stage.initOwner(ui.stage);
              stage.setScene(new Scene(new Pane(), 200, 100));
              stage.show();
              stage.requestFocus();
              return stage;
            });
    ui.await(() -> !ui.stage.isFocused());
    expectSounding();
    ui.run(dialog::hide);
    ui.run(() -> ui.stage.requestFocus());
    keys.send("-A -D ~100");
    assertThat(ui.text("state")).startsWith("Recording");
    keys.send("+SPACE -SPACE ~100");
    assertThat(notes()).extracting(Note::pitch).contains(60, 64);
  }

  @Test
  void closing_the_window_in_a_recording_asks_and_loses_nothing() throws Exception {
    loopOneSecond();
    record();
    keys.send("+A ~150");
    ui.answers.unsaved = Prompts.Unsaved.STAY;
    ui.run(() -> ui.stage.fireEvent(new WindowEvent(ui.stage, WindowEvent.WINDOW_CLOSE_REQUEST)));
    assertThat(ui.answers.asked).startsWith("unsaved");
    expectSounding();
    assertThat(notes()).extracting(Note::pitch).contains(60);
    assertThat(ui.text("state")).isEqualTo("Stopped");
    keys.send("-A ~50");
  }

  @Test
  void another_tempo_while_recording_is_refused_in_words_and_nothing_is_lost() throws Exception {
    loopOneSecond();
    record();
    keys.send("+A ~150");
    ui.run(() -> ui.session.editing().edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(90))));
    assertThat(ui.text("notice")).isEqualTo("Stop recording first (Space)");
    assertThat(ui.get(() -> ui.field("tempo").isDisabled())).isTrue();
    expectSounding(60);
    keys.send("-A ~50 +SPACE -SPACE ~100");
    assertThat(notes()).extracting(Note::pitch).contains(60);
  }

  @Test
  void a_device_unplugged_while_recording_ends_its_notes_and_keeps_what_was_played()
      throws Exception {
    loopOneSecond();
    SimulatedInput input = new SimulatedInput(Clock.SYSTEM);
    ui.run(() -> ui.window.midi().choose(Optional.of(input)));
    record();
    ui.await(() -> !ui.session.performer().hands().soundingPitches().isEmpty());
    input.unplug();
    ui.await(() -> ui.session.notices().current().text().contains("has gone"));
    expectSounding();
    keys.send("+SPACE -SPACE ~100");
    assertThat(notes()).isNotEmpty();
  }

  /** As when a release is lost on its way: the press comes by itself, the real key follows. */
  @Test
  void a_lost_release_is_mended_by_the_next_one_of_the_same_key() throws Exception {
    ui.run(
        () ->
            Event.fireEvent(
                ui.stage.getScene(),
                new KeyEvent(
                    KeyEvent.KEY_PRESSED, "a", "a", KeyCode.A, false, false, false, false)));
    expectSounding(60);
    keys.send("+A ~50 -A ~60");
    expectSounding();
  }
}
