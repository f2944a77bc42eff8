package flailbeat.core.journal;

import flailbeat.core.format.SafeFile;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.zip.CRC32C;

/**
 * The file that a song stands in, as it was when it was read or written: another program that
 * writes it makes another of it.
 *
 * @param path absolute
 * @param size in bytes
 * @param crc of all its bytes
 */
public record SavedFile(Path path, long size, int crc) {
  private static final int BUFFER = 1 << 16;

  /** The file as it is now. O(size). */
  public static SavedFile of(Path path) throws IOException {
    CRC32C crc = new CRC32C();
    long size = 0;
    byte[] buffer = new byte[BUFFER];
    try (InputStream in = Files.newInputStream(path)) {
      for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
        crc.update(buffer, 0, n);
        size += n;
      }
    }
    return new SavedFile(path.toAbsolutePath(), size, (int) crc.getValue());
  }

  /** The file as it is now; empty where there is none any more. */
  public static Optional<SavedFile> now(Path path) throws IOException {
    try {
      return Optional.of(of(path));
    } catch (NoSuchFileException e) {
      return Optional.empty();
    }
  }

  /** Writes what a file is made of, and knows afterwards what that was. */
  public static final class Measuring implements SafeFile.Contents {
    private final SafeFile.Contents contents;
    private final CRC32C crc = new CRC32C();
    private long size;

    public Measuring(SafeFile.Contents contents) {
      this.contents = contents;
    }

    @Override
    public void writeTo(OutputStream out) throws IOException {
      crc.reset();
      size = 0;
      OutputStream counting =
          new FilterOutputStream(out) {
            @Override
            public void write(int b) throws IOException {
              out.write(b);
              crc.update(b);
              size++;
            }

            @Override
            public void write(byte[] bytes, int from, int length) throws IOException {
              out.write(bytes, from, length);
              crc.update(bytes, from, length);
              size += length;
            }
          };
      contents.writeTo(counting);
      counting.flush();
    }

    /** The file that was written. */
    public SavedFile of(Path path) {
      return new SavedFile(path.toAbsolutePath(), size, (int) crc.getValue());
    }
  }

  /** Whether it is of a file. */
  public boolean isAt(Path file) {
    return path.equals(file.toAbsolutePath());
  }

  /** Whether both hold the same bytes, wherever they are. */
  public boolean isSameAs(SavedFile other) {
    return size == other.size && crc == other.crc;
  }
}
