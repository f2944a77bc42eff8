package flailbeat.core.format;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.UUID;

/** Writes a file whole or not at all. */
public final class SafeFile {
  /** Something that writes a file's contents. */
  @FunctionalInterface
  public interface Contents {
    void writeTo(OutputStream out) throws IOException;
  }

  private SafeFile() {}

  /**
   * Writes to a temporary file beside the target, forces it to the disk, and moves it into place.
   * If anything fails, the target is as it was and the temporary file is gone.
   *
   * @throws IOException when the folder is missing, the disk is full, and so on
   */
  public static void write(Path target, Contents contents) throws IOException {
    Path real = Files.exists(target) ? target.toRealPath() : target.toAbsolutePath();
    Path folder = real.getParent();
    if (folder == null || !Files.isDirectory(folder)) {
      throw new NoSuchFileException(String.valueOf(folder), null, "there is no such folder");
    }
    Path temporary = folder.resolve(".flailbeat-" + UUID.randomUUID() + ".part");
    try {
      try (OutputStream out =
          new BufferedOutputStream(
              Files.newOutputStream(
                  temporary, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE))) {
        contents.writeTo(out);
      }
      try (FileChannel channel = FileChannel.open(temporary, StandardOpenOption.WRITE)) {
        channel.force(true);
      }
      move(temporary, real);
    } finally {
      Files.deleteIfExists(temporary);
    }
  }

  private static void move(Path from, Path to) throws IOException {
    try {
      Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (AtomicMoveNotSupportedException e) {
      Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
    }
  }
}
