package flailbeat.core.edit.clips;

import flailbeat.core.edit.Edit;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.ClipId;
import java.util.Set;

/**
 * Edges of clips moved together, by so many ticks.
 *
 * @param start whether it is where they begin; else it is where they end
 * @param beyond what an end does that is moved beyond what is in the clip
 */
public record ClipsResized(Set<ClipId> ids, boolean start, long ticks, ClipShapes.Beyond beyond)
    implements Edit {
  public ClipsResized {
    ids = Set.copyOf(ids);
  }

  @Override
  public boolean isNothing() {
    return ids.isEmpty() || ticks == 0;
  }

  @Override
  public String label() {
    return "Resize " + ClipsMoved.words(ids.size());
  }

  @Override
  public Song apply(Song song) {
    return start
        ? ClipShapes.resizeStart(song, ids, ticks)
        : ClipShapes.resizeEnd(song, ids, ticks, beyond);
  }
}
