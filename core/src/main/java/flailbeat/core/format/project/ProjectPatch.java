package flailbeat.core.format.project;

import com.fasterxml.jackson.core.JsonProcessingException;
import flailbeat.core.format.FileFault;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;

/**
 * What makes one version of a song of an earlier one, written down: far less than a whole song
 * where the two share most of what is in them. O(c + d) for c clips, and d notes and control points
 * in the chunks in which they differ.
 */
public final class ProjectPatch {
  private ProjectPatch() {}

  /** Writes what makes a song of an earlier one. */
  public static void write(Song before, Song after, OutputStream out) throws IOException {
    ProjectFile.compact().writeValue(out, PatchWriter.of(before, after));
  }

  /**
   * Makes a song of an earlier one.
   *
   * @throws FileFault when this is no patch, or none of that song
   */
  public static Song read(Song before, InputStream in) throws IOException {
    try {
      PatchDto patch = ProjectFile.reader().forType(PatchDto.class).readValue(in);
      if (patch == null) {
        throw new FileFault("what was changed is missing");
      }
      return new PatchReader(before, patch).song();
    } catch (JsonProcessingException e) {
      throw new FileFault("what was changed cannot be read", e);
    } catch (IllegalArgumentException | ArithmeticException e) {
      throw new FileFault("what was changed cannot be: " + e.getMessage(), e);
    }
  }
}
