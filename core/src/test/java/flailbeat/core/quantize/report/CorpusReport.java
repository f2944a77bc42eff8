package flailbeat.core.quantize.report;

import flailbeat.core.files.SongFiles;
import flailbeat.core.model.Note;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.quantize.NotePlan;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.Quantizer;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Stream;

/**
 * Performs notated tunes, quantizes them and compares with their notation. The tunes are the
 * examples that come with Debian's abcmidi and abcm2ps, turned into MIDI files by abc2midi; see
 * .ci/run. Fails when Fit finds less than rounding does, or less than 98.5 % in the mean.
 */
final class CorpusReport {
  private static final int LEAST_NOTES = 16;
  private static final double ON_GRID = 0.97;
  private static final double WANTED = 98.5;
  private static final List<String> GRIDS = List.of("1/8", "1/8T", "1/16", "1/16+1/8T");

  private CorpusReport() {}

  private record Tally(int notes, int nearest, int fit) {}

  public static void main(String[] words) throws IOException {
    List<Path> files;
    try (Stream<Path> all = Files.list(Path.of(words[0]))) {
      files = all.filter(f -> f.toString().endsWith(".mid")).sorted().toList();
    }
    int notes = 0;
    int nearest = 0;
    int fit = 0;
    int tunes = 0;
    for (Path file : files) {
      Song song = SongFiles.standard().read(file).song();
      for (int track = 0; track < song.tracks().size(); track++) {
        List<Note> notated = song.tracks().get(track).notes();
        String grid = gridOf(notated, song);
        if (!grid.isEmpty()) {
          Tally tally = perform(song, notated, grid, 31L * tunes + track);
          tunes++;
          notes += tally.notes();
          nearest += tally.nearest();
          fit += tally.fit();
        }
      }
    }
    double fitPercent = 100.0 * fit / Math.max(1, notes);
    System.out.printf(
        Locale.ROOT,
        "%d parts of %d files, %d notes: rounding %.2f %%, Fit %.2f %%%n",
        tunes,
        files.size(),
        notes,
        100.0 * nearest / Math.max(1, notes),
        fitPercent);
    if (tunes == 0 || fit < nearest || fitPercent < WANTED) {
      throw new IllegalStateException("That is less than is wanted");
    }
  }

  /** The coarsest grid that the notation stands on; empty for none, or too few notes. */
  private static String gridOf(List<Note> notes, Song song) {
    for (String grid : GRIDS) {
      GridLines lines = new GridLines(Grid.parse(grid), song.meters());
      long on = notes.stream().filter(n -> isOn(lines, n.onset())).count();
      if (notes.size() >= LEAST_NOTES && on >= ON_GRID * notes.size()) {
        return grid;
      }
    }
    return "";
  }

  private static boolean isOn(GridLines lines, long tick) {
    return Math.abs(lines.nearest(tick) - tick) <= 2;
  }

  private static Tally perform(Song song, List<Note> notated, String grid, long seed) {
    Random random = new Random(seed);
    double lag = -30 + random.nextInt(90);
    double spread = 10 + random.nextInt(12);
    double creep = (random.nextInt(3) - 1) * 0.001;
    GridLines lines = new GridLines(Grid.parse(grid), song.meters());
    List<Note> performed = new ArrayList<>();
    for (Note note : notated) {
      double ms = song.tempos().nanosAt(note.onset()) / 1e6;
      double late = lag + creep * ms + spread * random.nextGaussian();
      long onset = song.tempos().tickAt(Math.round((ms + late) * 1e6));
      Played played = new Played(onset, onset + note.length());
      performed.add(Note.asPlayed(note.id(), note.pitch(), note.velocity(), played));
    }
    int[] right = new int[2];
    int counted = 0;
    QuantizeSettings rounding = QuantizeSettings.standard().withGrid(Grid.parse(grid));
    QuantizeSettings fit = QuantizeSettings.recommended().withGrid(Grid.parse(grid));
    QuantizeSettings[] both = {rounding, fit};
    for (int m = 0; m < 2; m++) {
      var plan = Quantizer.of(both[m], song.tempos(), song.meters()).plan(performed, List.of());
      counted = 0;
      for (NotePlan note : plan.notes()) {
        Note meant =
            notated.stream().filter(n -> n.id().equals(note.note().id())).findFirst().orElseThrow();
        if (isOn(lines, meant.onset())) {
          counted++;
          right[m] += Math.abs(note.line() - meant.onset()) <= 2 ? 1 : 0;
        }
      }
    }
    return new Tally(counted, right[0], right[1]);
  }
}
