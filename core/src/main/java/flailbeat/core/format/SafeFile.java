package flailbeat.core.format;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFileAttributes;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Writes a file whole or not at all. */
public final class SafeFile {
  /** Something that writes a file's contents. */
  @FunctionalInterface
  public interface Contents {
    void writeTo(OutputStream out) throws IOException;
  }

  private static final Logger LOG = LoggerFactory.getLogger(SafeFile.class);
  private static final int MOST_LINKS = 40;

  private SafeFile() {}

  /** Removes whatever is being written: called when the program is ended from outside. */
  public static void abandonAll() {
    PartFiles.removeAll();
  }

  /**
   * A file to be written.
   *
   * @param target where it goes
   */
  public record Job(Path target, Contents contents) {}

  /**
   * Writes to a temporary file beside the target, forces it to the disk, moves it into place, and
   * forces the folder; it keeps the target's mode and, where that is allowed, its owner. Links are
   * followed. If anything fails, the target is as it was and the temporary file is gone. What is no
   * file, such as a named pipe, is written as a stream.
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
   * @throws WriteFault with the file that could not be written; no target has changed then, but for
   *     streams
   */
  public static void writeAll(List<Job> jobs) throws IOException {
    Map<Path, Path> prepared = new LinkedHashMap<>();
    try {
      List<Job> streams = new ArrayList<>();
      for (Job job : jobs) {
        try {
          Path real = followed(job.target());
          if (isStream(real)) {
            streams.add(new Job(real, job.contents()));
          } else {
            prepare(real, job.contents(), prepared);
          }
        } catch (IOException e) {
          throw new WriteFault(job.target(), e);
        }
      }
      for (Job stream : streams) {
        try (OutputStream out =
            new BufferedOutputStream(
                Files.newOutputStream(stream.target(), StandardOpenOption.WRITE))) {
          stream.contents().writeTo(out);
        } catch (IOException e) {
          throw new WriteFault(stream.target(), e);
        }
      }
      for (Map.Entry<Path, Path> each : prepared.entrySet()) {
        Durable.move(each.getKey(), each.getValue());
      }
    } finally {
      prepared.keySet().forEach(PartFiles::done);
    }
  }

  /** Where a file really stands, or will: links are followed though nothing is there yet. */
  private static Path followed(Path target) throws IOException {
    if (Files.exists(target)) {
      return target.toRealPath();
    }
    Path at = target.toAbsolutePath();
    for (int links = 0; Files.isSymbolicLink(at); links++) {
      if (links == MOST_LINKS) {
        throw new FileFault("this is a link that leads round in a circle");
      }
      at = at.resolveSibling(Files.readSymbolicLink(at)).normalize();
    }
    return at;
  }

  private static boolean isStream(Path real) {
    return Files.exists(real) && !Files.isRegularFile(real) && !Files.isDirectory(real);
  }

  private static void prepare(Path real, Contents contents, Map<Path, Path> prepared)
      throws IOException {
    Path folder = real.getParent();
    if (folder == null || !Files.isDirectory(folder)) {
      throw new NoSuchFileException(String.valueOf(folder), null, "there is no such folder");
    }
    if (Files.isDirectory(real)) {
      throw new FileFault("this is a folder");
    }
    Path temporary = PartFiles.in(folder);
    prepared.put(temporary, real);
    try (FileChannel channel =
        FileChannel.open(temporary, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
      hold(channel);
      OutputStream out = new BufferedOutputStream(Channels.newOutputStream(channel));
      contents.writeTo(out);
      out.flush();
      channel.force(true);
    }
    if (Files.exists(real)) {
      keepTraits(real, temporary);
    }
  }

  /** So that nobody takes it for a leftover; until it is closed. */
  private static void hold(FileChannel channel) {
    try {
      channel.tryLock();
    } catch (IOException e) {
      LOG.debug("This file system has no locks", e);
    }
  }

  /** The mode, the group and the owner, as far as that is allowed. */
  private static void keepTraits(Path from, Path to) {
    PosixFileAttributeView was = Files.getFileAttributeView(from, PosixFileAttributeView.class);
    PosixFileAttributeView is = Files.getFileAttributeView(to, PosixFileAttributeView.class);
    if (was == null || is == null) {
      return;
    }
    try {
      PosixFileAttributes traits = was.readAttributes();
      PosixFileAttributes own = is.readAttributes();
      if (!own.group().equals(traits.group())) {
        is.setGroup(traits.group());
      }
      if (!own.owner().equals(traits.owner())) {
        is.setOwner(traits.owner());
      }
    } catch (IOException e) {
      LOG.debug("{} gets another owner", from, e);
    }
    try {
      is.setPermissions(was.readAttributes().permissions());
    } catch (IOException e) {
      LOG.warn("{} cannot keep its mode", from, e);
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
}
