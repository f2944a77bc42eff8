package flailbeat.app.window;

import flailbeat.core.chore.Cleanup;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.edit.clips.ClipShapes.Beyond;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.edit.notes.NoteTools;
import flailbeat.core.files.SongFiles;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.session.person.Appearance;
import flailbeat.core.session.person.Appearance.Colours;
import flailbeat.core.time.Tempo;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * Takes the pictures in {@code docs/screenshots} anew, from the demo: {@code mvn test -pl app
 * -Dtest=Pictures -Dpictures=../docs/screenshots}.
 */
@EnabledIfSystemProperty(named = "pictures", matches = ".+")
class Pictures {
  private static final Path FOLDER = Path.of(System.getProperty("pictures", "."));
  private static final long BAR = 3840;

  private WindowUnderTest ui;

  private void open(double width, double height) throws Exception {
    ui = WindowUnderTest.open(width, height);
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    settle();
  }

  private void settle() throws Exception {
    for (int i = 0; i < 8; i++) {
      Thread.sleep(40);
      ui.run(() -> {});
    }
  }

  private void command(String id) {
    ui.run(() -> ui.window.commands().get(id).press().run());
  }

  private void colours(Colours wanted) {
    ui.run(() -> ui.session.person().appearance().set(new Appearance.Kept(wanted, 100)));
  }

  private BufferedImage picture() throws Exception {
    settle();
    WritableImage image = ui.get(() -> ui.stage.getScene().snapshot(null));
    int w = (int) image.getWidth();
    int h = (int) image.getHeight();
    BufferedImage result = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    PixelReader pixels = image.getPixelReader();
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        result.setRGB(x, y, pixels.getArgb(x, y));
      }
    }
    return result;
  }

  private void take(String name) throws Exception {
    write(picture(), name);
  }

  private static void write(BufferedImage picture, String name) throws Exception {
    ImageIO.write(picture, "png", FOLDER.resolve(name + ".png").toFile());
  }

  @Test
  void the_bench_by_day_and_by_night_and_what_is_asked_and_shown_there() throws Exception {
    open(1280, 800);
    take("main");
    colours(Colours.NIGHT);
    take("night");
    command("decide");
    ui.run(() -> ui.session.doubts().step(1));
    take("doubtful");
    ui.run(() -> ui.session.doubts().leave());
    colours(Colours.DAY);
    command("find-command");
    take("finder");
    ui.close();
  }

  private static Set<ClipId> clip(Song song, int track, int index) {
    return Set.of(song.tracks().get(track).clips().get(index).id());
  }

  private static Song named(Song song, int track, int index, String name) {
    return ClipShapes.traits(song, clip(song, track, index), t -> t.withName(name));
  }

  /** One clip of a track left, with so many bars in it, which goes round up to another bar. */
  private static Song looping(Song song, int track, int bars, int until, String name) {
    Song split = ClipShapes.split(song, clip(song, track, 0), bars * BAR);
    Song first = ClipShapes.delete(split, clip(split, track, 1), false);
    Song looped =
        ClipShapes.resizeEnd(first, clip(first, track, 0), (until - bars) * BAR, Beyond.LOOP);
    return named(looped, track, 0, name);
  }

  private static Song copied(Song song, int track, int index, int bars) {
    return ClipMoves.copy(song, clip(song, track, index), bars * BAR, 0, true, Landing.OVER);
  }

  /** Harbour Lamps laid out: a theme that comes again, a walk and brushes that go round. */
  private static Song laidOut() {
    Song song = HarbourLamps.song();
    for (int bar : new int[] {4, 8, 12}) {
      Song before = song;
      Set<ClipId> all = new HashSet<>();
      before.tracks().get(0).clips().forEach(c -> all.add(c.id()));
      song = ClipShapes.split(before, all, bar * BAR);
    }
    song = named(named(named(song, 0, 0, "theme"), 0, 1, "answer"), 0, 3, "last time");
    song = copied(song, 0, 0, 8);
    song = looping(song, 1, 4, 12, "walk");
    song = copied(song, 1, 0, 12);
    song = ClipShapes.resizeEnd(song, clip(song, 1, 1), -8 * BAR, Beyond.LOOP);
    song = looping(song, 2, 2, 7, "brushes");
    song = copied(song, 2, 0, 8);
    song = ClipShapes.resizeEnd(song, clip(song, 2, 1), BAR, Beyond.LOOP);
    song = ClipShapes.split(song, clip(song, 3, 0), 8 * BAR);
    song = named(named(song, 3, 0, "fog"), 3, 1, "fog, low");
    return ClipShapes.traits(song, clip(song, 3, 1), t -> t.withTranspose(-12));
  }

  @Test
  void the_large_map_and_a_clip_in_hand() throws Exception {
    open(1280, 800);
    ui.run(() -> ui.session.open(laidOut(), Optional.empty()));
    command("map-large");
    command("page-clip");
    ui.run(() -> ui.session.document().select(Selection.ofClips(clip(ui.session.song(), 2, 1))));
    ui.run(() -> ui.session.document().chooseClip(clip(ui.session.song(), 2, 1).iterator().next()));
    take("map");
    ui.run(
        () -> ui.session.editing().edit("Less", s -> ClipShapes.delete(s, clip(s, 2, 1), false)));
    ui.run(() -> ui.session.document().select(Selection.ofClips(clip(ui.session.song(), 2, 0))));
    ui.run(() -> ui.session.clips().setLinking(true));
    ui.close();
  }

  @Test
  void sounds() throws Exception {
    open(1280, 800);
    ui.run(() -> ui.session.document().chooseTrack(ui.session.song().tracks().get(2).id()));
    command("sound-choose");
    ui.run(() -> ui.session.sounds().step(-1));
    ui.run(() -> ui.session.sounds().toggleFavourite());
    take("sounds");
    command("sounds-leave");
    ui.close();
  }

  @Test
  void keys_steps_and_sheets() throws Exception {
    open(1280, 800);
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.STEPS));
    ui.run(() -> ui.session.steps().moveTo(4 * 3840));
    take("steps");
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.COMMANDS));
    command("page-keys");
    take("keys");
    command("keys-sheet");
    take("sheet");
    ui.close();
  }

  @Test
  void a_lesson_help_a_control_that_has_the_keys_and_large_texts() throws Exception {
    open(1280, 800);
    command("controls");
    take("controls");
    ui.run(() -> ui.stage.getScene().getRoot().requestFocus());
    command("help");
    ui.run(() -> ((TextInputControl) ui.node("help-words")).setText("loop"));
    take("help");
    ui.run(() -> ui.stage.getScene().getRoot().requestFocus());
    ui.run(() -> ui.session.person().appearance().set(new Appearance.Kept(Colours.DAY, 200)));
    take("large");
    ui.run(() -> ui.session.person().appearance().set(new Appearance.Kept(Colours.DAY, 100)));
    command("lesson-late");
    command("play");
    command("play");
    take("lesson");
    ui.close();
  }

  @Test
  void pages_lanes_and_chores() throws Exception {
    open(1280, 800);
    command("page-list");
    command("lanes");
    command("note-panel");
    ui.run(
        () -> {
          List<Note> notes = ui.session.document().track().notes();
          ui.session.document().select(Selection.of(notes.subList(5, 12)));
        });
    take("lanes");
    command("note-panel");
    command("lanes");
    command("page-chores");
    ui.run(() -> ui.session.document().select(Selection.NONE));
    ui.run(() -> ui.session.chores().tryOut(Cleanup.FADE));
    take("chores");
    ui.close();
  }

  /** The chords of the demo, one that is held, and some that are typed. */
  @Test
  void chords_over_the_notes_and_by_name() throws Exception {
    open(1280, 800);
    ui.run(() -> ui.session.document().chooseTrack(ui.session.song().tracks().get(3).id()));
    command("chord-strip");
    command("page-chords");
    ui.run(() -> ui.session.runControl().seek(3 * BAR));
    long now = System.nanoTime();
    for (int pitch : new int[] {60, 64, 67, 69}) {
      ui.run(() -> ui.session.performer().pressOnDevice(pitch, 80, now));
    }
    ui.run(() -> ((TextField) ui.node("chords-typed")).setText("Dm7 G13 | Cmaj7 F6/C | Bbmaj7"));
    take("chords");
    ui.close();
  }

  /** Two songs are lost, one of them while it was being played. */
  @Test
  void what_was_lost_is_offered() throws Exception {
    open(1280, 800);
    ui.run(() -> ui.session.tracks().remove());
    ui.run(() -> ui.session.document().name("Night ferry"));
    Path state = lose();
    ui = WindowUnderTest.open(1280, 800, state);
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    ui.run(() -> ui.session.notes().apply("Legato", NoteTools::legato));
    long now = System.nanoTime();
    for (int i = 0; i < 7; i++) {
      int pitch = 60 + 2 * i;
      ui.run(() -> ui.session.performer().pressOnDevice(pitch, 80, now));
      ui.run(() -> ui.session.performer().releaseOnDevice(pitch, now + 100));
    }
    state = lose();
    ui = WindowUnderTest.open(1280, 800, state);
    settle();
    ui.run(ui.window.lost()::lookAtStart);
    ui.await(() -> ui.node("lost-pane").isVisible());
    take("lost");
    ui.close();
  }

  /** As a killed program leaves its journal. */
  private Path lose() throws Exception {
    settle();
    ui.safe.keeper().flush(5_000);
    ui.safe.locks().close();
    ui.run(ui.window::close);
    return ui.state;
  }

  @Test
  void what_was_saved_over_is_there() throws Exception {
    ui = WindowUnderTest.open(1280, 800);
    Path file = ui.state.resolve("Harbour Lamps.flail");
    SongFiles.standard().write(HarbourLamps.song(), file);
    ui.run(() -> ui.window.files().open(file));
    ui.await(() -> ui.session.notices().current().text().startsWith("Opened"));
    saveAfter(() -> ui.session.notes().apply("Legato", NoteTools::legato));
    saveAfter(
        () -> ui.session.editing().edit("Tempo", s -> SongEdits.setTempo(s, Tempo.ofBpm(100))));
    saveAfter(() -> ui.session.tracks().remove());
    command("page-versions");
    ui.await(() -> ui.node("versions-rows").lookup(".version") != null);
    ui.run(() -> ((ButtonBase) ui.node("versions-rows").lookup(".version")).fire());
    ui.await(() -> ui.node("version-hear") != null && ui.node("version-hear").isVisible());
    take("versions");
    ui.close();
  }

  private void saveAfter(Runnable edit) throws Exception {
    ui.run(edit);
    ui.run(() -> ui.session.notices().tell(""));
    ui.run(ui.window.files()::save);
    ui.await(() -> ui.session.notices().current().text().startsWith("Saved"));
    // Versions are told apart by the second.
    Thread.sleep(1_100);
  }
}
