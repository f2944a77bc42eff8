package flailbeat.core.format;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What a power cut leaves as it was or as it shall be. */
public final class Durable {
  private static final Logger LOG = LoggerFactory.getLogger(Durable.class);

  private Durable() {}

  /**
   * Moves a file, whose bytes were forced to the disk, into the place of another in the same
   * folder, and forces that too.
   */
  public static void move(Path from, Path to) throws IOException {
    try {
      Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (AtomicMoveNotSupportedException e) {
      Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
    }
    forceFolder(to.toAbsolutePath().getParent());
  }

  /** Forces the names in a folder to the disk, where the system has a way to. */
  public static void forceFolder(Path folder) {
    try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
      channel.force(true);
    } catch (IOException e) {
      LOG.debug("{} cannot be forced to the disk", folder, e);
    }
  }
}
