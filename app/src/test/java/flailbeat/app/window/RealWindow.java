package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Note;
import flailbeat.core.session.run.CountIn;
import flailbeat.core.session.run.PlaySettings;
import flailbeat.core.time.Tempo;
import flailbeat.core.time.TickRange;
import flailbeat.core.transport.Transport.State;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeoutException;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** A real window, and real keys to send to it. */
abstract class RealWindow {
  static final String[] SCALE = {"A", "S", "D", "F", "G", "H", "J", "K"};

  @TempDir Path folder;
  WindowUnderTest ui;
  RealKeys keys;

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

  Set<Integer> sounding() {
    return ui.get(() -> ui.session.performer().hands().soundingPitches());
  }

  /** Waits for just these notes to sound: the machine may be slow. */
  void expectSounding(Integer... pitches) {
    Set<Integer> wanted = Set.of(pitches);
    try {
      ui.await(() -> ui.session.performer().hands().soundingPitches().equals(wanted));
    } catch (TimeoutException e) {
      assertThat(sounding()).isEqualTo(wanted);
    }
  }

  List<Note> notes() {
    return ui.get(() -> ui.session.document().track().notes());
  }

  static void setLayout(String layout) throws IOException, InterruptedException {
    List<String> words = new ArrayList<>(List.of("setxkbmap"));
    words.addAll(List.of(layout.split(" ")));
    assertThat(new ProcessBuilder(words).inheritIO().start().waitFor()).isZero();
  }

  /** A loop of one bar at 240 bpm: a second. Recording begins at once. */
  void loopOneSecond() {
    ui.run(
        () -> {
          ui.session.editing().edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(240)));
          ui.session.runControl().setSettings(PlaySettings.standard().withCountIn(CountIn.NONE));
          ui.session.run().loop(new TickRange(0, 3840));
        });
  }

  void record() throws Exception {
    keys.send("+SHIFT +SPACE -SPACE -SHIFT");
    ui.await(() -> ui.session.runControl().transport().state() == State.RECORDING);
  }

  void awaitPass(int number) throws Exception {
    ui.await(() -> ui.session.runControl().passNumber() >= number);
  }
}
