package flailbeat.core.session.timing;

import flailbeat.core.quantize.WhichGrid;
import flailbeat.core.quantize.grids.SongGrid;
import flailbeat.core.quantize.grids.SwingSections;
import java.util.List;
import java.util.Optional;

/**
 * Which grids were found.
 *
 * @param own those that explain the notes in scope, the likeliest first; none for fewer than two
 * @param song those of all tracks together; empty for a song with one
 * @param sections where the swing of the notes in scope changes, on the first of their grids; none
 *     where it does not
 * @param otherwise the names of tracks that surely go their own way, with their grids
 */
public record GridsFound(
    List<WhichGrid.Match> own,
    List<SwingSections.Section> sections,
    Optional<SongGrid.Found> song,
    List<String> otherwise) {
  public GridsFound {
    own = List.copyOf(own);
    sections = List.copyOf(sections);
    otherwise = List.copyOf(otherwise);
  }
}
