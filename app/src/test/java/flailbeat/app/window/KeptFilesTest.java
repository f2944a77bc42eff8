package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.shell.files.Prompts;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.files.SongFiles;
import flailbeat.core.journal.Journals;
import flailbeat.core.journal.Locks;
import flailbeat.core.model.Note;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.Session;
import flailbeat.core.version.Version;
import flailbeat.core.version.Versions;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.Test;

/** What is in files and journals is never lost: not to a crash, nor another window or program. */
class KeptFilesTest extends HeadlessWindow {
  private Session session() {
    return ui.session;
  }

  private void edit() {
    ui.run(() -> session().notes().apply("Legato", NoteTools::legato));
  }

  private Path saved() throws Exception {
    Path file = folder.resolve("lamps.flail");
    SongFiles.standard().write(HarbourLamps.song(), file);
    open(file);
    return file;
  }

  private void open(Path file) throws Exception {
    ui.run(() -> ui.window.files().open(file));
    ui.await(() -> session().notices().current().text().startsWith("Opened"));
  }

  private void save() throws Exception {
    ui.run(() -> session().notices().tell(""));
    ui.run(ui.window.files()::save);
    ui.await(() -> !session().notices().current().text().matches("|Saving.*"));
  }

  private String notice() {
    return ui.get(() -> session().notices().current().text());
  }

  @Test
  void what_can_be_undone_is_there_when_the_song_is_opened_again() throws Exception {
    Path file = saved();
    edit();
    save();
    ui.run(() -> ui.window.files().newSong());
    assertThat(ui.get(() -> session().document().undoLabel())).isEmpty();
    open(file);
    assertThat(ui.get(() -> session().document().undoLabel())).contains("Legato");
    ui.run(session().editing()::undo);
    assertThat(ui.get(() -> session().song().tracks().getFirst().notes()))
        .isEqualTo(HarbourLamps.song().tracks().getFirst().notes());
  }

  @Test
  void a_file_that_another_program_wrote_has_no_history_and_is_not_replaced_unasked()
      throws Exception {
    Path file = saved();
    edit();
    save();
    SongFiles.standard().write(HarbourLamps.song().withTitle("Other hands"), file);
    byte[] theirs = Files.readAllBytes(file);
    ui.run(session().editing()::undo);
    save();
    assertThat(Files.readAllBytes(file)).isEqualTo(theirs);
    assertThat(ui.answers.asked).isEqualTo("lamps.flail changed");
    assertThat(ui.get(() -> session().document().hasUnsavedWork())).isTrue();
    assertThat(ui.get(() -> session().document().fault()).orElseThrow())
        .contains("something else has changed it");
    ui.answers.changed = Prompts.Changed.REPLACE;
    save();
    assertThat(notice()).isEqualTo("Saved lamps.flail");
    assertThat(Files.readAllBytes(file)).isNotEqualTo(theirs);
    SongFiles.standard().write(HarbourLamps.song().withTitle("Other hands"), file);
    open(file);
    assertThat(ui.get(() -> session().document().undoLabel())).isEmpty();
  }

  @Test
  void a_file_that_another_window_has_is_opened_as_a_copy_or_read_only_and_never_written()
      throws Exception {
    Path file = folder.resolve("lamps.flail");
    SongFiles.standard().write(HarbourLamps.song(), file);
    byte[] theirs = Files.readAllBytes(file);
    try (Locks others = new Locks(ui.state.resolve("journals"))) {
      others.take(Locks.fileNameOf(file), "Harbour Lamps", 1).orElseThrow();
      ui.run(() -> ui.window.files().open(file));
      ui.await(() -> !ui.answers.asked.isEmpty());
      assertThat(ui.answers.asked).startsWith("lamps.flail | another window, with");
      assertThat(ui.get(() -> session().document().file())).isEmpty();
      ui.answers.elsewhere = Prompts.Elsewhere.READ_ONLY;
      open(file);
      assertThat(ui.get(() -> ui.stage.getTitle())).contains("read only");
      edit();
      ui.answers.file = Optional.of(file);
      save();
      assertThat(notice()).contains("open in another window", "another name");
      assertThat(Files.readAllBytes(file)).isEqualTo(theirs);
      ui.answers.file = Optional.of(folder.resolve("mine.flail"));
      save();
      assertThat(notice()).isEqualTo("Saved mine.flail");
      assertThat(ui.get(() -> ui.stage.getTitle())).doesNotContain("read only");
      ui.answers.elsewhere = Prompts.Elsewhere.COPY;
      open(file);
      assertThat(ui.get(() -> session().song().title())).isEqualTo("Harbour Lamps copy");
      assertThat(ui.get(() -> session().document().hasUnsavedWork())).isTrue();
      assertThat(ui.get(() -> session().document().file())).isEmpty();
    }
  }

  /** As a killed program leaves its journals: written, and held by nobody. */
  private void crash() throws Exception {
    for (int i = 0; i < 20; i++) {
      ui.safe.keeper().flush(5_000);
      ui.safe.keeper().settle();
    }
    ui.safe.locks().close();
    Path left = ui.state;
    ui.run(ui.window::close);
    ui = WindowUnderTest.open(WIDTH, HEIGHT, left);
  }

  @Test
  void what_was_lost_is_offered_heard_and_taken_up_by_keys() throws Exception {
    type(KeyCode.SHIFT, KeyCode.SPACE);
    ui.await(() -> session().runControl().transport().isRecording());
    ui.await(() -> session().runControl().transport().positionNanos() > 200_000_000);
    type(KeyCode.A);
    press(KeyCode.S);
    ui.await(() -> session().runControl().pass().orElseThrow().struck() == 2);
    Thread.sleep(400);
    crash();
    ui.run(ui.window.lost()::lookAtStart);
    ui.await(() -> ui.node("lost-pane").isVisible());
    Node pane = ui.node("lost-pane");
    assertThat(((ListView<?>) ui.node("lost-found")).getItems()).hasSize(1);
    type(KeyCode.SHIFT, KeyCode.ENTER);
    ui.await(() -> session().runControl().phrases().isHearing());
    assertThat(ui.get(() -> session().song().noteCount())).isZero();
    type(KeyCode.ENTER);
    ui.await(() -> session().song().noteCount() == 2);
    assertThat(pane.isVisible()).isFalse();
    assertThat(ui.get(() -> session().runControl().phrases().isHearing())).isFalse();
    assertThat(ui.get(() -> session().document().hasUnsavedWork())).isTrue();
    assertThat(notice()).startsWith("Brought back \u201cUntitled\u201d: 2 notes");
  }

  @Test
  void what_was_declined_is_kept_for_a_week_and_found_again_in_the_menu() throws Exception {
    ui.run(() -> session().open(HarbourLamps.song(), Optional.empty()));
    edit();
    crash();
    ui.run(ui.window.lost()::lookAtStart);
    ui.await(() -> ui.node("lost-pane").isVisible());
    type(KeyCode.ESCAPE);
    assertThat(ui.node("lost-pane").isVisible()).isFalse();
    ui.run(ui.window.lost()::lookAtStart);
    ui.safe.keeper().flush(5_000);
    Thread.sleep(300);
    assertThat(ui.node("lost-pane").isVisible()).as("it is not offered unasked").isFalse();
    ui.choose("song-lost");
    ui.await(() -> ui.node("lost-pane").isVisible());
    long later = System.currentTimeMillis() + Journals.ASIDE_MILLIS + 60_000;
    try (Locks others = new Locks(folder.resolve("elsewhere"))) {
      assertThat(journals()).isNotEmpty();
      new Journals(ui.state.resolve("journals"), others, () -> later).find();
      assertThat(journals()).as("a week is over").isEmpty();
    }
  }

  private List<Path> journals() {
    try (Stream<Path> all = Files.list(ui.state.resolve("journals"))) {
      return all.filter(j -> j.toString().endsWith(Journals.ENDING)).toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Test
  void work_that_the_person_did_not_want_to_save_is_kept_for_a_week_too() throws Exception {
    ui.run(() -> session().open(HarbourLamps.song(), Optional.empty()));
    edit();
    ui.answers.unsaved = Prompts.Unsaved.DISCARD;
    ui.run(ui.window.files()::newSong);
    ui.choose("song-lost");
    ui.await(() -> ui.node("lost-pane").isVisible());
    type(KeyCode.ENTER);
    ui.await(() -> session().song().title().equals("Harbour Lamps"));
    assertThat(ui.get(() -> session().document().undoLabel())).contains("Legato");
  }

  @Test
  void a_song_that_was_killed_just_after_it_was_saved_is_not_offered_and_has_its_history()
      throws Exception {
    Path file = saved();
    edit();
    save();
    crash();
    ui.run(ui.window.lost()::lookAtStart);
    ui.safe.keeper().flush(5_000);
    open(file);
    assertThat(ui.node("lost-pane").isVisible()).isFalse();
    assertThat(ui.get(() -> session().document().undoLabel())).contains("Legato");
  }

  @Test
  void work_that_was_put_aside_does_not_keep_its_file_from_having_a_history_of_its_own()
      throws Exception {
    Path file = saved();
    edit();
    ui.answers.unsaved = Prompts.Unsaved.DISCARD;
    ui.run(ui.window.files()::newSong);
    open(file);
    ui.run(() -> session().notes().apply("Join", NoteTools::join));
    ui.run(() -> session().notes().apply("Staccato", NoteTools::legato));
    save();
    ui.run(ui.window.files()::newSong);
    open(file);
    assertThat(ui.get(() -> session().document().undoLabel())).isPresent();
    ui.choose("song-lost");
    ui.await(() -> ui.node("lost-pane").isVisible());
    assertThat(((ListView<?>) ui.node("lost-found")).getItems()).hasSize(1);
  }

  @Test
  void a_disk_that_takes_no_journal_is_told_in_a_line_that_stays_until_it_does() throws Exception {
    Path inTheWay = Files.createFile(folder.resolve("in-the-way"));
    ui.close();
    ui = WindowUnderTest.open(WIDTH, HEIGHT, inTheWay.resolve("state"));
    ui.run(() -> session().open(HarbourLamps.song(), Optional.empty()));
    edit();
    ui.await(() -> ui.node("journal-fault").isVisible());
    assertThat(ui.text("journal-fault")).startsWith("Not safe from a crash: ");
    assertThat(ui.get(() -> session().document().undoLabel())).contains("Legato");
    Files.delete(inTheWay);
    ui.await(() -> !ui.node("journal-fault").isVisible());
    assertThat(journals()).hasSize(1);
  }

  @Test
  void each_save_keeps_the_one_before_which_is_heard_opened_and_taken_back_in_part()
      throws Exception {
    Path file = saved();
    List<Note> before = HarbourLamps.song().tracks().getFirst().notes();
    Set<NoteId> all = before.stream().map(Note::id).collect(Collectors.toSet());
    ui.run(() -> session().editing().edit("Clear", s -> NoteEdits.delete(s, all)));
    save();
    edit();
    ui.press("page-versions");
    ui.await(() -> ui.node("versions-rows") instanceof VBox box && !box.getChildren().isEmpty());
    Version version = new Versions(ui.state.resolve("versions"), () -> 1).of(file).getFirst();
    assertThat(version.song().tracks().getFirst().notes()).isEqualTo(before);
    ui.run(() -> press(ui.node("versions-rows"), ".version"));
    ui.await(() -> ui.node("version-hear") != null && ui.node("version-hear").isVisible());
    ui.press("version-hear");
    assertThat(ui.get(() -> session().runControl().phrases().isHearing())).isTrue();
    ui.press("version-hear");
    assertThat(ui.get(() -> session().runControl().phrases().isHearing())).isFalse();
    ui.run(() -> press(ui.node("version-parts"), ".small"));
    assertThat(ui.get(() -> session().song().tracks().getFirst().notes()))
        .extracting(Note::onset)
        .isEqualTo(before.stream().map(Note::onset).toList());
    assertThat(ui.get(() -> session().document().undoLabel())).contains("Take back Lamps");
    ui.answers.unsaved = Prompts.Unsaved.DISCARD;
    ui.press("version-open");
    ui.await(() -> session().document().file().isEmpty());
    assertThat(ui.get(() -> session().song().title())).startsWith("Harbour Lamps, today");
    assertThat(ui.get(() -> session().document().hasUnsavedWork())).isTrue();
  }

  private static void press(Node within, String style) {
    ((ButtonBase) within.lookup(style)).fire();
  }

  @Test
  void a_version_that_cannot_be_kept_keeps_nobody_from_saving_and_is_told() throws Exception {
    Files.createFile(ui.state.resolve("versions"));
    Path file = saved();
    edit();
    save();
    assertThat(notice()).startsWith("Saved lamps.flail; the version before is not kept: ");
    assertThat(SongFiles.standard().read(file).song()).isNotEqualTo(HarbourLamps.song());
  }
}
