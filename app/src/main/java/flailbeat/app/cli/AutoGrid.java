package flailbeat.app.cli;

import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.quantize.SongPlans;
import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.grids.SongGrid;
import flailbeat.core.quantize.grids.SwingSections;
import flailbeat.core.quantize.grids.SwingSections.Section;
import flailbeat.core.time.GridLines;
import flailbeat.core.work.Progress;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
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
   * @param pieces of each track one, or several where its swing changes
   */
  record Chosen(QuantizeSettings song, List<Piece> pieces) {
    Chosen {
      pieces = List.copyOf(pieces);
    }

    /** The same for some tracks. */
    static Chosen alike(QuantizeSettings settings, Song song, List<Integer> tracks) {
      return new Chosen(
          settings, tracks.stream().map(t -> Piece.whole(t, song, settings)).toList());
    }
  }

  /**
   * Notes that are quantized alike.
   *
   * @param track the number of their track, from 0
   */
  record Piece(int track, List<Note> notes, QuantizeSettings settings) {
    Piece {
      notes = List.copyOf(notes);
    }

    static Piece whole(int track, Song song, QuantizeSettings settings) {
      return new Piece(track, song.tracks().get(track).notes(), settings);
    }

    SongPlans.Asked in(Song song) {
      return new SongPlans.Asked(song.tracks().get(track), notes, settings);
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
    List<Piece> pieces = new ArrayList<>();
    for (int i = 0; i < chosen.size(); i++) {
      WhichGrid.Match match = found.of(i);
      pieces.addAll(pieces(chosen.get(i), song, on(settings, match)));
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
    return new Chosen(on(settings, best), pieces);
  }

  /** The stretches of a track in which its swing is the same, unless one was given. */
  private List<Piece> pieces(int track, Song song, QuantizeSettings settings) {
    List<Section> sections =
        swing != GridLines.EVEN
            ? List.of()
            : new SwingSections(
                    new WhichGrid(settings, song.tempos(), song.meters()), song.meters())
                .find(song.tracks().get(track).notes(), settings.grid(), Progress.NONE);
    if (sections.size() < 2) {
      return List.of(Piece.whole(track, song, settings));
    }
    for (Section section : sections) {
      err.printf(
          Locale.ROOT,
          "track %d (%s), %s%n",
          track + 1,
          CommandLineApp.plain(song.tracks().get(track).name()),
          section.inWords(song.meters()));
    }
    return sections.stream()
        .map(s -> new Piece(track, s.notes(), settings.withSwing(s.swing())))
        .toList();
  }

  private QuantizeSettings on(QuantizeSettings settings, WhichGrid.Match match) {
    double wanted = swing == GridLines.EVEN ? match.swing() : swing;
    return settings.withGrid(match.grid()).withSwing(wanted);
  }
}
