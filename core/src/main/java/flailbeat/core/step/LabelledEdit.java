package flailbeat.core.step;

import flailbeat.core.edit.Edit;
import flailbeat.core.model.Song;
import java.util.function.UnaryOperator;

/** What a key does to the song. */
record LabelledEdit(String label, UnaryOperator<Song> change) implements Edit {
  @Override
  public boolean isNothing() {
    return false;
  }

  @Override
  public Song apply(Song song) {
    return change.apply(song);
  }
}
