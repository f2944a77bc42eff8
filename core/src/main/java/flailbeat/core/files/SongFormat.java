package flailbeat.core.files;

import flailbeat.core.format.SafeFile;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** A format in which songs stand in files. One more is a class like this, and a line in a table. */
public interface SongFormat {
  /** What it is called in a message, such as {@code MIDI file}. */
  String name();

  /** What the names of its files end in, in small letters with the dot; the first is written. */
  List<String> endings();

  /**
   * Reads a song; what can be saved of a damaged file is, with the loss told.
   *
   * @throws IOException where nothing can be read, or this format is only written
   */
  Opened read(Path file) throws IOException;

  /**
   * A song as it is to be written.
   *
   * @throws IOException where this format is only read
   */
  Written contents(Song song) throws IOException;

  /**
   * A song as it is to be written.
   *
   * @param remarks what the format can't hold of it, a line each
   */
  record Written(SafeFile.Contents contents, List<String> remarks) {}
}
