package flailbeat.app.view.map;

import flailbeat.core.model.Song;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.NoteValue;

/** The lines that the mouse goes by on the large map: bars, or as fine as there is room for. */
final class MapLines {
  private static final double LEAST_PIXELS = 14;
  private static final int FINEST = 16;

  private MapLines() {}

  static GridLines of(Song song, double pixelsPerTick) {
    int denominator = FINEST;
    while (denominator > 1
        && NoteValue.straight(denominator).ticks() * pixelsPerTick < LEAST_PIXELS) {
      denominator /= 2;
    }
    return new GridLines(Grid.of(NoteValue.straight(denominator)), song.meters());
  }
}
