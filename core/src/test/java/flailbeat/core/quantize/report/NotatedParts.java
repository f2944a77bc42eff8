package flailbeat.core.quantize.report;

import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A part as it is notated: tunes written in ABC, turned into MIDI files by abc2midi; see .ci/run.
 *
 * @param grid the coarsest on which it stands
 */
record NotatedParts(Song song, List<Note> notes, Grid grid) {
  private static final int LEAST_NOTES = 16;
  private static final double ON_GRID = 0.97;
  private static final List<String> GRIDS = List.of("1/8", "1/8T", "1/16", "1/16+1/8T");

  /** abc2midi lets a note end some ticks before its time. */
  private static final int NEAR = 5;

  /** Those of the MIDI files of a folder, in order of their names, that stand on a grid. */
  static List<NotatedParts> of(Path folder) throws IOException {
    List<Path> files;
    try (Stream<Path> all = Files.walk(folder)) {
      files = all.filter(f -> f.toString().endsWith(".mid")).sorted().toList();
    }
    List<NotatedParts> result = new ArrayList<>();
    for (Path file : files) {
      Song song = SongFiles.standard().read(file).song();
      for (Track track : song.tracks()) {
        gridOf(track.notes(), song)
            .ifPresent(grid -> result.add(new NotatedParts(song, track.notes(), grid)));
      }
    }
    return result;
  }

  private static Optional<Grid> gridOf(List<Note> notes, Song song) {
    for (String name : GRIDS) {
      GridLines lines = new GridLines(Grid.parse(name), song.meters());
      long on = notes.stream().filter(n -> isNear(lines.nearest(n.onset()), n.onset())).count();
      if (notes.size() >= LEAST_NOTES && on >= ON_GRID * notes.size()) {
        return Optional.of(Grid.parse(name));
      }
    }
    return Optional.empty();
  }

  /** Whether two ticks are one, as far as a MIDI file tells. */
  static boolean isNear(long a, long b) {
    return Math.abs(a - b) <= NEAR;
  }

  /** Whether a tick is on the grid. */
  boolean isOn(long tick) {
    return isNear(new GridLines(grid, song.meters()).nearest(tick), tick);
  }
}
