package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.PlayedSong;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.session.person.Appearance;
import flailbeat.core.session.run.NoteVersion;
import flailbeat.core.session.settings.Settings;
import flailbeat.core.time.Grid;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.Progress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The timing desk with the demo open: its lead is late, with three doubtful notes. */
class TimingWindowTest extends HeadlessWindow {
  @TempDir private Path folder;

  @BeforeEach
  void openDemo() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
  }

  private Button buttonIn(String box, int index) {
    return ui.get(() -> (Button) ((Pane) ui.node(box)).getChildren().get(index));
  }

  private String textOf(String button) {
    return ui.get(() -> ((Button) ui.node(button)).getText());
  }

  /** A song that was opened under a wrong header: the demo's own notes say four beats to a bar. */
  @Test
  void the_meter_of_all_tracks_is_heard_shown_and_taken() throws Exception {
    Song three = HarbourLamps.song().withMeters(MeterMap.of(new Meter(3, 4)));
    ui.run(() -> ui.session.open(three, Optional.empty()));
    ui.choose("find-song-beat");
    ui.await(() -> ui.session.beat().isOn());
    assertThat(ui.get(() -> buttonIn("beat-guesses", 0).getText())).contains("96.0 bpm", "4/4");
    assertThat(ui.node("take-phrase-fits").isVisible()).isFalse();
    click("hear-beat");
    ui.await(() -> ui.session.runControl().transport().isRunning());
    ui.run(() -> ui.session.run().stop());
    click("take-tempo-map");
    ui.await(() -> ui.session.song().meters().meterAt(0).equals(new Meter(4, 4)));
    type(KeyCode.CONTROL, KeyCode.Z);
    ui.await(() -> ui.session.song() == three);
  }

  /** Four parts with no click: the beat of all, the grid of all, and every track by its own lag. */
  @Test
  void a_song_that_was_played_with_no_click_is_put_where_it_was_meant() throws Exception {
    PlayedSong played = new PlayedSong();
    Song song = played.played();
    ui.run(() -> ui.session.open(song, Optional.empty()));
    ui.choose("find-song-beat");
    ui.await(() -> ui.session.beat().isOn());
    assertThat(ui.get(() -> buttonIn("beat-guesses", 0).getText())).contains("104.0 bpm", "4/4");
    click("take-tempo-map");
    ui.await(() -> ui.session.song() != song);
    ui.run(() -> ui.session.timing().askGrids());
    ui.await(() -> ui.session.timing().grids().isPresent());
    ui.run(
        () -> {
          WhichGrid.Match best =
              ui.session.timing().grids().orElseThrow().song().orElseThrow().song().getFirst();
          assertThat(best.toString()).isEqualTo("1/8");
          ui.session.quantizing().takeGrid(best);
          ui.session.quantizing().quantizeAllTracks();
        });
    assertThat(played.right(ui.get(() -> ui.session.song()))).isGreaterThan(0.98);
    ui.await(() -> ui.text("timing-details").contains("as beside it"));
  }

  @Test
  void doubtful_notes_are_walked_through_by_button_and_keys_and_escape_leaves() throws Exception {
    assertThat(textOf("walk-doubtful")).isEqualTo("Decide 3 doubtful");
    click("walk-doubtful");
    assertThat(textOf("walk-doubtful")).isEqualTo("Doubtful 1 of 3, 3 left");
    type(KeyCode.DOWN);
    assertThat(textOf("walk-doubtful")).isEqualTo("Doubtful 2 of 3, 3 left");
    type(KeyCode.RIGHT);
    assertThat(textOf("walk-doubtful")).contains("2 left");
    type(KeyCode.ESCAPE);
    assertThat(textOf("walk-doubtful")).isEqualTo("Decide 2 doubtful");
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys are notes");
  }

  @Test
  void the_grids_are_ranked_and_one_is_taken() throws Exception {
    ui.run(() -> ui.session.timing().setGrid(Grid.parse("1/4")));
    click("which-grid");
    assertThat(buttonIn("ranked-grids", 0).getText()).endsWith(" 1/16");
    click(buttonIn("ranked-grids", 0), 0.5, 0.5);
    assertThat(ui.session.timing().grid()).hasToString("1/16");
    click("which-grid");
    assertThat(ui.get(() -> ((VBox) ui.node("ranked-grids")).getChildren())).isEmpty();
  }

  @Test
  void a_grid_of_ones_own_is_typed_and_a_wrong_one_refused() throws Exception {
    ui.run(() -> ui.field("own-grid").requestFocus());
    ui.run(() -> ui.field("own-grid").setText("1/16+1/8T"));
    type(KeyCode.ENTER);
    assertThat(ui.session.timing().grid()).hasToString("1/16+1/8T");
    ui.run(() -> ui.field("own-grid").requestFocus());
    ui.run(() -> ui.field("own-grid").setText("1/17"));
    type(KeyCode.ENTER);
    assertThat(ui.session.timing().grid()).hasToString("1/16+1/8T");
  }

  @Test
  void a_drag_over_the_histogram_selects_and_a_click_takes_the_clip_again() throws Exception {
    Node histogram = ui.node("histogram");
    move(histogram, 0.75, 0.5);
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    move(histogram, 0.98, 0.5);
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    int selected = ui.get(() -> ui.session.document().selection().notes().size());
    assertThat(selected).isBetween(5, 60);
    assertThat(ui.text("scope")).isEqualTo(selected + " selected");
    click(histogram, 0.5, 0.5);
    assertThat(ui.get(() -> ui.session.document().selection().notes())).isEmpty();
  }

  @Test
  void in_the_background_previews_come_of_themselves_and_long_work_can_be_left_off()
      throws Exception {
    WindowUnderTest own = WindowUnderTest.openWithBackground(1280, 800);
    try {
      own.run(() -> own.session.open(HarbourLamps.song(), Optional.empty()));
      own.await(() -> own.session.timing().preview().isPresent());
      own.await(() -> own.text("scope").startsWith("the clip"));
      own.run(() -> own.session.beat().find());
      own.await(() -> own.session.beat().isOn());
      own.run(() -> own.workshop.start(TimingWindowTest::endless, v -> {}, f -> {}, () -> {}));
      own.run(() -> own.session.timing().setGrid(Grid.parse("1/8")));
      own.await(() -> own.node("leave-off").isVisible());
      assertThat(own.text("timing-details")).startsWith("Working it out");
      own.run(((Button) own.node("leave-off"))::fire);
      assertThat(own.text("timing-details")).startsWith("Left off");
      own.await(() -> !own.node("leave-off").isVisible());
      own.run(((Button) own.node("quantize"))::fire);
      own.await(() -> own.session.timing().preview().isPresent());
    } finally {
      own.close();
    }
  }

  @Test
  void looking_for_the_grid_or_the_beat_can_be_left_off_and_says_so() throws Exception {
    WindowUnderTest own = WindowUnderTest.openWithBackground(1280, 800);
    try {
      own.run(() -> own.session.open(HarbourLamps.song(), Optional.empty()));
      own.await(() -> own.session.timing().preview().isPresent());
      leaveOff(own, () -> own.session.beat().find());
      assertThat(own.text("notice")).startsWith("Left off: the beat is not known");
      assertThat(own.get(() -> own.session.beat().isOn())).isFalse();
      leaveOff(own, () -> own.session.timing().askGrids());
      assertThat(own.get(() -> own.session.timing().isAskingGrids())).isFalse();
      own.run(() -> own.session.timing().askGrids());
      own.await(() -> own.session.timing().grids().isPresent());
    } finally {
      own.close();
    }
  }

  /** Behind work that never ends, so that it waits for as long as one likes. */
  private static void leaveOff(WindowUnderTest own, Runnable asked) throws Exception {
    own.run(() -> own.workshop.start(TimingWindowTest::endless, v -> {}, f -> {}, () -> {}));
    own.run(asked);
    own.await(() -> own.node("leave-off").isVisible());
    own.run(((Button) own.node("leave-off"))::fire);
    own.await(() -> !own.node("leave-off").isVisible());
  }

  private static Void endless(Progress progress) {
    while (true) {
      progress.at(0.5);
      Thread.onSpinWait();
    }
  }

  @Test
  void rounds_begin_and_end_by_their_button() throws Exception {
    click("rounds");
    assertThat(ui.get(() -> ui.session.timing().version())).isEqualTo(NoteVersion.PLAYED);
    assertThat(ui.get(() -> ui.session.runControl().isComparing())).isTrue();
    click("rounds");
    assertThat(ui.get(() -> ui.session.timing().version())).isEqualTo(NoteVersion.STANDING);
    assertThat(ui.get(() -> ui.session.runControl().transport().isRunning())).isFalse();
  }

  @Test
  void the_beat_is_found_shown_heard_and_taken_and_taken_back() throws Exception {
    List<Note> before = notes();
    type(KeyCode.ALT, KeyCode.B);
    assertThat(buttonIn("beat-guesses", 0).getText()).contains("96.0 bpm");
    click("hear-beat");
    assertThat(ui.get(() -> ui.session.runControl().transport().isRunning())).isTrue();
    type(KeyCode.SPACE);
    click("take-phrase-fits");
    assertThat(ui.text("notice")).startsWith("Fit the phrase to the song: 96.0 bpm");
    assertThat(notes()).hasSameSizeAs(before).isNotEqualTo(before);
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(notes()).isEqualTo(before);
  }

  @Test
  void a_preset_is_kept_by_name_and_a_groove_taken_saved_and_opened() throws Exception {
    click("part-feel");
    ui.run(() -> ui.field("preset-name").requestFocus());
    ui.run(() -> ui.field("preset-name").setText("Evening"));
    type(KeyCode.ENTER);
    QuantizeSettings kept = ui.get(() -> ui.session.person().presets().all().get("Evening"));
    assertThat(kept).isEqualTo(ui.session.timing().settings());
    ui.run(() -> ui.session.quantizing().takeGroove("Lamps", 1));
    ui.answers.file = Optional.of(folder.resolve("lamps.groove.json"));
    ui.run(() -> ui.window.files().saveGroove());
    ui.await(() -> Files.exists(folder.resolve("lamps.groove.json")));
    ui.run(() -> ui.session.timing().setSettings(kept));
    assertThat(ui.get(() -> ui.session.timing().settings().groove().isNone())).isTrue();
    ui.run(() -> ui.window.files().openGroove());
    ui.await(() -> ui.session.timing().settings().groove().name().equals("Lamps"));
  }

  @Test
  void finer_settings_are_set_and_shown() throws Exception {
    click("part-finer");
    ui.run(() -> ((javafx.scene.control.Slider) ui.node("tight")).setValue(8));
    assertThat(ui.session.timing().settings().filter().tightMs()).isEqualTo(8);
    click("ends-lengths");
    assertThat(ui.session.timing().settings().ends()).isEqualTo(QuantizeSettings.Ends.LENGTHS);
  }

  /** Eighths that are 83 ms late, or 42 ms early of the sixteenths that follow. */
  @Test
  void another_way_to_understand_the_whole_is_offered_before_anything_moves_and_one_key_takes_it()
      throws Exception {
    List<NewNote> late = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      late.add(new NewNote(60, 80, new Played(i * 480L + 160, i * 480L + 360)));
    }
    ui.run(
        () -> {
          ui.session.open(Song.empty(), Optional.empty());
          TrackId track = ui.session.document().track().id();
          ui.session
              .editing()
              .edit("Late", s -> NoteEdits.add(s, track, late, new TickRange(0, 3840)));
        });
    ui.await(() -> ui.session.timing().preview().isPresent());
    HBox offer = ui.get(() -> (HBox) ((Pane) ui.node("readings")).getChildren().get(0));
    assertThat(((Button) offer.getChildren().get(0)).getText()).contains("Or all", "early");
    hearsTheOtherWay((Button) offer.getChildren().get(1));
    type(KeyCode.ALT, KeyCode.O);
    assertThat(ui.text("notice")).contains("Understood as", "early");
    assertThat(ui.get(() -> ui.session.timing().plan().notes().get(0).line())).isEqualTo(240);
    assertThat(buttonIn("readings", 0).getText()).isEqualTo("Find the lag again");
    type(KeyCode.ALT, KeyCode.O);
    assertThat(ui.text("notice")).startsWith("There is no other way");
  }

  /** By its key and by its button, while either is held: a sixteenth after what Fit would do. */
  private void hearsTheOtherWay(Button hold) throws Exception {
    Song before = ui.get(ui.session::song);
    long[] lines = {0, 0};
    lines[0] = ui.get(() -> ui.session.timing().plan().notes().get(0).line());
    ui.run(
        () -> {
          robot.keyPress(KeyCode.CONTROL);
          robot.keyPress(KeyCode.SHIFT);
          robot.keyPress(KeyCode.O);
        });
    assertThat(ui.get(() -> ui.session.timing().version())).isEqualTo(NoteVersion.OTHERWISE);
    assertThat(ui.get(() -> ui.session.runControl().transport().isRunning())).isTrue();
    assertThat(ui.text("notice")).contains("So it is if everything was", "early");
    lines[1] = ui.get(() -> ui.session.timing().shown().orElseThrow().notes().get(0).line());
    assertThat(lines[1] - lines[0]).isEqualTo(240);
    ui.run(
        () -> {
          robot.keyRelease(KeyCode.O);
          robot.keyRelease(KeyCode.SHIFT);
          robot.keyRelease(KeyCode.CONTROL);
        });
    assertThat(ui.get(() -> ui.session.timing().version())).isEqualTo(NoteVersion.STANDING);
    move(hold, 0.5, 0.5);
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    assertThat(ui.get(() -> ui.session.timing().version())).isEqualTo(NoteVersion.OTHERWISE);
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    assertThat(ui.get(() -> ui.session.timing().version())).isEqualTo(NoteVersion.STANDING);
    assertThat(ui.get(() -> ui.session.runControl().transport().isRunning())).isFalse();
    assertThat(ui.get(ui.session::song)).isSameAs(before);
  }

  @Test
  void the_rail_marks_the_page_where_doubtful_notes_wait_until_all_are_decided() {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    Node mark = ui.node("page-timing").lookup(".waits");
    assertThat(ui.get(mark::isVisible)).isTrue();
    ui.run(ui.session.doubts()::start);
    while (ui.get(() -> ui.session.doubts().isOn())) {
      ui.run(() -> ui.session.doubts().keep());
    }
    assertThat(ui.get(mark::isVisible)).isFalse();
  }

  @Test
  void colours_go_round_and_are_kept_with_the_settings() {
    assertThat(lightness()).isGreaterThan(0.9);
    ui.run(
        () ->
            ui.session
                .person()
                .appearance()
                .set(new Appearance.Kept(Appearance.Colours.NIGHT, 110)));
    assertThat(lightness()).isLessThan(0.2);
    assertThat(ui.get(() -> ui.stage.getScene().getRoot().getStyle())).contains("14.3px");
    assertThat(ui.get(() -> Settings.of(ui.session)).appearance().colours())
        .isEqualTo(Appearance.Colours.NIGHT);
    ui.choose("colours-next");
    assertThat(lightness()).isEqualTo(1);
  }

  private double lightness() {
    return ui.get(
        () -> {
          Region root = (Region) ui.stage.getScene().getRoot();
          root.applyCss();
          return ((Color) root.getBackground().getFills().get(0).getFill()).getBrightness();
        });
  }
}
