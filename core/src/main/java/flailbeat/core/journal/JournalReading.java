package flailbeat.core.journal;

import flailbeat.core.format.FileFault;
import flailbeat.core.journal.JournalEntry.Opened;
import flailbeat.core.model.Song;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/**
 * What a journal that was read comes to.
 *
 * @param wholeBytes up to where it is whole: what is behind that is damaged
 * @param damage what is wrong with its end, in a line; empty for a sound one
 * @param lastMillis when the last whole entry was written, in milliseconds since 1970
 */
public record JournalReading(
    JournalState state, long wholeBytes, Optional<String> damage, long lastMillis) {
  private static final int BUFFER = 1 << 16;

  /**
   * Reads a journal up to its end, or to where it is damaged. O(size).
   *
   * @throws FileFault when there is not even a song in it, or it is of a later version
   */
  public static JournalReading of(Path file) throws IOException {
    try (InputStream raw = Files.newInputStream(file)) {
      return of(new BufferedInputStream(raw, BUFFER), Files.size(file));
    }
  }

  static JournalReading of(InputStream bytes, long size) throws IOException {
    try {
      DataInputStream in = new DataInputStream(bytes);
      requireJournal(in);
      return new Reader(in, size).read();
    } catch (EOFException e) {
      throw new FileFault("this journal was cut off before its song", e);
    }
  }

  private static void requireJournal(DataInputStream in) throws IOException {
    if (in.readInt() != JournalFile.MAGIC) {
      throw new FileFault("this is no journal");
    }
    int version = in.readInt();
    if (version < 1 || version > JournalFile.VERSION) {
      throw new FileFault(
          "the journal is of version "
              + version
              + "; this Flailbeat reads up to "
              + JournalFile.VERSION);
    }
  }

  private static final class Reader {
    private final DataInputStream in;
    private final long size;
    private long at = JournalFile.HEADER_BYTES;
    private long lastMillis;
    private JournalState state;

    Reader(DataInputStream in, long size) {
      this.in = in;
      this.size = size;
    }

    JournalReading read() throws IOException {
      Optional<String> damage = Optional.empty();
      while (at < size && damage.isEmpty()) {
        damage = readOne();
      }
      if (state == null) {
        throw new FileFault(damage.orElse("this journal was cut off before its song"));
      }
      return new JournalReading(state, at, damage, lastMillis);
    }

    /** Reads an entry; says what is wrong with it. */
    private Optional<String> readOne() throws IOException {
      byte[] start = in.readNBytes(JournalFile.FRAME_BYTES);
      int length = start.length < JournalFile.FRAME_BYTES ? -1 : ByteBuffer.wrap(start).getInt();
      if (length < 1 || length > JournalFile.LONGEST || length > size - at - start.length) {
        return Optional.of("its last " + (size - at) + " bytes are cut off or damaged");
      }
      byte[] frame = new byte[start.length + length];
      System.arraycopy(start, 0, frame, 0, start.length);
      in.readFully(frame, start.length, length);
      if (!JournalFile.isWhole(frame)) {
        return Optional.of("its last " + (size - at) + " bytes are damaged");
      }
      try {
        apply(EntryReader.of(JournalFile.entry(frame), Optional.ofNullable(state).map(this::song)));
      } catch (IOException | RuntimeException e) {
        return Optional.of(
            "its last " + (size - at) + " bytes do not fit what is before: " + e.getMessage());
      }
      at += frame.length;
      lastMillis = ByteBuffer.wrap(frame).getLong(2 * Integer.BYTES);
      return Optional.empty();
    }

    private Song song(JournalState of) {
      return of.song();
    }

    private void apply(JournalEntry entry) {
      if (state == null) {
        state = new JournalState((Opened) entry);
      } else {
        state.apply(entry);
      }
    }
  }
}
