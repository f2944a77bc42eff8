package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.view.bench.BenchView;
import flailbeat.core.chore.Chore;
import flailbeat.core.chore.ChoreAction;
import flailbeat.core.chore.Measure;
import flailbeat.core.chore.Relation;
import flailbeat.core.chore.Term;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.EnteredNotes;
import flailbeat.core.format.chore.ChoreFile;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.session.settings.Settings;
import flailbeat.core.session.settings.SettingsFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Chores: the page of them, the row that shows one, and putting one together. */
class ChoresWindowTest extends HeadlessWindow {
  @BeforeEach
  void openDemo() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    ui.run(() -> ui.session.performer().setKeysMode(KeysMode.COMMANDS));
    type(KeyCode.SHIFT, KeyCode.F6);
  }

  private Song song() {
    return ui.get(ui.session::song);
  }

  private Song shown() {
    return ui.get(() -> ((BenchView) ui.node("bench")).shownSong());
  }

  private void enter(String id, String text) throws Exception {
    ui.run(
        () -> {
          ui.field(id).requestFocus();
          ui.field(id).setText(text);
        });
    type(KeyCode.ENTER);
  }

  private void pick(String menu, String item) {
    ui.run(
        () ->
            ((MenuButton) ui.node(menu))
                .getItems().stream()
                    .filter(i -> i.getText().equals(item))
                    .findFirst()
                    .orElseThrow()
                    .fire());
  }

  private static List<Integer> velocities(Song song) {
    return song.tracks().getFirst().notes().stream().map(Note::velocity).toList();
  }

  @Test
  void a_chore_is_seen_on_the_bench_before_it_is_done_and_all_stays_when_it_is_left()
      throws Exception {
    Song before = song();
    ui.press("chore-velocity");
    assertThat(velocities(shown())).containsOnly(80);
    assertThat(song()).isSameAs(before);
    assertThat(ui.text("trial-says")).matches("\\d+ notes changed, of 67 notes");
    enter("trial-number", "30");
    assertThat(velocities(shown())).containsOnly(30);
    assertThat(ui.text("chore-velocity")).isEqualTo("Set velocities to 30");
    type(KeyCode.ESCAPE);
    assertThat(shown()).isSameAs(before);
    assertThat(ui.node("trial").isVisible()).isFalse();
    ui.press("chore-velocity");
    type(KeyCode.ALT, KeyCode.ENTER);
    assertThat(velocities(song())).containsOnly(30);
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(song()).isSameAs(before);
  }

  @Test
  void while_a_chore_is_shown_the_keys_still_play_and_enter_is_still_the_pedal() throws Exception {
    ui.run(() -> ui.session.performer().setKeysMode(KeysMode.PLAY));
    ui.press("chore-velocity");
    press(KeyCode.ENTER);
    press(KeyCode.A);
    assertThat(sounding()).isNotEmpty();
    assertThat(ui.get(() -> ui.session.performer().pedals().isSustaining())).isTrue();
    release(KeyCode.A);
    release(KeyCode.ENTER);
    assertThat(ui.get(() -> ui.session.performer().pedals().isSustaining())).isFalse();
    assertThat(ui.get(() -> ui.session.chores().isTrying())).isTrue();
    type(KeyCode.ESCAPE);
    assertThat(ui.get(() -> ui.session.chores().isTrying())).isFalse();
    assertThat(ui.get(() -> ui.session.performer().keysMode())).isEqualTo(KeysMode.PLAY);
  }

  @Test
  void a_chore_is_put_together_from_plain_words_tried_kept_and_there_at_the_next_start()
      throws Exception {
    ui.press("chore-new");
    pick("term-of-0-0", "pitch");
    pick("term-is-0-0", "above");
    enter("term-from-0-0", "C5");
    ui.press("chore-and-0");
    pick("term-not-0-1", "is not");
    enter("term-from-0-1", "90");
    ui.press("chore-or");
    pick("term-of-1-0", "beat of the bar");
    pick("chore-does", "change its velocity by \u2026");
    enter("chore-amount", "-20");
    assertThat(ui.text("chore-words"))
        .isEqualTo(
            "Where pitch is above C5 and velocity is not below 90,"
                + " or where beat of the bar is 1: change its velocity by -20.");
    assertThat(velocities(shown())).isNotEqualTo(velocities(song()));
    type(KeyCode.ESCAPE);
    assertThat(velocities(shown())).isEqualTo(velocities(song()));
    ui.press("chore-try");
    assertThat(velocities(shown())).as("tried again").isNotEqualTo(velocities(song()));
    ui.press("chore-keep");
    assertThat(ui.get(() -> ui.session.notices().current().text())).contains("a name first");
    enter("chore-name", "Tame ".repeat(20));
    assertThat(ui.get(() -> ui.field("chore-name").getPseudoClassStates().toString()))
        .as("too long a name is told beside the field")
        .contains("refused");
    type(KeyCode.ESCAPE);
    enter("chore-name", "Tame");
    ui.press("chore-keep");
    assertThat(ui.text("chore-own-0")).isEqualTo("Tame");
    Path file = folder.resolve("settings.json");
    SettingsFile.write(ui.get(() -> Settings.of(ui.session)), file);
    Chore kept = SettingsFile.read(file).orElseThrow().settings().chores().get("Tame");
    assertThat(kept).isEqualTo(ui.get(() -> ui.session.chores().own().all().get("Tame")));
    assertThat(kept.then()).isEqualTo(ChoreAction.LOUDER);
    assertThat(kept.when()).hasSize(2);
    ui.press("chore-edit-0");
    ui.press("chore-forget");
    assertThat(ui.get(() -> ui.session.chores().own().all())).isEmpty();
  }

  @Test
  void a_note_that_is_only_shown_cannot_be_taken_hold_of_and_no_other_is_drawn_in_its_place()
      throws Exception {
    ui.press("chore-octaves");
    Song before = song();
    click(ui.node("roll"), 0.5, 0.5);
    assertThat(song()).isSameAs(before);
    assertThat(ui.text("notice")).startsWith("A chore is shown: Alt+Enter does it, Esc leaves it");
    assertThat(shown()).as("it is still there to be done").isNotSameAs(before);
    type(KeyCode.ESCAPE);
    click(ui.node("roll"), 0.5, 0.97);
    assertThat(song()).as("the mouse draws again").isNotSameAs(before);
  }

  @Test
  void what_would_be_done_out_of_sight_comes_into_sight() {
    BenchView bench = (BenchView) ui.node("bench");
    ui.run(() -> ui.session.open(far(), Optional.empty()));
    ui.run(() -> bench.getScene().getRoot().layout());
    ui.press("chores-on-track");
    ui.press("chore-short");
    double x = ui.get(() -> bench.placeOf(3840 * 60, 100).getX());
    double y = ui.get(() -> bench.placeOf(3840 * 60, 100).getY());
    assertThat(x).isBetween(0.0, ui.get(bench::getWidth));
    assertThat(y).isBetween(0.0, ui.get(bench::getHeight));
  }

  private static Song far() {
    Song empty = Song.empty();
    return EnteredNotes.place(
        empty,
        empty.tracks().getFirst().id(),
        List.of(
            Note.placed(new NoteId(1), 40, 80, 0, 960),
            Note.placed(new NoteId(2), 100, 80, 3840 * 60, 10)));
  }

  @Test
  void nonsense_in_a_condition_is_told_and_the_old_one_stays() throws Exception {
    ui.press("chore-new");
    enter("term-from-0-0", "very");
    assertThat(ui.text("chore-words")).isEqualTo("Where velocity is below 40: mark it.");
    type(KeyCode.ESCAPE);
    enter("term-from-0-0", "200");
    assertThat(ui.text("chore-words")).isEqualTo("Where velocity is below 40: mark it.");
    type(KeyCode.ESCAPE);
    pick("term-is-0-0", "from");
    assertThat(ui.text("chore-words")).isEqualTo("Where velocity is from 40 to 127: mark it.");
  }

  @Test
  void chores_are_handed_on_as_a_file_and_of_a_damaged_one_nothing_is_taken() throws Exception {
    Chore chore =
        new Chore(
            List.of(List.of(new Term(Measure.VELOCITY, false, Relation.BELOW, 20, 0))),
            ChoreAction.REMOVE,
            0);
    ui.run(() -> ui.session.chores().own().keep("Slips", chore));
    Path file = folder.resolve("mine" + ChoreFile.ENDING);
    ui.answers.file = Optional.of(file);
    ui.press("chores-hand-on");
    ui.await(() -> Files.exists(file));
    ui.run(() -> ui.session.chores().own().remove("Slips"));
    ui.press("chores-take-in");
    ui.await(() -> ui.session.chores().own().all().containsKey("Slips"));
    assertThat(ui.get(() -> ui.session.chores().own().all().get("Slips").then()))
        .isEqualTo(ChoreAction.REMOVE);
    Files.writeString(file, Files.readString(file).replace("REMOVE", "VANISH"));
    ui.press("chores-take-in");
    ui.await(() -> ui.session.notices().current().warning());
    assertThat(ui.get(() -> ui.session.notices().current().text()))
        .contains("Slips")
        .contains("VANISH");
    assertThat(ui.get(() -> ui.session.chores().own().all())).hasSize(1);
  }

  @Test
  void what_is_shown_follows_the_song_through_edits_and_undo() {
    ui.press("chore-velocity");
    ui.run(() -> ui.session.editing().edit("Any", s -> s.withTitle("Other")));
    assertThat(velocities(shown())).as("it follows the song").containsOnly(80);
    ui.run(() -> ui.session.editing().undo());
    assertThat(velocities(shown())).containsOnly(80);
    assertThat(ui.get(() -> ui.session.document().hasUnsavedWork())).isFalse();
  }
}
