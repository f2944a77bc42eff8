package flailbeat.core.edit.clips;

import flailbeat.core.edit.Edit;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import java.util.Set;

/**
 * Clips moved or copied together.
 *
 * @param tracks by so many tracks down the song's list, or up where less than 0
 */
public record ClipsMoved(Set<ClipId> ids, long ticks, int tracks, What what, Landing landing)
    implements Edit {
  /** What becomes of the clips themselves. */
  public enum What {
    /** They come along. */
    MOVE("Move"),
    /** They stay, and copies are laid down that have what is in them for themselves. */
    COPY("Copy"),
    /** They stay, and copies are laid down that share what is in them. */
    LINK("Linked copy of");

    private final String words;

    What(String words) {
      this.words = words;
    }
  }

  public ClipsMoved {
    ids = Set.copyOf(ids);
  }

  @Override
  public boolean isNothing() {
    return ids.isEmpty() || ticks == 0 && tracks == 0;
  }

  @Override
  public String label() {
    return what.words + " " + words(ids.size());
  }

  @Override
  public Song apply(Song song) {
    return what == What.MOVE
        ? ClipMoves.move(song, ids, ticks, tracks, landing)
        : ClipMoves.copy(song, ids, ticks, tracks, what == What.LINK, landing);
  }

  /** So many clips, in words. */
  public static String words(int count) {
    return count == 1 ? "clip" : count + " clips";
  }
}
