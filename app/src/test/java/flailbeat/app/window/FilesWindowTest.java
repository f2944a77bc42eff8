package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.shell.files.Prompts.Unsaved;
import flailbeat.app.shell.work.Background;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.scene.input.KeyCode;
import javafx.stage.WindowEvent;
import org.junit.jupiter.api.Test;

/** Files by way of the window. */
class FilesWindowTest extends HeadlessWindow {
  @Test
  void a_song_is_saved_opened_and_exported() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    type(KeyCode.CONTROL, KeyCode.T);
    Path project = folder.resolve("mine.flail");
    ui.answers.file = Optional.of(project);
    type(KeyCode.CONTROL, KeyCode.S);
    ui.await(() -> !ui.session.document().hasUnsavedWork());
    Song saved = ui.session.song();
    assertThat(SongFiles.standard().read(project).song()).isEqualTo(saved);
    Path midi = folder.resolve("mine.mid");
    ui.answers.file = Optional.of(midi);
    type(KeyCode.CONTROL, KeyCode.E);
    ui.await(() -> Files.exists(midi));
    ui.await(() -> ui.session.notices().current().text().startsWith("Exported"));
    type(KeyCode.CONTROL, KeyCode.O);
    ui.await(() -> ui.session.notices().current().text().startsWith("Opened"));
    assertThat(ui.session.song().noteCount()).isEqualTo(saved.noteCount());
  }

  @Test
  void a_file_that_cannot_be_read_leaves_the_song_and_says_why() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    Path bad = folder.resolve("bad.mid");
    Files.writeString(bad, "no music");
    Song before = ui.session.song();
    ui.answers.file = Optional.of(bad);
    type(KeyCode.CONTROL, KeyCode.O);
    ui.await(() -> ui.session.notices().current().warning());
    assertThat(ui.text("notice")).contains("bad.mid").contains("no MIDI file");
    assertThat(ui.session.song()).isSameAs(before);
  }

  @Test
  void what_is_left_of_a_damaged_file_is_offered() throws Exception {
    Path whole = folder.resolve("whole.mid");
    SongFiles.standard().write(HarbourLamps.song(), whole);
    byte[] bytes = Files.readAllBytes(whole);
    Path cut = folder.resolve("cut.mid");
    Files.write(cut, Arrays.copyOf(bytes, bytes.length - 900));
    ui.answers.file = Optional.of(cut);
    type(KeyCode.CONTROL, KeyCode.O);
    ui.await(() -> ui.session.notices().current().text().startsWith("Not opened"));
    assertThat(ui.session.song().noteCount()).isZero();
    ui.answers.takeDamaged = true;
    type(KeyCode.CONTROL, KeyCode.O);
    ui.await(() -> ui.session.song().noteCount() > 100);
    assertThat(ui.answers.asked).contains("lost");
    assertThat(ui.session.document().hasUnsavedWork()).isTrue();
  }

  @Test
  void closing_asks_about_unsaved_work_by_the_cross_and_by_its_key() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    type(KeyCode.CONTROL, KeyCode.T);
    WindowEvent close = new WindowEvent(ui.stage, WindowEvent.WINDOW_CLOSE_REQUEST);
    ui.run(() -> ui.stage.fireEvent(close));
    assertThat(ui.answers.asked).isEqualTo("unsaved Harbour Lamps");
    assertThat(ui.stage.isShowing()).isTrue();
    Path project = folder.resolve("kept.flail");
    ui.answers.unsaved = Unsaved.SAVE;
    ui.answers.file = Optional.of(project);
    type(KeyCode.CONTROL, KeyCode.Q);
    ui.await(() -> !ui.stage.isShowing());
    assertThat(SongFiles.standard().read(project).song().noteCount())
        .isEqualTo(HarbourLamps.song().noteCount());
  }

  @Test
  void reading_that_takes_too_long_is_left_off_and_leaves_all_as_it_was_but_writing_goes_on()
      throws Exception {
    List<String> told = new CopyOnWriteArrayList<>();
    Background background = new Background(told::add);
    CountDownLatch slow = new CountDownLatch(1);
    Background.Work<Boolean> work =
        () -> {
          try {
            return slow.await(20, TimeUnit.SECONDS);
          } catch (InterruptedException e) {
            throw new IOException(e);
          }
        };
    ui.run(() -> background.read("Opening slow", work, r -> told.add("read"), e -> {}));
    ui.await(background::takesLong);
    assertThat(ui.get(background::canBeLeft)).isTrue();
    ui.run(background::leaveOff);
    ui.run(() -> background.write("Saving slow", work, r -> told.add("written"), e -> {}));
    ui.await(background::takesLong);
    assertThat(ui.get(background::canBeLeft)).isFalse();
    ui.run(background::leaveOff);
    slow.countDown();
    ui.await(() -> told.contains("written"));
    assertThat(told)
        .containsExactly(
            "Opening slow ...", "Left off: Opening slow", "Saving slow ...", "written");
  }
}
