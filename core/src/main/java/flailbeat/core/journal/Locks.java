package flailbeat.core.journal;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Says which of several copies of the application has what. A lock is a byte of one file, which the
 * system holds for a process and lets go of when that ends, however it ends. Beside it stands who
 * has it, for people to read.
 *
 * <p>The file is opened once and never again: on some systems a process lets go of all its locks on
 * a file when it closes it anywhere.
 */
public final class Locks implements AutoCloseable {
  private static final Logger LOG = LoggerFactory.getLogger(Locks.class);
  private static final String FILE = "locks";
  private static final String SONG = "song-";
  private static final String WHO = ".who";
  private static final int WHO_LINES = 3;

  private final Path folder;
  private final Map<String, Lock> held = new HashMap<>();
  private FileChannel channel;

  /** Locks that are kept in a folder, which need not be there yet. */
  public Locks(Path folder) {
    this.folder = folder;
  }

  /**
   * Who has something.
   *
   * @param pid the number of the process
   * @param sinceMillis since when, in milliseconds since 1970
   * @param title the song in that window
   */
  public record Holder(long pid, long sinceMillis, String title) {}

  /** Something that this process has. */
  public final class Lock implements AutoCloseable {
    private final String name;
    private final Optional<FileLock> lock;

    private Lock(String name, Optional<FileLock> lock) {
      this.name = name;
      this.lock = lock;
    }

    /** What it is called. */
    public String name() {
      return name;
    }

    /** Lets it go. */
    @Override
    public void close() {
      synchronized (Locks.this) {
        if (held.remove(name, this)) {
          try {
            Files.deleteIfExists(who(name));
            if (lock.isPresent()) {
              lock.get().release();
            }
          } catch (IOException e) {
            LOG.debug("{} cannot be let go", name, e);
          }
        }
      }
    }
  }

  /** The name under which a file is locked that is open: the same for all ways to it. */
  public static String fileNameOf(Path file) {
    return "file-" + nameOf(file).substring(SONG.length());
  }

  /** The name under which a file's journal is kept: the same for all ways to it. */
  public static String nameOf(Path file) {
    Path real = file.toAbsolutePath().normalize();
    try {
      real = file.toRealPath();
    } catch (IOException e) {
      LOG.debug("{} is not there yet", file, e);
    }
    return SONG + hash(real.toString());
  }

  private static String hash(String text) {
    return HexFormat.of().formatHex(digest(text), 0, Long.BYTES);
  }

  private static byte[] digest(String text) {
    try {
      return MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("Every Java has SHA-256", e);
    }
  }

  /** Which byte of the file it is. */
  private static long place(String name) {
    return ByteBuffer.wrap(digest(name)).getLong() & (Long.MAX_VALUE >> 1);
  }

  /**
   * Takes something, unless another has it, in this process or elsewhere. Where the system has no
   * locks, or nothing can be written, nobody else is known of.
   *
   * @param title the song in this window
   */
  public synchronized Optional<Lock> take(String name, String title, long nowMillis) {
    if (held.containsKey(name)) {
      return Optional.empty();
    }
    Optional<FileLock> lock = Optional.empty();
    try {
      open();
      lock = Optional.ofNullable(channel.tryLock(place(name), 1, false));
      if (lock.isEmpty()) {
        return Optional.empty();
      }
      Files.write(
          who(name),
          List.of(
              String.valueOf(ProcessHandle.current().pid()),
              String.valueOf(nowMillis),
              title.replaceAll("\\R", " ")));
    } catch (OverlappingFileLockException e) {
      return Optional.empty();
    } catch (IOException e) {
      LOG.debug("{} cannot be locked", name, e);
    }
    Lock taken = new Lock(name, lock);
    held.put(name, taken);
    return Optional.of(taken);
  }

  /** Whether this process has something. */
  public synchronized boolean has(String name) {
    return held.containsKey(name);
  }

  /** Who has something, as far as that is told. */
  public Optional<Holder> holder(String name) {
    try {
      List<String> lines = Files.readAllLines(who(name));
      return lines.size() < WHO_LINES
          ? Optional.empty()
          : Optional.of(
              new Holder(Long.parseLong(lines.get(0)), Long.parseLong(lines.get(1)), lines.get(2)));
    } catch (IOException | NumberFormatException e) {
      LOG.debug("Nobody says who has {}", name, e);
      return Optional.empty();
    }
  }

  private void open() throws IOException {
    if (channel == null || !channel.isOpen()) {
      Files.createDirectories(folder);
      channel =
          FileChannel.open(
              folder.resolve(FILE), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
    }
  }

  private Path who(String name) {
    return folder.resolve(name + WHO);
  }

  @Override
  public synchronized void close() {
    List.copyOf(held.values()).forEach(Lock::close);
    if (channel != null) {
      try {
        channel.close();
      } catch (IOException e) {
        LOG.debug("The locks cannot be closed", e);
      }
    }
  }
}
