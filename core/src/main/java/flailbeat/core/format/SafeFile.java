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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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
   * A file to be written.
   *
   * @param target where it goes
   */
  public record Job(Path target, Contents contents) {}

  /**
   * Writes to a temporary file beside the target, forces it to the disk, and moves it into place.
   * If anything fails, the target is as it was and the temporary file is gone.
   *
   * @throws IOException when the folder is missing, the disk is full, and so on
   */
  public static void write(Path target, Contents contents) throws IOException {
    writeAll(List.of(new Job(target, contents)));
  }

  /**
   * Writes several files: all are written beside their targets and forced to the disk before the
   * first is moved into place.
   *
   * @throws WriteFault with the file that could not be written; no target has changed then
   */
  public static void writeAll(List<Job> jobs) throws IOException {
    Map<Path, Path> prepared = new LinkedHashMap<>();
    try {
      for (Job job : jobs) {
        try {
          prepare(job, prepared);
        } catch (IOException e) {
          throw new WriteFault(job.target(), e);
        }
      }
      for (Map.Entry<Path, Path> each : prepared.entrySet()) {
        move(each.getKey(), each.getValue());
      }
    } finally {
      for (Path temporary : prepared.keySet()) {
        Files.deleteIfExists(temporary);
      }
    }
  }

  private static void prepare(Job job, Map<Path, Path> prepared) throws IOException {
    Path target = job.target();
    Path real = Files.exists(target) ? target.toRealPath() : target.toAbsolutePath();
    Path folder = real.getParent();
    if (folder == null || !Files.isDirectory(folder)) {
      throw new NoSuchFileException(String.valueOf(folder), null, "there is no such folder");
    }
    if (Files.isDirectory(real)) {
      throw new FileFault("this is a folder");
    }
    Path temporary = folder.resolve(".flailbeat-" + UUID.randomUUID() + ".part");
    prepared.put(temporary, real);
    try (OutputStream out =
        new BufferedOutputStream(
            Files.newOutputStream(
                temporary, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE))) {
      job.contents().writeTo(out);
    }
    try (FileChannel channel = FileChannel.open(temporary, StandardOpenOption.WRITE)) {
      channel.force(true);
    }
  }

  /** A file that could not be written, and why. */
  public static final class WriteFault extends IOException {
    private static final long serialVersionUID = 1;

    private final transient Path target;

    WriteFault(Path target, IOException cause) {
      super(cause.getMessage(), cause);
      this.target = target;
    }

    public Path target() {
      return target;
    }

    /** Why it could not be written. */
    public IOException reason() {
      return (IOException) getCause();
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
