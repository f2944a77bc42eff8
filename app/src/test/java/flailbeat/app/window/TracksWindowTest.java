package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.audio.midi.MidiMonitor.Entry;
import flailbeat.audio.midi.MidiWords;
import flailbeat.audio.sound.OwnFile;
import flailbeat.audio.sound.SoundLibrary;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.tracks.StartValues;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.pitch.OctaveNames;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;

/** Tracks and their sounds in the window: by keys alone, and by the mouse. */
class TracksWindowTest extends RollWindow {
  private Track track() {
    return ui.get(() -> ui.session.document().track());
  }

  private void typeWord(String word) throws Exception {
    for (char letter : word.toCharArray()) {
      type(letter == ' ' ? KeyCode.SPACE : KeyCode.valueOf(String.valueOf(letter).toUpperCase()));
    }
  }

  private String said() {
    return ui.get(() -> ui.session.notices().current().text());
  }

  /** Done when: each within a minute, without the mouse. Keys struck are counted. */
  @Test
  void a_newcomer_finds_a_double_bass_a_church_organ_and_another_kit_by_ear() throws Exception {
    find("double bass", Instrument.melodic(32));
    find("church organ", Instrument.melodic(19));
    find("jazz kit", Instrument.kit(32));
  }

  private void find(String words, Instrument wanted) throws Exception {
    type(KeyCode.CONTROL, KeyCode.B);
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys play the marked sound");
    type(KeyCode.CONTROL, KeyCode.F);
    typeWord(words);
    type(KeyCode.ENTER);
    press(KeyCode.Z, KeyCode.A);
    assertThat(sounding()).as("the letters play").isNotEmpty();
    release(KeyCode.Z, KeyCode.A);
    type(KeyCode.ENTER);
    assertThat(track().instrument()).isEqualTo(wanted);
    assertThat(said()).endsWith("plays " + wanted.title());
    assertThat(ui.get(() -> ui.node("sound-pane").isVisible())).isFalse();
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
  }

  @Test
  void the_chooser_is_left_by_esc_and_all_is_as_before() throws Exception {
    open(HarbourLamps.song());
    click("track-sound");
    type(KeyCode.DOWN, KeyCode.DOWN);
    type(KeyCode.RIGHT);
    assertThat(ui.session.sounds().family()).isEqualTo("Organ");
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    release(KeyCode.A);
    type(KeyCode.CONTROL, KeyCode.D);
    assertThat(ui.session.person().taste().favourites()).containsExactly(Instrument.melodic(16));
    type(KeyCode.ESCAPE);
    assertThat(track().instrument()).isEqualTo(Instrument.melodic(11));
    assertThat(ui.session.performer().keysMode())
        .as("Esc was the chooser's")
        .isEqualTo(KeysMode.PLAY);
    assertThat(ui.get(() -> ui.session.document().undoLabel())).isEmpty();
  }

  private void open(Song song) {
    ui.run(() -> ui.session.open(song, Optional.empty()));
  }

  @Test
  void thirty_tracks_are_at_hand() throws Exception {
    Song song = Song.empty();
    for (int i = 1; i < 30; i++) {
      song = SongEdits.addTrack(song, Instrument.melodic(i));
    }
    open(TrackEdits.rename(song, song.tracks().get(24).id(), "Foghorn"));
    for (int i = 0; i < 29; i++) {
      type(KeyCode.PAGE_DOWN);
    }
    assertInSight(30);
    type(KeyCode.CONTROL, KeyCode.H);
    typeWord("fogh");
    assertThat(((ListView<?>) ui.node("track-list-found")).getItems()).hasSize(1);
    type(KeyCode.ENTER);
    assertThat(track().name()).isEqualTo("Foghorn");
    assertInSight(25);
    type(KeyCode.CONTROL, KeyCode.H);
    typeWord("tango");
    type(KeyCode.ENTER);
    assertThat(track().instrument().program()).as("found by its sound").isEqualTo(23);
  }

  private void assertInSight(int number) {
    Bounds tab =
        ui.get(
            () -> {
              ui.stage.getScene().getRoot().layout();
              Node node = ui.node("track-tab-" + number);
              return node.localToScene(node.getBoundsInLocal());
            });
    assertThat(tab.getMinX()).isNotNegative();
    assertThat(tab.getMaxX()).isLessThanOrEqualTo(WIDTH);
  }

  private String names() {
    return ui.get(
        () ->
            ui.session.song().tracks().stream().map(Track::name).collect(Collectors.joining(" ")));
  }

  @Test
  void a_tab_that_is_dragged_takes_its_track_along_and_a_group_folds() throws Exception {
    open(HarbourLamps.song());
    drag(ui.node("track-tab-4"), ui.node("track-tab-1"), 0.1);
    assertThat(names()).isEqualTo("Fog Lamps Hull Deckhands");
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(names()).isEqualTo("Lamps Hull Deckhands Fog");
    click(ui.node("track-tab-3"), 0.3, 0.5);
    assertThat(track().name()).isEqualTo("Deckhands");
    ui.choose("track-group");
    ui.choose("track-fold");
    assertThat(ui.node("track-tab-3")).isNull();
    assertThat(track().name()).isEqualTo("Hull");
    ui.choose("track-fold");
    assertThat(ui.node("track-tab-3")).isNotNull();
  }

  private void drag(Node from, Node to, double share) throws Exception {
    Bounds start = ui.get(() -> from.localToScreen(from.getBoundsInLocal()));
    Bounds end = ui.get(() -> to.localToScreen(to.getBoundsInLocal()));
    double y = start.getCenterY();
    ui.run(() -> robot.mouseMove(start.getMinX() + 14, y));
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    for (int i = 1; i <= 4; i++) {
      double x = start.getMinX() + (end.getMinX() - start.getMinX()) * i / 4;
      ui.run(() -> robot.mouseMove(x + share * end.getWidth(), y));
    }
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
  }

  @Test
  void a_track_is_named_in_its_place() throws Exception {
    type(KeyCode.ALT, KeyCode.SHIFT, KeyCode.N);
    typeWord("bell");
    type(KeyCode.ENTER);
    assertThat(names()).isEqualTo("bell");
    press(KeyCode.A);
    assertThat(sounding()).as("the keys are back").containsExactly(60);
    release(KeyCode.A);
  }

  @Test
  void the_strip_turns_a_dial_as_one_step_and_the_level_is_drawn() throws Exception {
    open(HarbourLamps.song());
    type(KeyCode.CONTROL, KeyCode.G);
    Slider level = (Slider) ui.node("strip-level");
    assertThat(ui.get(level::getValue)).isEqualTo(100);
    Bounds at = ui.get(() -> level.localToScreen(level.getBoundsInLocal()));
    ui.run(() -> robot.mouseMove(at.getMinX() + at.getWidth() * 0.78, at.getCenterY()));
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    ui.run(() -> robot.mouseMove(at.getMinX() + at.getWidth() * 0.5, at.getCenterY()));
    assertThat(ui.get(() -> ui.session.document().undoLabel())).as("still in hand").isEmpty();
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
    assertThat(StartValues.of(track(), Dial.LEVEL)).isBetween(50, 78);
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(StartValues.of(track(), Dial.LEVEL)).isEqualTo(100);
    assertThat(ui.get(level::getValue)).isEqualTo(100);
    press(KeyCode.A);
    ui.await(() -> ui.engine.level(0) > 0.001);
    release(KeyCode.A);
  }

  @Test
  void caps_of_keys_that_have_no_sound_are_marked() throws Exception {
    ui.run(() -> ui.session.tracks().sound(track().id(), Instrument.melodic(43)));
    ui.await(() -> !ui.session.soundedKeys().sounds(60));
    assertThat(isSilent("cap-A")).isTrue();
    press(KeyCode.A);
    release(KeyCode.A);
    assertThat(said()).startsWith("Contrabass has no sound on C4");
    type(KeyCode.ALT, KeyCode.SHIFT, KeyCode.HOME);
    assertThat(isSilent("cap-A")).isFalse();
  }

  private boolean isSilent(String cap) {
    return ui.get(
        () ->
            ui.node(cap).getPseudoClassStates().stream()
                .anyMatch(p -> p.getPseudoClassName().equals("silent")));
  }

  @Test
  void what_goes_to_the_simulated_port_is_read_in_the_monitor() throws Exception {
    ui.press("page-midi");
    ui.run(() -> ui.session.tracks().output(track().id(), "Simulated port"));
    ui.await(() -> ui.engine.monitor().count() > 0);
    press(KeyCode.A);
    release(KeyCode.A);
    ui.await(() -> words().stream().anyMatch(w -> w.contains("Note off C4")));
    assertThat(words()).contains("Note on C4, velocity 80", "Program 1, Acoustic grand piano");
    ui.run(() -> ui.session.tracks().output(track().id(), ""));
  }

  private List<String> words() {
    return ui.get(
        () -> {
          List<String> result = new ArrayList<>();
          ListView<?> list = (ListView<?>) ui.node("midi-list");
          list.getItems().forEach(e -> result.add(wordsOf((Entry) e)));
          return result;
        });
  }

  private static String wordsOf(Entry e) {
    return MidiWords.of(e.status(), e.data1(), e.data2(), OctaveNames.MIDDLE_C4);
  }

  @Test
  void what_is_heard_is_written_and_one_that_is_left_off_is_not() throws Exception {
    open(HarbourLamps.song());
    Path file = folder.resolve("lamps.wav");
    ui.answers.file = Optional.of(file);
    ui.press("page-sound-file");
    ui.run(() -> ((Button) ui.node("wav-write")).fire());
    ui.await(() -> Files.exists(file) && said().startsWith("Written: lamps.wav"));
    assertThat(Files.size(file)).isGreaterThan(40L * 44_100 * 4);
    Path other = folder.resolve("off.wav");
    ui.answers.file = Optional.of(other);
    ui.run(() -> ((Button) ui.node("wav-write")).fire());
    ui.run(() -> ((Button) ui.node("leave-off")).fire());
    ui.await(() -> said().startsWith("Left off"));
    // What there is of it goes as soon as its writer hears of it.
    ui.await(() -> folder.toFile().list().length == 1);
    try (Stream<Path> all = Files.list(folder)) {
      assertThat(all).containsExactly(file);
    }
  }

  @Test
  void the_right_button_on_a_tab_offers_what_can_be_done_to_it() throws Exception {
    open(HarbourLamps.song());
    Node tab = ui.node("track-tab-2");
    Bounds at = ui.get(() -> tab.localToScreen(tab.getBoundsInLocal()));
    ui.run(() -> robot.mouseMove(at.getMinX() + 14, at.getCenterY()));
    ui.run(() -> robot.mousePress(MouseButton.SECONDARY));
    ui.run(() -> robot.mouseRelease(MouseButton.SECONDARY));
    ui.await(() -> track().name().equals("Hull"));
    assertThat(ui.get(() -> Window.getWindows().size())).isGreaterThan(1);
    type(KeyCode.ESCAPE);
  }

  private Path soundFile(String shipped, String place) throws Exception {
    Path file = Files.createDirectories(folder.resolve(place)).resolve("mine.sf2");
    try (InputStream in = SoundLibrary.class.getResourceAsStream(shipped)) {
      Files.copy(in, file);
    }
    return file;
  }

  private void add(Path file) throws Exception {
    ui.answers.file = Optional.of(file);
    ui.run(() -> ui.window.commands().get("sound-file-add").press().run());
    ui.await(() -> said().startsWith("mine.sf2 has "));
  }

  @Test
  void a_sound_of_ones_own_that_is_missing_is_told_and_plays_again_once_its_file_is_added()
      throws Exception {
    Path choir = soundFile("choir.sf2", "a");
    Path organ = soundFile("drawbar-organ.sf2", "b");
    Instrument wanted = OwnFile.open(choir).instruments().getFirst();
    Song song = HarbourLamps.song();
    Song own =
        song.withTrack(song.tracks().getFirst().id(), t -> t.withInstrument(wanted, t.channel()));
    open(own);
    ui.await(() -> said().startsWith(wanted.own().name() + " of mine.sf2 is not here"));
    assertThat(ui.engine.library().has(wanted)).isFalse();
    add(organ);
    assertThat(ui.engine.library().has(wanted)).as("another file of that name").isFalse();
    add(choir);
    assertThat(ui.engine.library().has(wanted)).isTrue();
    type(KeyCode.CONTROL, KeyCode.B);
    assertThat(ui.get(() -> ui.session.sounds().current())).contains(wanted);
    assertThat(ui.get(() -> ui.session.sounds().shown()))
        .as("both files of that name")
        .containsAll(OwnFile.open(organ).instruments());
    type(KeyCode.ESCAPE);
  }
}
