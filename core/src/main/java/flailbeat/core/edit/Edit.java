package flailbeat.core.edit;

import flailbeat.core.model.Song;
import java.util.function.UnaryOperator;

/**
 * A change of a song as a value: what is shown of it while it goes on, and what it does in the end.
 */
public interface Edit extends UnaryOperator<Song> {
  /** Whether it changes nothing. */
  boolean isNothing();

  /** What it is called, as the undo command shows it. */
  String label();
}
