package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.shell.Mishaps;
import flailbeat.app.shell.files.Prompts;
import flailbeat.app.shell.files.Prompts.Unsaved;
import flailbeat.app.shell.files.SettingsKeeper;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.files.SongFiles;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.keys.Touch;
import flailbeat.core.model.Song;
import flailbeat.core.session.settings.SettingsFile;
import flailbeat.core.time.Tempo;
import java.lang.Thread.UncaughtExceptionHandler;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.stage.WindowEvent;
import org.junit.jupiter.api.Test;

/** Work that is in danger while something goes on in the background, or goes wrong. */
class NothingLostTest extends HeadlessWindow {
  private void rename(String title) {
    ui.session.editing().edit("Name the song", s -> s.withTitle(title));
  }

  @Test
  void what_is_edited_while_another_song_is_read_is_asked_about() throws Exception {
    Path other = folder.resolve("other.flail");
    SongFiles.standard().write(ui.session.song().withTitle("Other"), other);
    ui.answers.unsaved = Unsaved.STAY;
    ui.run(
        () -> {
          ui.window.files().open(other);
          rename("Mine");
        });
    ui.await(() -> ui.answers.asked.equals("unsaved Mine"));
    assertThat(ui.session.song().title()).isEqualTo("Mine");
    ui.answers.unsaved = Unsaved.DISCARD;
    ui.run(() -> ui.window.files().open(other));
    ui.await(() -> ui.session.song().title().equals("Other"));
  }

  @Test
  void what_is_edited_while_the_song_is_saved_is_saved_too_before_it_closes() throws Exception {
    Path file = folder.resolve("mine.flail");
    ui.answers.unsaved = Unsaved.SAVE;
    ui.answers.file = Optional.of(file);
    AtomicBoolean closed = new AtomicBoolean();
    ui.run(
        () -> {
          rename("Mine");
          ui.window.files().afterUnsavedWork(() -> closed.set(true));
          rename("Mine, longer");
        });
    ui.await(closed::get);
    assertThat(SongFiles.standard().read(file).song().title()).isEqualTo("Mine, longer");
  }

  private SettingsKeeper keeperIn(Path file) throws Exception {
    System.setProperty("flailbeat.settings", file.toString());
    try {
      AtomicBoolean begun = new AtomicBoolean();
      SettingsKeeper made =
          ui.get(
              () -> {
                SettingsKeeper keeper = new SettingsKeeper(ui.session);
                keeper.start(() -> begun.set(true));
                return keeper;
              });
      ui.await(begun::get);
      return made;
    } finally {
      System.clearProperty("flailbeat.settings");
    }
  }

  private void setStep(int step) {
    Touch touch = ui.session.performer().hands().touch();
    ui.run(() -> ui.session.performer().setTouch(touch.withStep(step)));
  }

  @Test
  void a_setting_made_just_before_closing_is_there_the_next_time_also_under_the_old_name()
      throws Exception {
    Path file = folder.resolve("settings.json");
    SettingsKeeper keeper = keeperIn(file);
    ui.run(keeper::close);
    assertThat(file).as("nothing was set, so nothing is written").doesNotExist();
    SettingsKeeper another = keeperIn(file);
    setStep(17);
    ui.run(another::close);
    assertThat(SettingsFile.read(file).orElseThrow().settings().touch().step()).isEqualTo(17);
    Files.move(file, folder.resolve("habits.json"));
    setStep(3);
    SettingsKeeper next = keeperIn(file);
    ui.await(() -> ui.session.performer().hands().touch().step() == 17);
    ui.run(next::close);
  }

  @Test
  void a_damaged_settings_file_is_kept_aside_and_what_is_sound_in_it_is_in_force()
      throws Exception {
    Path file = folder.resolve("settings.json");
    String damaged =
        "{\"chores\": {\"Mine\": {\"when\": [], \"then\": \"REMOVE\", \"amount\": 0},"
            + " \"Slips\": {\"when\": [], \"then\": \"VANISH\"}}}";
    Files.writeString(file, damaged);
    SettingsKeeper keeper = keeperIn(file);
    assertThat(ui.get(() -> ui.session.chores().own().all())).containsOnlyKeys("Mine");
    assertThat(ui.get(() -> ui.session.notices().current().text()))
        .contains("Slips", "VANISH", "settings.damaged.json");
    setStep(17);
    ui.run(keeper::close);
    assertThat(Files.readString(folder.resolve("settings.damaged.json"))).isEqualTo(damaged);
    assertThat(SettingsFile.read(file).orElseThrow().settings().chores()).containsOnlyKeys("Mine");
  }

  @Test
  void a_second_damaged_settings_file_does_not_replace_the_first_that_was_kept_aside()
      throws Exception {
    Path file = folder.resolve("settings.json");
    Files.writeString(file, "{ no settings at all");
    ui.run(keeperIn(file)::close);
    assertThat(ui.get(() -> ui.session.notices().current().text()))
        .contains("damaged in line 1")
        .doesNotContain("Unexpected", "expecting");
    Files.writeString(file, "{\n also none");
    ui.run(() -> ui.session.notices().tell("Opened other.flail"));
    ui.run(keeperIn(file)::close);
    assertThat(Files.readString(folder.resolve("settings.damaged.json"))).startsWith("{ no");
    assertThat(Files.readString(folder.resolve("settings.damaged-2.json"))).contains("also none");
    assertThat(ui.get(() -> ui.session.notices().current().text()))
        .as("beside what was told as it opened")
        .contains("Opened other.flail", "settings.damaged-2.json");
  }

  @Test
  void settings_that_cannot_be_kept_are_told() throws Exception {
    Path inTheWay = Files.createFile(folder.resolve("file"));
    SettingsKeeper keeper = keeperIn(inTheWay.resolve("settings.json"));
    setStep(17);
    ui.await(() -> ui.session.notices().current().text().startsWith("Your settings are not kept"));
    ui.run(keeper::close);
  }

  @Test
  void faults_that_nobody_caught_are_told_the_song_stays_and_after_three_a_new_start_is_offered()
      throws Exception {
    UncaughtExceptionHandler onAll = Thread.getDefaultUncaughtExceptionHandler();
    UncaughtExceptionHandler onWindow =
        ui.get(() -> Thread.currentThread().getUncaughtExceptionHandler());
    try {
      ui.run(
          () ->
              Mishaps.tellIn(
                  ui.session,
                  () -> ui.window.files().afterFaults(() -> ui.answers.asked = "anew")));
      ui.run(() -> rename("Mine"));
      Platform.runLater(
          () -> {
            throw new IllegalStateException("no picture");
          });
      ui.await(() -> ui.session.notices().current().text().contains("no picture"));
      assertThat(ui.session.notices().current().warning()).isTrue();
      assertThat(ui.session.song().title()).isEqualTo("Mine");
      assertThat(ui.answers.asked).isEmpty();
      Path copy = folder.resolve("copy.flail");
      ui.answers.file = Optional.of(copy);
      ui.answers.faulty = Prompts.Faulty.COPY_AND_ANEW;
      for (int i = 0; i < 2; i++) {
        Platform.runLater(
            () -> {
              throw new IllegalStateException("no sound");
            });
      }
      ui.await(() -> ui.answers.asked.equals("anew"));
      assertThat(SongFiles.standard().read(copy).song().title()).isEqualTo("Mine");
      assertThat(ui.get(() -> ui.session.document().file())).isEmpty();
    } finally {
      Thread.setDefaultUncaughtExceptionHandler(onAll);
      ui.run(() -> Thread.currentThread().setUncaughtExceptionHandler(onWindow));
    }
  }

  @Test
  void a_song_that_is_opened_while_another_is_saved_does_not_get_its_file() throws Exception {
    Path precious = folder.resolve("precious.flail");
    SongFiles.standard().write(HarbourLamps.song(), precious);
    SavedFile saved = SavedFile.of(precious);
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.of(saved)));
    ui.run(
        () -> {
          rename("Precious");
          ui.window.files().save();
          ui.window.files().afterUnsavedWork(() -> {});
          ui.session.open(Song.empty(), Optional.empty());
        });
    ui.await(() -> ui.session.notices().current().text().startsWith("Saved"));
    assertThat(ui.session.document().file()).isEmpty();
    assertThat(SongFiles.standard().read(precious).song().title()).isEqualTo("Precious");
  }

  @Test
  void a_name_without_its_ending_does_not_replace_the_project_of_that_name_unasked()
      throws Exception {
    Path there = folder.resolve("foo.flail");
    SongFiles.standard().write(HarbourLamps.song(), there);
    ui.answers.file = Optional.of(folder.resolve("foo"));
    ui.run(() -> ui.window.files().saveAs());
    assertThat(ui.answers.asked).isEqualTo("replace foo.flail");
    assertThat(SongFiles.standard().read(there).song().noteCount()).isPositive();
    ui.answers.replaces = true;
    ui.run(() -> ui.window.files().saveAs());
    ui.await(() -> ui.session.notices().current().text().startsWith("Saved foo.flail"));
    assertThat(SongFiles.standard().read(there).song().noteCount()).isZero();
    ui.answers.file = Optional.of(folder.resolve("v1.2"));
    ui.run(() -> ui.window.files().saveAs());
    ui.await(() -> Files.exists(folder.resolve("v1.2.flail")));
  }

  @Test
  void saving_as_a_midi_file_is_an_export_and_leaves_the_song_unsaved() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    ui.run(() -> rename("Mine"));
    Path midi = folder.resolve("mine.mid");
    ui.answers.file = Optional.of(midi);
    ui.run(() -> ui.window.files().saveAs());
    ui.await(() -> ui.session.notices().current().text().startsWith("Exported"));
    assertThat(midi).exists();
    assertThat(ui.session.document().hasUnsavedWork()).isTrue();
    assertThat(ui.session.document().file()).isEmpty();
  }

  @Test
  void the_first_save_keeps_what_can_be_done_again() throws Exception {
    ui.run(() -> ui.session.editing().edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(99))));
    ui.run(() -> ui.session.editing().undo());
    ui.answers.file = Optional.of(folder.resolve("fresh.flail"));
    ui.run(() -> ui.window.files().save());
    ui.await(() -> ui.session.notices().current().text().startsWith("Saved"));
    assertThat(ui.session.song().title()).isEqualTo("fresh");
    assertThat(ui.session.document().hasUnsavedWork()).isFalse();
    ui.run(() -> ui.session.editing().redo());
    assertThat(ui.session.song().tempos().tempoAt(0)).hasToString("99");
    assertThat(ui.session.song().title()).isEqualTo("fresh");
  }

  @Test
  void closing_waits_for_an_export_that_is_being_written() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    Path midi = folder.resolve("out.mid");
    ui.answers.file = Optional.of(midi);
    AtomicBoolean openStill = new AtomicBoolean();
    ui.run(
        () -> {
          ui.window.files().exportMidi();
          ui.stage.fireEvent(new WindowEvent(ui.stage, WindowEvent.WINDOW_CLOSE_REQUEST));
          openStill.set(ui.stage.isShowing());
        });
    assertThat(openStill).as("as long as it is written").isTrue();
    ui.await(() -> !ui.stage.isShowing());
    assertThat(SongFiles.standard().read(midi).song().noteCount()).isPositive();
  }

  @Test
  void a_place_that_cannot_be_written_to_is_told_as_that_and_not_as_a_full_disk() throws Exception {
    ui.answers.file = Optional.of(Path.of("/proc/self/mine.flail"));
    ui.run(() -> ui.window.files().save());
    ui.await(() -> ui.session.notices().current().warning());
    assertThat(ui.session.notices().current().text())
        .doesNotContain("full")
        .contains("save in another place");
  }

  @Test
  void a_song_that_could_not_be_saved_says_so_until_it_is() throws Exception {
    ui.answers.file = Optional.of(Path.of("/proc/self/mine.flail"));
    ui.run(() -> ui.window.files().save());
    ui.await(() -> ui.node("save-again").isVisible());
    ui.run(() -> ui.session.editing().edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(99))));
    assertThat(ui.get(() -> ui.node("save-again").isVisible())).isTrue();
    ui.answers.file = Optional.of(folder.resolve("mine.flail"));
    ui.press("save-again");
    ui.await(() -> !ui.session.document().hasUnsavedWork());
    assertThat(ui.get(() -> ui.node("save-again").isVisible())).isFalse();
  }
}
