package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.shell.FileDrop;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Song;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.person.SongsAtHand.Recent;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.Test;

/** Songs are found again, dropped on the window, begun from others, and saved by themselves. */
class SongsAtHandTest extends HeadlessWindow {
  private Session session() {
    return ui.session;
  }

  private String notice() {
    return ui.get(() -> session().notices().current().text());
  }

  private Path written(String name, Song song) throws Exception {
    Path file = folder.resolve(name);
    SongFiles.standard().write(song, file);
    return file;
  }

  private void open(Path file) throws Exception {
    ui.run(() -> session().notices().tell(""));
    ui.run(() -> ui.window.files().open(file));
    ui.await(() -> session().notices().current().text().startsWith("Opened"));
  }

  @Test
  @SuppressWarnings("unchecked")
  void songs_used_lately_are_found_by_their_name_and_those_that_are_gone_are_told()
      throws Exception {
    Path lamps = written("lamps.flail", HarbourLamps.song());
    Path other = written("other.flail", Song.empty().withTitle("Quay"));
    open(other);
    open(lamps);
    Files.delete(other);
    type(KeyCode.CONTROL, KeyCode.ALT, KeyCode.O);
    ListView<Recent> found = (ListView<Recent>) ui.node("recent-list-found");
    assertThat(found.getItems()).extracting(Recent::title).containsExactly("Harbour Lamps", "Quay");
    assertThat(found.getItems().getFirst().length()).isEqualTo("0:40");
    ui.await(
        () ->
            found.lookupAll(".label").stream()
                .anyMatch(l -> l instanceof Label t && t.getText().equals("not there any more")));
    ui.run(() -> ui.field("recent-list-words").setText("quay"));
    assertThat(found.getItems()).hasSize(1);
    type(KeyCode.ENTER);
    assertThat(notice()).isEqualTo(other + " is not there any more");
    assertThat(ui.node("recent-list").isVisible()).isFalse();
    ui.run(() -> ui.window.files().newSong());
    type(KeyCode.CONTROL, KeyCode.ALT, KeyCode.O);
    type(KeyCode.ENTER);
    ui.await(() -> session().song().title().equals("Harbour Lamps"));
  }

  private FileDrop drop() {
    return (FileDrop) ui.node("file-drop");
  }

  /** Where something is once the window was laid out. */
  private static Bounds inScene(Node node) {
    node.getScene().getRoot().layout();
    return node.localToScene(node.getBoundsInLocal());
  }

  private double[] middleOf(Node node, double part) {
    Bounds bounds = node.localToScene(node.getBoundsInLocal());
    return new double[] {
      bounds.getMinX() + bounds.getWidth() * part, bounds.getMinY() + bounds.getHeight() / 2
    };
  }

  @Test
  void a_midi_file_dropped_on_the_song_becomes_tracks_at_that_bar_and_elsewhere_a_song()
      throws Exception {
    ui.run(() -> session().open(HarbourLamps.song(), Optional.empty()));
    Path midi = written("more.mid", HarbourLamps.song());
    double[] at = ui.get(() -> middleOf(ui.node("song-map"), 0.5));
    ui.run(() -> drop().show(List.of(midi), at[0], at[1]));
    assertThat(drop().isVisible()).isTrue();
    String said = ui.text("drop-words");
    assertThat(said).matches("more.mid: new tracks from bar \\d+");
    Bounds line = ui.get(() -> inScene(ui.node("drop-line")));
    Bounds map = ui.get(() -> inScene(ui.node("song-map")));
    assertThat(line.getHeight()).as("a line from top to bottom").isEqualTo(map.getHeight());
    assertThat(line.getMinX()).isBetween(at[0] - map.getWidth() / 10, at[0]);
    int before = ui.get(() -> session().song().tracks().size());
    ui.run(() -> drop().drop(List.of(midi), at[0], at[1]));
    ui.await(() -> session().song().tracks().size() > before);
    assertThat(drop().isVisible()).isFalse();
    assertThat(notice()).contains(said.replaceAll(".*(bar \\d+)", "$1"));
    long first = ui.get(() -> session().song().tracks().get(before).clips().getFirst().start());
    assertThat(first).isPositive();
    ui.run(session().editing()::undo);
    assertThat(ui.get(() -> session().song().tracks())).hasSize(before);
    double[] top = ui.get(() -> middleOf(ui.node("song-title"), 0.5));
    ui.run(() -> drop().show(List.of(midi), top[0], top[1]));
    assertThat(ui.text("drop-words")).isEqualTo("more.mid: opened in the place of this song");
    ui.run(() -> drop().drop(List.of(midi), top[0], top[1]));
    ui.await(() -> session().notices().current().text().startsWith("Opened more.mid"));
  }

  @Test
  void what_a_file_holds_that_is_not_kept_is_told_in_lines_that_are_put_away_by_a_key()
      throws Exception {
    ui.run(
        () ->
            session()
                .notices()
                .tellLines(
                    new Notice("Opened x; 2 things", true),
                    List.of("Opened x, with this to know:", "one", "another")));
    assertThat(ui.node("told-pane").isVisible()).isTrue();
    assertThat(((VBox) ui.node("told-lines")).getChildren()).hasSize(2);
    type(KeyCode.A);
    assertThat(ui.node("told-pane").isVisible()).as("letters play").isTrue();
    type(KeyCode.ESCAPE);
    assertThat(ui.node("told-pane").isVisible()).isFalse();
    assertThat(notice()).isEqualTo("Opened x; 2 things");
  }

  @Test
  void a_new_song_from_this_one_keeps_its_tracks_and_sounds() throws Exception {
    ui.run(() -> session().open(HarbourLamps.song(), Optional.empty()));
    ui.choose("song-new-from");
    assertThat(ui.get(() -> session().song().noteCount())).isZero();
    assertThat(ui.get(() -> session().song().tracks()))
        .extracting(t -> t.instrument())
        .isEqualTo(HarbourLamps.song().tracks().stream().map(t -> t.instrument()).toList());
  }

  @Test
  void a_song_that_has_a_file_is_saved_by_itself_only_where_that_is_wished_for_and_in_silence()
      throws Exception {
    long minute = 60_000_000_000L;
    Path file = written("lamps.flail", HarbourLamps.song());
    open(file);
    byte[] before = Files.readAllBytes(file);
    ui.run(() -> session().notes().apply("Legato", NoteTools::legato));
    // Later than the window's own clock, which goes on beside: by that one nothing is due yet.
    long now = System.nanoTime() + 1_000 * minute;
    ui.run(() -> ui.window.files().watch(now - 100 * minute, () -> false));
    ui.run(() -> ui.window.files().watch(now, () -> false));
    assertThat(Files.readAllBytes(file)).isEqualTo(before);
    ui.run(
        () -> {
          session().person().songs().setAutosaveMinutes(5);
          ui.window.files().watch(now, () -> false);
        });
    long due = now + 6 * minute;
    ui.run(() -> session().run().playOrStop());
    ui.run(() -> ui.window.files().watch(due, () -> false));
    assertThat(Files.readAllBytes(file)).as("not while it plays").isEqualTo(before);
    ui.run(() -> session().run().playOrStop());
    ui.run(() -> ui.window.files().watch(due, () -> true));
    assertThat(Files.readAllBytes(file)).as("not while something is held").isEqualTo(before);
    ui.run(() -> ui.window.files().watch(due, () -> false));
    ui.await(() -> !session().document().hasUnsavedWork());
    assertThat(SongFiles.standard().read(file).song()).isNotEqualTo(HarbourLamps.song());
  }
}
