package flailbeat.app.window;

import flailbeat.app.view.map.MapView;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.TickRange;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Measures frames of the large map in the real window, with 64 tracks, 2,000 clips and 200,000
 * notes: see {@link Frames}. docs/performance.md tells how to run it.
 */
@Tag("bench")
class MapBench {
  private static final int TRACKS = 64;
  private static final int CLIPS = 32;
  private static final int NOTES = 100;
  private static final long BAR = 3840;

  private WindowUnderTest ui;
  private Node field;
  private MapView map;

  private static Song song() {
    Random random = new Random(5);
    Song song = Song.empty();
    while (song.tracks().size() < TRACKS) {
      song = SongEdits.addTrack(song, Instrument.melodic(0));
    }
    long id = 1000;
    List<Track> tracks = new ArrayList<>();
    for (Track track : song.tracks()) {
      List<Clip> clips = new ArrayList<>();
      for (int i = 0; i < CLIPS; i++) {
        TickRange range = new TickRange(i * 4 * BAR, (i * 4 + 4) * BAR);
        List<Note> notes = new ArrayList<>();
        for (int n = 0; n < NOTES; n++) {
          long onset = range.start() + n * 150L + random.nextInt(40);
          notes.add(
              Note.placed(
                  new NoteId(id++), 36 + random.nextInt(48), 1 + random.nextInt(127), onset, 200));
        }
        clips.add(Clip.of(new ClipId(id++), range, notes));
      }
      tracks.add(track.withClips(clips));
    }
    return song.withTracks(tracks).withNextId(id);
  }

  @Test
  void frames_of_two_thousand_clips() throws Exception {
    ui = WindowUnderTest.openWithBackground(1280, 800);
    Path file = Files.createTempFile("many", ".flail");
    try {
      Song song = song();
      SongFiles.standard().write(song, file);
      long begun = System.nanoTime();
      Song read = SongFiles.standard().read(file).song();
      long opened = System.nanoTime();
      ui.run(() -> ui.session.open(read, Optional.empty()));
      ui.choose("map-large");
      ui.run(() -> ui.stage.getScene().getRoot().layout());
      System.out.printf(
          Locale.ROOT,
          "   %d clips, %d notes: read in %.0f ms, in sight %.0f ms later%n",
          song.tracks().stream().mapToInt(t -> t.clips().size()).sum(),
          song.noteCount(),
          (opened - begun) / 1e6,
          (System.nanoTime() - opened) / 1e6);
      map = (MapView) ui.node("large-map");
      field = ui.node("map-field");
      measure(
          "scrolling, the whole song in sight", i -> scroll(i % 20 < 10 ? -40 : 40, false, false));
      measure("zooming", i -> scroll(i % 60 < 30 ? -60 : 60, false, true));
      ui.run(map::fit);
      ui.run(() -> ui.session.runControl().play());
      measure("playing", i -> {});
      ui.run(() -> ui.session.run().stop());
      dragging();
      ui.run(() -> map.zoom(8));
      measure(
          "scrolling in time, eight times larger",
          i -> scroll(i % 80 < 40 ? -40 : 40, true, false));
    } finally {
      ui.close();
      Files.delete(file);
    }
  }

  private void dragging() throws Exception {
    List<Clip> hundred =
        ui.get(
            () ->
                ui.session.song().tracks().stream()
                    .flatMap(t -> t.clips().subList(4, 14).stream())
                    .limit(100)
                    .collect(Collectors.toList()));
    ui.run(() -> ui.session.clips().choice().select(hundred));
    Point2D at = ui.get(() -> map.placeOf(hundred.get(0).start() + BAR, 0));
    mouse(MouseEvent.MOUSE_PRESSED, at);
    measure(
        "dragging 100 clips, a move each frame",
        i -> fire(MouseEvent.MOUSE_DRAGGED, at.add(10 + i % 60, 0)));
    ui.run(map::cancelMouse);
  }

  private void mouse(EventType<MouseEvent> type, Point2D at) {
    ui.run(() -> fire(type, at));
  }

  private void fire(EventType<MouseEvent> type, Point2D at) {
    MouseEvents.fire(
        field, type, at, MouseButton.PRIMARY, 1, new MouseEvents.Modifiers(false, false, false));
  }

  private void scroll(double amount, boolean shift, boolean control) {
    MouseEvents.scroll(
        field, new Point2D(400, 150), amount, new MouseEvents.Modifiers(shift, control, false));
  }

  private void measure(String what, java.util.function.IntConsumer each) throws Exception {
    Frames.measure(ui, what, each);
  }
}
