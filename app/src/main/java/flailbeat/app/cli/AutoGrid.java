package flailbeat.app.cli;

import flailbeat.core.model.Song;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.SongGrid;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.time.GridLines;
import flailbeat.core.work.Progress;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/** Finds the grid that some tracks are quantized by, and says which. */
final class AutoGrid {
  private final Path in;
  private final PrintWriter err;
  private final double swing;

  /**
   * What tracks are quantized by.
   *
   * @param song what is of all that do not go their own way
   * @param each one for each track
   */
  record Chosen(QuantizeSettings song, List<QuantizeSettings> each) {
    Chosen {
      each = List.copyOf(each);
    }

    /** The same for so many tracks. */
    static Chosen alike(QuantizeSettings settings, int tracks) {
      return new Chosen(settings, Collections.nCopies(tracks, settings));
    }
  }

  /**
   * For a file.
   *
   * @param err where it is said
   * @param swing that was given; even for what is found
   */
  AutoGrid(Path in, PrintWriter err, double swing) {
    this.in = in;
    this.err = err;
    this.swing = swing;
  }

  /**
   * The grid that explains all tracks best, with its swing unless one was given; of a track that
   * surely goes its own way, its own.
   */
  Chosen find(QuantizeSettings settings, Song song, List<Integer> chosen) throws CommandFault {
    SongGrid.Found found =
        new SongGrid(new WhichGrid(settings, song.tempos(), song.meters()))
            .find(chosen.stream().map(i -> song.tracks().get(i).notes()).toList(), Progress.NONE);
    if (found.song().isEmpty()) {
      throw new CommandFault(
          CommandLineApp.shown(in) + ": it takes two notes at least to find a grid; give --grid");
    }
    WhichGrid.Match best = found.song().getFirst();
    err.printf(Locale.ROOT, "grid %s (%.0f %%)%n", best, 100 * best.probability());
    List<QuantizeSettings> each = new ArrayList<>();
    for (int i = 0; i < chosen.size(); i++) {
      WhichGrid.Match match = found.of(i);
      each.add(on(settings, match));
      if (found.parts().get(i).goesOwnWay()) {
        err.printf(
            Locale.ROOT,
            "track %d (%s) goes its own way: grid %s (%.0f %%)%n",
            chosen.get(i) + 1,
            CommandLineApp.plain(song.tracks().get(chosen.get(i)).name()),
            match,
            100 * match.probability());
      }
    }
    return new Chosen(on(settings, best), each);
  }

  private QuantizeSettings on(QuantizeSettings settings, WhichGrid.Match match) {
    double wanted = swing == GridLines.EVEN ? match.swing() : swing;
    return settings.withGrid(match.grid()).withSwing(wanted);
  }
}
