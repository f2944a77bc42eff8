package flailbeat.core.format;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Files that are written beside their targets until they are whole. Those of a program that was
 * killed go when the next file is written there.
 */
final class PartFiles {
  private static final Logger LOG = LoggerFactory.getLogger(PartFiles.class);
  private static final Pattern NAME = Pattern.compile("\\.flailbeat-(\\d+)-[0-9a-f-]+\\.part");
  private static final Set<Path> OPEN = ConcurrentHashMap.newKeySet();

  private PartFiles() {}

  /** A name for a new one in a folder, which is cleared of what a killed program left there. */
  static Path in(Path folder) {
    clear(folder);
    long process = ProcessHandle.current().pid();
    Path part = folder.resolve(".flailbeat-" + process + "-" + UUID.randomUUID() + ".part");
    OPEN.add(part);
    return part;
  }

  /** It has been moved into place, or is wanted no longer. */
  static void done(Path part) {
    remove(part);
    OPEN.remove(part);
  }

  static void removeAll() {
    OPEN.forEach(PartFiles::remove);
  }

  private static void remove(Path part) {
    try {
      Files.deleteIfExists(part);
    } catch (IOException e) {
      LOG.warn("{} stays", part, e);
    }
  }

  private static void clear(Path folder) {
    try (DirectoryStream<Path> parts = Files.newDirectoryStream(folder, ".flailbeat-*.part")) {
      for (Path part : parts) {
        if (isLeftOver(part)) {
          remove(part);
        }
      }
    } catch (IOException | RuntimeException e) {
      LOG.debug("{} cannot be looked through", folder, e);
    }
  }

  /** Its process is gone from this machine, and none on another holds it. */
  private static boolean isLeftOver(Path part) {
    Matcher name = NAME.matcher(part.getFileName().toString());
    if (!name.matches() || ProcessHandle.of(Long.parseLong(name.group(1))).isPresent()) {
      return false;
    }
    try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE);
        FileLock lock = channel.tryLock()) {
      return lock != null;
    } catch (IOException | OverlappingFileLockException e) {
      LOG.debug("{} cannot be locked", part, e);
      return false;
    }
  }
}
