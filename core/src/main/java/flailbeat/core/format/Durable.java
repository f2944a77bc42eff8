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

  /**
   * Forces the names in a folder to the disk, where the system has a way to: not each lets a folder
   * be opened, and not each file system has anything to force.
   *
   * @throws IOException when the disk fails
   */
  public static void forceFolder(Path folder) throws IOException {
    FileChannel channel;
    try {
      channel = FileChannel.open(folder, StandardOpenOption.READ);
    } catch (IOException e) {
      LOG.debug("{} cannot be opened to be forced to the disk", folder, e);
      return;
    }
    try (channel) {
      channel.force(true);
    } catch (IOException e) {
      if (!isNothingToForce(e)) {
        throw e;
      }
      LOG.debug("{} cannot be forced to the disk", folder, e);
    }
  }

  /** What fsync says of a folder on such a file system (POSIX: EINVAL, and ENOTSUP). */
  private static boolean isNothingToForce(IOException e) {
    String message = String.valueOf(e.getMessage());
    return message.contains("Invalid argument") || message.contains("not supported");
  }
}
