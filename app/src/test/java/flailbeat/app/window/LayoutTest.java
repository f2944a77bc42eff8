package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.session.person.Appearance;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableView;
import javafx.scene.text.Text;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whatever a song holds, every room stays in the window, and no word is cut. */
class LayoutTest {
  private static final double SCROLL_BAR = 12;

  private static final List<String> PAGES =
      List.of(
          "page-timing",
          "page-hands",
          "page-recording",
          "page-drawing",
          "page-list",
          "page-clip",
          "page-shelf",
          "page-chores",
          "page-keys");

  /** The screen of the headless toolkit is no larger: beyond, only the scene is laid out. */
  private static final int MOST = 1280;

  private static final int HIGHEST = 800;

  private static final Bounds EVERYWHERE = new BoundingBox(0, 0, 0, 0);

  private WindowUnderTest ui;
  private int width = MOST;
  private int height = HIGHEST;

  @AfterEach
  void close() throws Exception {
    ui.close();
  }

  /** Harbour Lamps with more tracks, some of which have long names. */
  private static Song song(int tracks) {
    Song song = HarbourLamps.song();
    while (song.tracks().size() > tracks) {
      song = TrackEdits.remove(song, song.tracks().getLast().id());
    }
    for (int i = song.tracks().size(); i < tracks; i++) {
      String name =
          i % 3 == 0 ? "A part with a name that nobody would call short, " + i : "Part " + i;
      song = SongEdits.addTrack(song, Instrument.melodic(0));
      song =
          song.withTrack(
              song.tracks().getLast().id(),
              t -> Track.empty(t.id(), name, t.instrument(), t.channel()));
    }
    return song;
  }

  @ParameterizedTest
  @CsvSource({
    "640, 480, 4",
    "900, 600, 1",
    "900, 600, 64",
    "1280, 800, 8",
    "1280, 800, 64",
    "1920, 1080, 30"
  })
  void with_any_number_of_tracks_all_is_inside_the_window_and_no_word_is_cut(
      int width, int height, int tracks) throws Exception {
    this.width = width;
    this.height = height;
    ui = WindowUnderTest.open(Math.min(width, MOST), Math.min(height, HIGHEST));
    ui.run(() -> ui.session.open(song(tracks), Optional.empty()));
    assertThat(faultsAnywhere()).isEmpty();
    ScrollPane all = (ScrollPane) ui.stage.getScene().lookup(".window-scroll");
    Bounds content = ui.get(() -> all.getContent().getLayoutBounds());
    assertThat(content.getWidth()).as("nothing is scrolled").isEqualTo(width);
    assertThat(content.getHeight()).isEqualTo(height);
  }

  @ParameterizedTest
  @CsvSource({"110", "130", "160", "200"})
  void with_larger_texts_no_word_is_cut(int text) throws Exception {
    ui = WindowUnderTest.open(MOST, HIGHEST);
    ui.run(() -> ui.session.open(song(8), Optional.empty()));
    ui.run(
        () ->
            ui.session
                .person()
                .appearance()
                .set(new Appearance.Kept(Appearance.Colours.DAY, text)));
    assertThat(faultsAnywhere()).isEmpty();
  }

  @Test
  void at_any_width_and_size_of_texts_rows_go_on_in_another_line_and_cut_nothing()
      throws Exception {
    ui = WindowUnderTest.open(MOST, HIGHEST);
    ui.run(() -> ui.session.open(song(4), Optional.empty()));
    List<String> faults = new ArrayList<>();
    for (int text = 80; text <= 200; text += 40) {
      for (width = Math.max(640, 9 * text / 2); width <= MOST; width += 107) {
        height = Math.max(480, 3 * text);
        KeysMode mode = width % 2 == 0 ? KeysMode.STEPS : KeysMode.PLAY;
        Appearance.Kept kept = new Appearance.Kept(Appearance.Colours.DAY, text);
        ui.run(() -> ui.stage.setWidth(width));
        ui.run(() -> ui.stage.setHeight(height));
        ui.run(() -> ui.session.keysSwitch().set(mode));
        ui.run(() -> ui.session.person().appearance().set(kept));
        faults.addAll(faults(text + " % at " + width + " x " + height));
      }
    }
    assertThat(faults).isEmpty();
  }

  private List<String> faultsAnywhere() {
    List<String> faults = new ArrayList<>();
    for (String page : PAGES) {
      ui.choose(page);
      faults.addAll(faults(page));
    }
    ui.choose("map-large");
    ui.choose("page-clip");
    faults.addAll(faults("the large map"));
    ui.choose("map-large");
    ui.choose("page-timing");
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.STEPS));
    faults.addAll(faults("steps"));
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.COMMANDS));
    ui.run(() -> ui.session.document().chooseTrack(ui.session.song().tracks().getLast().id()));
    faults.addAll(faults("commands"));
    return faults;
  }

  @Test
  void the_bench_stays_where_it_is_as_tracks_are_added() throws Exception {
    ui = WindowUnderTest.open(1280, 800);
    double before = ui.get(() -> ui.node("roll").localToScene(0, 0).getY());
    for (int i = 0; i < 12; i++) {
      ui.press("add-track");
    }
    assertThat(ui.get(() -> ui.node("roll").localToScene(0, 0).getY())).isEqualTo(before);
  }

  @Test
  void the_tab_of_the_chosen_track_is_in_sight_however_many_there_are() throws Exception {
    ui = WindowUnderTest.open(900, 600);
    for (int i = 0; i < 15; i++) {
      ui.press("add-track");
    }
    for (int chosen : new int[] {15, 0, 8, 14}) {
      ui.run(() -> ui.session.document().chooseTrack(ui.session.song().tracks().get(chosen).id()));
      Bounds tab =
          ui.get(
              () -> {
                ui.stage.getScene().getRoot().layout();
                Node node = ui.node("track-tab-" + (chosen + 1));
                return node.localToScene(node.getLayoutBounds());
              });
      assertThat(tab.getMinX()).as("tab %d", chosen + 1).isGreaterThan(0);
      assertThat(tab.getMaxX()).as("tab %d", chosen + 1).isLessThan(900 - 60);
    }
  }

  @Test
  void a_name_of_three_hundred_letters_leaves_the_switches_of_its_track_in_sight()
      throws Exception {
    ui = WindowUnderTest.open(1280, 800);
    Song song = HarbourLamps.song();
    Track first = song.tracks().get(0);
    Song named =
        song.withTrack(
            first.id(),
            t -> Track.empty(t.id(), "lantern".repeat(43), t.instrument(), t.channel()));
    ui.run(() -> ui.session.open(named, Optional.empty()));
    Bounds tab =
        ui.get(
            () -> {
              ui.stage.getScene().getRoot().layout();
              Node node = ui.node("track-tab-1");
              return node.localToScene(node.getLayoutBounds());
            });
    assertThat(tab.getMaxX()).isLessThan(420);
  }

  @Test
  void a_track_is_removed_and_the_one_beside_it_chosen() throws Exception {
    ui = WindowUnderTest.open(1280, 800);
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    ui.run(() -> ui.session.document().chooseTrack(ui.session.song().tracks().get(1).id()));
    ui.choose("track-remove");
    assertThat(ui.session.document().track().name()).isEqualTo("Deckhands");
    assertThat(ui.session.song().tracks()).hasSize(3);
    ui.run(() -> ui.session.editing().undo());
    assertThat(ui.session.song().tracks()).hasSize(4);
  }

  private List<String> faults(String where) {
    return ui.get(
        () -> {
          Parent root = ui.stage.getScene().getRoot();
          root.applyCss();
          root.resize(width, height);
          root.layout();
          List<String> faults = new ArrayList<>();
          Bounds window = new BoundingBox(0, 0, width, height);
          look(root, window, where, faults);
          return faults;
        });
  }

  /** Looks at what is shown; what scrolls may reach beyond what is in sight of it. */
  private void look(Node node, Bounds within, String where, List<String> faults) {
    if (!node.isVisible()) {
      return;
    }
    Bounds at = node.localToScene(node.getLayoutBounds());
    boolean measured = within != EVERYWHERE && (node instanceof Control || node instanceof Canvas);
    if (measured && at.getWidth() > 0 && !contains(within, at)) {
      faults.add(
          where
              + ": outside: "
              + described(node)
              + " "
              + at.getMinX()
              + ".."
              + at.getMaxX()
              + " x "
              + at.getMinY()
              + ".."
              + at.getMaxY());
      return;
    }
    if (node instanceof Labeled labeled && isCut(labeled)) {
      faults.add(where + ": cut: " + described(node));
    }
    Bounds inside =
        !(node instanceof ScrollPane scroll)
            ? within
            : scroll.getStyleClass().contains("window-scroll")
                ? scroll.getContent().localToScene(scroll.getContent().getLayoutBounds())
                : EVERYWHERE;
    if (node.getStyleClass().contains("window-scroll")) {
      look(((ScrollPane) node).getContent(), inside, where, faults);
    } else if (!(node instanceof TableView<?>) && node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(n -> look(n, inside, where, faults));
    }
  }

  private static boolean contains(Bounds outer, Bounds inner) {
    return inner.getMinX() >= -1
        && inner.getMinY() >= -1
        && inner.getMaxX() <= outer.getMaxX() + 1
        && inner.getMaxY() <= outer.getMaxY() + 1;
  }

  /** A name that a person gave may be as long as they like: it is there whole as a hint. */
  private static boolean isCut(Labeled labeled) {
    boolean ofAPerson =
        labeled.getStyleClass().contains("track-name") || "song-title".equals(labeled.getId());
    return !ofAPerson
        && labeled.lookup(".text") instanceof Text text
        && text.getParent() == labeled
        && (!text.getText().equals(labeled.getText())
            || text.getLayoutBounds().getHeight() > labeled.getHeight() + 1 && !isFigures(labeled));
  }

  /** Figures have nothing below their line, and may stand closer. */
  private static boolean isFigures(Labeled labeled) {
    return "position".equals(labeled.getId());
  }

  private static String described(Node node) {
    String text = node instanceof Labeled labeled ? " \"" + labeled.getText() + "\"" : "";
    return node.getClass().getSimpleName() + "#" + node.getId() + text;
  }

  @ParameterizedTest
  @CsvSource({"900, 600", "1280, 800"})
  void the_roll_keeps_two_fifths_of_the_window_whatever_is_open(int width, int height)
      throws Exception {
    ui = WindowUnderTest.open(Math.min(width, MOST), Math.min(height, HIGHEST));
    double full = ui.get(() -> ui.node("key-deck").getBoundsInLocal().getHeight());
    boolean map = ui.get(() -> ui.node("song-map").isVisible());
    ui.choose("lanes");
    ui.choose("note-panel");
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.STEPS));
    double window = ui.get(() -> ui.stage.getScene().getHeight());
    double roll = ui.get(() -> ui.node("roll").getBoundsInLocal().getHeight());
    double ruler = ui.get(() -> ui.node("ruler").getBoundsInLocal().getHeight());
    assertThat(roll + ruler + SCROLL_BAR).isGreaterThanOrEqualTo(0.4 * window - 1);
    assertThat(ui.get(() -> ui.node("lanes").getBoundsInLocal().getHeight())).isPositive();
    ui.choose("lanes");
    ui.choose("note-panel");
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.PLAY));
    assertThat(ui.get(() -> ui.node("key-deck").getBoundsInLocal().getHeight()))
        .as("it comes back")
        .isEqualTo(full);
    assertThat(ui.get(() -> ui.node("song-map").isVisible())).isEqualTo(map);
  }
}
