package flailbeat.core.journal;

import flailbeat.core.edit.History;
import flailbeat.core.format.Durable;
import flailbeat.core.journal.JournalEntry.Did;
import flailbeat.core.model.Song;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A journal that is being written anew beside the old one, a slice at a time. It keeps the latest
 * steps of the history, as many as there is room for.
 */
final class Rewriting {
  /** What the new one is called until it is whole. */
  static final String ENDING = ".new";

  /** Bytes in a slice: what waits meanwhile does not wait long. */
  private static final int SLICE = 256 * 1024;

  private static final Logger LOG = LoggerFactory.getLogger(Rewriting.class);

  private final JournalState state;
  private final Path target;
  private final Path part;
  private final long wallMillis;
  private final List<History.Step<Song>> history;
  private final Deque<byte[]> steps = new ArrayDeque<>();
  private final Deque<byte[]> since = new ArrayDeque<>();
  private Deque<JournalEntry> entries;
  private FileChannel channel;
  private long length;
  private long stepBytes;
  private int oldest;

  /** One that has not begun to write. */
  Rewriting(JournalState state, Path target, long wallMillis) {
    this.state = state;
    this.target = target;
    this.part = target.resolveSibling(target.getFileName() + ENDING);
    this.wallMillis = wallMillis;
    this.history = state.history().steps();
    this.oldest = history.size() - 1;
  }

  Path target() {
    return target;
  }

  long length() {
    return length;
  }

  /** What came since it began, as it was written to the old one. */
  void since(byte[] frame) {
    since.addLast(frame);
  }

  /**
   * Writes a slice.
   *
   * @param toTheEnd all of it rather
   * @return whether all of it is written
   */
  boolean goOn(boolean toTheEnd) throws IOException {
    long budget = toTheEnd ? Long.MAX_VALUE : SLICE;
    while (budget > 0 && !isDone()) {
      budget -= writeOne();
    }
    if (channel != null) {
      // Bit by bit: all of it at once would keep the disk from all else for too long.
      channel.force(false);
    }
    return isDone();
  }

  private boolean isDone() {
    return channel != null && entries.isEmpty() && since.isEmpty();
  }

  /** Prepares or writes one entry; gives the bytes that it took. */
  private int writeOne() throws IOException {
    if (entries == null) {
      return prepareStep();
    }
    if (channel == null) {
      Files.createDirectories(part.toAbsolutePath().getParent());
      Files.deleteIfExists(part);
      channel = FileChannel.open(part, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
      return write(JournalFile.header());
    }
    JournalEntry entry = entries.pollFirst();
    if (entry == null) {
      return write(since.removeFirst());
    }
    return write(
        JournalFile.framed(
            entry instanceof Did ? steps.removeFirst() : EntryWriter.bytes(entry), wallMillis));
  }

  /** From the latest step back, until there is no more room; those that can be redone all go in. */
  private int prepareStep() throws IOException {
    boolean full = oldest <= state.history().cursor() && stepBytes > JournalWriter.HISTORY_BYTES;
    if (oldest == 0 || full) {
      entries = new ArrayDeque<>(state.entries(oldest));
      return 0;
    }
    byte[] bytes = EntryWriter.bytes(step(oldest--));
    steps.addFirst(bytes);
    stepBytes += bytes.length;
    return bytes.length;
  }

  private Did step(int index) {
    History.Step<Song> step = history.get(index);
    return new Did(step.label(), history.get(index - 1).state(), step.state(), Did.NONE);
  }

  private int write(byte[] bytes) throws IOException {
    JournalWriter.write(channel, bytes);
    length += bytes.length;
    return bytes.length;
  }

  /** Puts it in the place of the old one. */
  void moveIntoPlace() throws IOException {
    channel.force(true);
    channel.close();
    Durable.move(part, target);
  }

  /** Leaves nothing of it. */
  void abandon() {
    try {
      if (channel != null) {
        channel.close();
      }
      Files.deleteIfExists(part);
    } catch (IOException e) {
      LOG.debug("{} stays", part, e);
    }
  }
}
