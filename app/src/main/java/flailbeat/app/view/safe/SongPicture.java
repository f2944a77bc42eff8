package flailbeat.app.view.safe;

import flailbeat.app.control.Palette;
import flailbeat.app.control.Palette.Ink;
import flailbeat.core.edit.tracks.TrackEdits;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import java.util.IntSummaryStatistics;
import java.util.List;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;

/** All notes of a song, small: what one knows it by. */
final class SongPicture extends Canvas {
  /** More notes than this would lie upon one another. */
  private static final int MOST = 4_000;

  private static final double LEAST = 1.5;
  private static final double THICK = 2;

  /** Two octaves: a melody of few pitches is not drawn as if it leapt about. */
  private static final int LEAST_RANGE = 24;

  private final Palette palette;

  SongPicture(Palette palette, double width, double height) {
    super(width, height);
    this.palette = palette;
  }

  void show(Song song) {
    GraphicsContext g = getGraphicsContext2D();
    g.clearRect(0, 0, getWidth(), getHeight());
    long end = Math.max(1, song.end());
    IntSummaryStatistics pitches =
        song.tracks().stream()
            .flatMap(t -> t.notes().stream())
            .mapToInt(Note::pitch)
            .summaryStatistics();
    int low = pitches.getMin();
    int high = pitches.getMax();
    for (Track track : song.tracks()) {
      g.setFill(palette.color(Ink.ofTrack(TrackEdits.color(song, track))));
      List<Note> notes = track.placed().sounding();
      int step = Math.max(1, notes.size() / MOST);
      for (int n = 0; n < notes.size(); n += step) {
        Note note = notes.get(n);
        double x = getWidth() * note.onset() / end;
        double width = Math.max(LEAST, getWidth() * note.length() / end - 1);
        double y =
            (getHeight() - THICK) * (high - note.pitch()) / Math.max(LEAST_RANGE, high - low);
        g.fillRect(x, y, width, THICK);
      }
    }
  }
}
