package flailbeat.core.edit.clips;

import flailbeat.core.edit.Edit;
import flailbeat.core.model.Song;

/**
 * Clips in the hand laid down, one behind the other.
 *
 * @param tick where the first begins
 * @param track the number of the track for the first of them
 * @param times how often; 0 for not at all
 * @param linked whether what is laid shares what is in it
 */
public record ClipsLaid(
    ClipPattern pattern, long tick, int track, int times, boolean linked, Landing landing)
    implements Edit {
  /** The same laid so often. */
  public ClipsLaid times(int value) {
    return new ClipsLaid(pattern, tick, track, value, linked, landing);
  }

  @Override
  public boolean isNothing() {
    return times < 1;
  }

  @Override
  public String label() {
    return "Lay out " + ClipsMoved.words(pattern.parts().size()) + (times > 1 ? ", x" + times : "");
  }

  @Override
  public Song apply(Song song) {
    return isNothing() ? song : pattern.laidInto(song, tick, track, times, linked, landing);
  }
}
