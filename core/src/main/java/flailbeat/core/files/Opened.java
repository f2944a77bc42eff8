package flailbeat.core.files;

import flailbeat.core.model.Song;
import java.util.List;

/**
 * A song that was read.
 *
 * @param damage what was wrong with the file, in one line; empty for a sound one
 * @param loss what of it was lost, counted, in one line; empty for a sound one
 * @param remarks what had to be mended on the way
 */
public record Opened(Song song, String damage, String loss, List<String> remarks) {
  /** The same with other remarks. */
  public Opened withRemarks(List<String> value) {
    return new Opened(song, damage, loss, value);
  }

  public boolean isSound() {
    return damage.isEmpty();
  }
}
