package flailbeat.core.version;

import flailbeat.core.format.project.ProjectFile;
import flailbeat.core.model.Song;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.GZIPInputStream;

/**
 * A song's file as it was once.
 *
 * @param file where that is kept
 * @param number counts the versions of a song; the later, the higher, whatever the clock said
 * @param millis when it was written, in milliseconds since 1970
 * @param crc of all its bytes
 * @param bytes how much room it takes
 */
public record Version(Path file, long number, long millis, int crc, long bytes) {
  /** Reads it. */
  public Song song() throws IOException {
    try (InputStream in =
        new GZIPInputStream(new BufferedInputStream(Files.newInputStream(file)))) {
      return ProjectFile.read(in);
    }
  }
}
