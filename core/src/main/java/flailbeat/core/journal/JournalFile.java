package flailbeat.core.journal;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.zip.CRC32C;

/**
 * How entries stand in a file, one behind the other: eight bytes that say what it is, then for each
 * entry the length of its bytes (4), a CRC-32C of all of it but this (4), the time in milliseconds
 * since 1970 (8), and its bytes. Numbers have their highest byte first.
 */
final class JournalFile {
  /** The version that is written, and the latest that is read. */
  static final int VERSION = 1;

  /** {@code FLJR}. */
  static final int MAGIC = 0x464C4A52;

  static final int HEADER_BYTES = 8;

  /** What stands before an entry's bytes. */
  static final int FRAME_BYTES = 16;

  /** An entry that says it is longer is damaged: no song is. */
  static final int LONGEST = 64_000_000;

  private JournalFile() {}

  static byte[] header() {
    return ByteBuffer.allocate(HEADER_BYTES).putInt(MAGIC).putInt(VERSION).array();
  }

  /** The bytes of an entry with what stands before them. */
  static byte[] framed(byte[] entry, long wallMillis) {
    byte[] result =
        ByteBuffer.allocate(FRAME_BYTES + entry.length)
            .putInt(entry.length)
            .putInt(0)
            .putLong(wallMillis)
            .put(entry)
            .array();
    ByteBuffer.wrap(result).putInt(Integer.BYTES, checksum(result));
    return result;
  }

  /** Of all but the checksum itself. */
  private static int checksum(byte[] frame) {
    CRC32C crc = new CRC32C();
    crc.update(frame, 0, Integer.BYTES);
    crc.update(frame, 2 * Integer.BYTES, frame.length - 2 * Integer.BYTES);
    return (int) crc.getValue();
  }

  /** Whether an entry is as it was written. */
  static boolean isWhole(byte[] frame) {
    return ByteBuffer.wrap(frame).getInt(Integer.BYTES) == checksum(frame);
  }

  /** What stands at the very end. */
  record Last(int type, long wallMillis) {
    /** Nothing that ends a journal. */
    static final Last NONE = new Last(0, 0);
  }

  /** How a journal ends, found without reading the rest of it. */
  static Last last(Path file) throws IOException {
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
      int length = FRAME_BYTES + 1;
      if (channel.size() < HEADER_BYTES + length) {
        return Last.NONE;
      }
      ByteBuffer bytes = ByteBuffer.allocate(length);
      channel.position(channel.size() - length);
      while (bytes.hasRemaining() && channel.read(bytes) >= 0) {
        // Until it is full.
      }
      byte[] frame = bytes.array();
      ByteBuffer read = ByteBuffer.wrap(frame);
      boolean whole = read.getInt(0) == 1 && isWhole(frame);
      return whole ? new Last(frame[FRAME_BYTES], read.getLong(2 * Integer.BYTES)) : Last.NONE;
    }
  }

  /** The bytes of an entry, without what stands before them. */
  static byte[] entry(byte[] frame) {
    return Arrays.copyOfRange(frame, FRAME_BYTES, frame.length);
  }
}
