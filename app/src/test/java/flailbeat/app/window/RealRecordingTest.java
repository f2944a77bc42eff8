package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.cli.CommandLineApp;
import flailbeat.app.shell.files.Prompts;
import flailbeat.audio.midi.MidiMonitor;
import flailbeat.audio.midi.SimulatedInput;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Note;
import flailbeat.core.time.Clock;
import flailbeat.core.time.Tempo;
import flailbeat.core.transport.Transport.State;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.Scene;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Recording by real keys in the real window. */
@Tag("window")
class RealRecordingTest extends RealWindow {
  @Test
  void eight_notes_over_a_click_are_recorded_quantized_saved_and_converted() throws Exception {
    keys.send("+SHIFT +SPACE ~40 -SPACE -SHIFT");
    ui.await(() -> ui.session.runControl().transport().state() == State.RECORDING);
    StringBuilder words = new StringBuilder("~180 ");
    for (String key : SCALE) {
      words.append('+').append(key).append(" ~170 -").append(key).append(" ~80 ");
    }
    keys.send(words.toString());
    keys.send("+SPACE ~30 -SPACE ~100");
    ui.await(() -> !ui.session.runControl().transport().isRunning());
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
    assertThat(SongFiles.standard().read(midi).song().tracks().get(0).notes())
        .extracting(Note::onset)
        .containsExactlyElementsOf(quantized);
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
    keys.chord("ESCAPE");
    expectSounding();
    keys.send("-A +S ~50 -S ~50");
    assertThat(ui.get(() -> ui.session.runControl().transport().isRecording())).isTrue();
    assertThat(ui.text("state")).startsWith("Recording");
    keys.chord("F2");
    keys.send("+D ~50 -D ~50 +SPACE -SPACE ~100");
    assertThat(notes()).extracting(Note::pitch).contains(60, 64).doesNotContain(62);
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
    expectSounding(60);
    keys.send("-A ~50 +SPACE -SPACE ~100");
    assertThat(notes()).extracting(Note::pitch).contains(60);
  }

  @Test
  void a_device_unplugged_while_recording_ends_its_notes_and_keeps_what_was_played()
      throws Exception {
    loopOneSecond();
    SimulatedInput input = new SimulatedInput(Clock.SYSTEM, new MidiMonitor());
    ui.run(() -> ui.window.midi().choose(Optional.of(input)));
    record();
    ui.await(() -> !ui.session.performer().hands().soundingPitches().isEmpty());
    input.unplug();
    ui.await(() -> ui.session.notices().current().text().contains("has gone"));
    expectSounding();
    keys.send("+SPACE -SPACE ~100");
    assertThat(notes()).isNotEmpty();
  }
}
