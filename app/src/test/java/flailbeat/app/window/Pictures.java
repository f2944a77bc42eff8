package flailbeat.app.window;

import flailbeat.app.view.bench.BenchView;
import flailbeat.app.view.map.MapView;
import flailbeat.core.chore.Cleanup;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.Ids;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.Selection;
import flailbeat.core.edit.TakeEdits;
import flailbeat.core.edit.clips.ClipMoves;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.edit.clips.ClipShapes.Beyond;
import flailbeat.core.edit.clips.Landing;
import flailbeat.core.edit.notes.NotesDrawn;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.session.person.Appearance;
import flailbeat.core.session.person.Appearance.Colours;
import flailbeat.core.time.TickRange;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.event.EventType;
import javafx.scene.Node;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
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
  private static final int[] FOUR = {16, 64, 96, 127};

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
    colours(Colours.CONTRAST);
    take("contrast");
    colours(Colours.DAY);
    command("which-grid");
    take("which-grid");
    ui.run(() -> ui.session.timing().leaveGrids());
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
    command("clip-in-hand");
    Node field = ui.node("map-field");
    MapView map = (MapView) ui.node("large-map");
    for (EventType<MouseEvent> type :
        List.of(MouseEvent.MOUSE_MOVED, MouseEvent.MOUSE_PRESSED, MouseEvent.MOUSE_DRAGGED)) {
      long tick = type == MouseEvent.MOUSE_DRAGGED ? 17 * BAR : 8 * BAR + 20;
      ui.run(
          () ->
              MouseEvents.fire(
                  field,
                  type,
                  map.placeOf(tick, 2),
                  MouseButton.PRIMARY,
                  1,
                  new MouseEvents.Modifiers(false, false, false)));
    }
    take("map-in-hand");
    ui.run(map::cancelMouse);
    ui.close();
  }

  @Test
  void sounds_and_thirty_tracks_with_a_strip_and_what_goes_out() throws Exception {
    open(1280, 800);
    ui.run(() -> ui.session.document().chooseTrack(ui.session.song().tracks().get(2).id()));
    command("sound-choose");
    ui.run(() -> ui.session.sounds().step(-1));
    ui.run(() -> ui.session.sounds().toggleFavourite());
    take("sounds");
    command("sounds-leave");
    ui.run(() -> ui.session.open(many(HarbourLamps.song(), 30), Optional.empty()));
    ui.run(() -> ui.session.document().chooseTrack(ui.session.song().tracks().get(5).id()));
    command("track-strip");
    command("page-midi");
    ui.run(() -> ui.session.tracks().output(ui.session.document().track().id(), "Simulated port"));
    ui.run(() -> ui.session.run().playOrStop());
    Thread.sleep(2600);
    take("tracks");
    ui.run(() -> ui.session.run().stop());
    ui.close();
  }

  /** The same parts again and again, on many tracks. */
  private static Song many(Song song, int count) {
    List<Track> tracks = new ArrayList<>(song.tracks());
    Ids ids = new Ids(song.nextId());
    while (tracks.size() < count) {
      Track from = song.tracks().get(tracks.size() % 4);
      List<Clip> clips =
          from.clips().stream()
              .map(c -> ClipEdits.withNewIds(ClipEdits.own(c, ids), ids).withId(ids.clip()))
              .toList();
      tracks.add(
          Track.empty(
                  ids.track(),
                  from.name() + " " + (tracks.size() / 4 + 1),
                  from.instrument(),
                  from.channel())
              .withClips(clips));
    }
    return ids.recordedIn(song.withTracks(tracks));
  }

  @Test
  void keys_steps_and_sheets() throws Exception {
    open(1280, 800);
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.STEPS));
    ui.run(() -> ui.session.steps().moveTo(4 * 3840));
    take("steps");
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.COMMANDS));
    take("commands");
    command("page-keys");
    take("keys");
    command("keys-sheet");
    take("sheet");
    ui.close();
  }

  @Test
  void pages_lanes_chores_and_takes() throws Exception {
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
    ui.run(() -> ui.session.chores().leave());
    ui.run(
        () ->
            ui.session
                .editing()
                .edit(
                    "Takes",
                    s ->
                        TakeEdits.record(
                            s,
                            s.tracks().get(0).id(),
                            again(s),
                            List.of(),
                            new TickRange(0, 8 * 3840))));
    command("page-recording");
    take("takes");
    ui.close();
  }

  /** The first eight bars once more, a little otherwise. */
  private static List<NewNote> again(Song song) {
    List<NewNote> result = new ArrayList<>();
    for (Note note : song.tracks().get(0).notes()) {
      if (note.end() < 8 * 3840 && note.idNumber() % 5 != 0) {
        int velocity = Math.clamp(30 + (int) (note.idNumber() * 37 % 97), 1, 127);
        Played played = new Played(note.onset() + 20, note.end() + 40);
        result.add(new NewNote(note.pitch() - 5, velocity, played, note.onset() + 20));
      }
    }
    return result;
  }

  /** Four loudnesses, ppp, mp, f and fff, 12 pixels high, in colour and in grey. */
  @Test
  void four_loudnesses() throws Exception {
    open(1280, 800);
    ui.run(
        () -> {
          ui.session.open(Song.empty(), Optional.empty());
          List<NewNote> notes = new ArrayList<>();
          for (int i = 0; i < 16; i++) {
            long onset = i * 960L;
            int off = i % 3 == 0 ? 0 : i % 3 == 1 ? -60 : 70;
            Played played = new Played(Math.max(0, onset + off), onset + off + 700);
            notes.add(new NewNote(60 + i % 4, FOUR[i % 4], played, Math.max(0, onset + off)));
          }
          ui.session.editing().carryOut(new NotesDrawn(ui.session.document().track().id(), notes));
        });
    BenchView bench = (BenchView) ui.node("bench");
    ui.run(bench::fit);
    BufferedImage whole = picture();
    BufferedImage part = whole.getSubimage(0, 120, 640, 370);
    BufferedImage both = new BufferedImage(1280, 370, BufferedImage.TYPE_INT_RGB);
    both.getGraphics().drawImage(part, 0, 0, null);
    for (int y = 0; y < 370; y++) {
      for (int x = 0; x < 640; x++) {
        int rgb = part.getRGB(x, y);
        int grey =
            (int)
                Math.round(
                    0.299 * (rgb >> 16 & 255) + 0.587 * (rgb >> 8 & 255) + 0.114 * (rgb & 255));
        both.setRGB(640 + x, y, grey << 16 | grey << 8 | grey);
      }
    }
    write(both, "loudness");
    ui.close();
  }
}
