package flailbeat.core.journal;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Keeps a journal on the disk. Entries are put in from the thread on which things happen, which
 * never waits for the disk; {@link #work} is called on another, and writes them.
 *
 * <p>The journal is written anew, beside itself, when the song was saved and when it has grown: a
 * slice at a time, while what comes goes to both. Where the disk refuses or cannot keep up, entries
 * are not gathered without end: the state that they come to is held in any case, and is written
 * whole once the disk takes it.
 */
public final class JournalWriter {
  /** More entries than this do not wait: the state is written whole instead. */
  static final int MOST_WAITING = 20_000;

  /** By how much it may grow before it is written anew. */
  static final long MOST_GROWTH = 3_000_000;

  /** How much of the undo history is kept, in bytes as written. */
  public static final long HISTORY_BYTES = 4_000_000;

  /** What waits longer than this is told. */
  private static final long SLOW_MILLIS = 3_000;

  private static final Logger LOG = LoggerFactory.getLogger(JournalWriter.class);

  /** An entry, and when it was put in. */
  private record Waiting(JournalEntry entry, long wallMillis) {}

  private final JournalState state;
  private final LongSupplier wallMillis;
  private final Deque<Waiting> waiting = new ArrayDeque<>();
  private boolean lacksSome;
  private Optional<Path> target = Optional.empty();

  private final ReentrantLock writing = new ReentrantLock();
  private Path file;
  private FileChannel channel;
  private long length;
  private long lengthWhole;
  private Rewriting rewriting;
  private boolean wantsWhole;
  private boolean behind;
  private volatile Optional<IOException> fault = Optional.empty();

  /**
   * A journal that is not on the disk yet: it is as soon as it has a place, and anything was put
   * in.
   *
   * @param wallMillis the time, in milliseconds since 1970
   */
  public JournalWriter(JournalState state, LongSupplier wallMillis) {
    this.state = state;
    this.wallMillis = wallMillis;
    this.lacksSome = true;
    this.behind = true;
  }

  /** A journal that is on the disk, and goes on behind what is whole of it. */
  public JournalWriter(Path file, JournalReading reading, LongSupplier wallMillis) {
    this.target = Optional.of(file);
    this.file = file;
    this.state = reading.state();
    this.wallMillis = wallMillis;
    this.length = reading.wholeBytes();
    this.lengthWhole = length;
  }

  /** Takes in what happened; never waits for the disk. */
  public void put(JournalEntry entry) {
    synchronized (waiting) {
      state.apply(entry);
      if (waiting.size() < MOST_WAITING) {
        waiting.addLast(new Waiting(entry, wallMillis.getAsLong()));
      } else {
        lacksSome = true;
        waiting.clear();
      }
    }
  }

  /** Gives it its place, or another: it is there once it has been written anew. */
  public void moveTo(Path newTarget) {
    synchronized (waiting) {
      target = Optional.of(newTarget);
    }
  }

  /** All that was put in so far, as a state of its own. */
  public JournalState state() {
    synchronized (waiting) {
      return state.copy();
    }
  }

  /** Why it is not on the disk as it should be: it cannot be written, or not in time. */
  public Optional<IOException> fault() {
    return fault;
  }

  /** Whether the disk takes longer than it should. */
  public boolean isSlow() {
    synchronized (waiting) {
      return !waiting.isEmpty()
          && wallMillis.getAsLong() - waiting.peekFirst().wallMillis() > SLOW_MILLIS;
    }
  }

  /** Where it is to be found. */
  public Optional<Path> target() {
    synchronized (waiting) {
      return target;
    }
  }

  /**
   * Writes what waits, and a slice of what is written anew.
   *
   * @return whether it has more to do at once
   */
  public boolean work() {
    writing.lock();
    try {
      return step();
    } finally {
      writing.unlock();
    }
  }

  /**
   * Writes all that waits, as when the program is ended from outside. Gives up where the disk keeps
   * another thread waiting.
   */
  public void flush(long mostMillis) throws InterruptedException {
    if (writing.tryLock(mostMillis, TimeUnit.MILLISECONDS)) {
      try {
        step();
      } finally {
        writing.unlock();
      }
    }
  }

  /** Writes all that waits, and lets the file go. */
  public void close() {
    writing.lock();
    try {
      while (step()) {
        // Until all is written.
      }
      closeChannel();
    } finally {
      writing.unlock();
    }
  }

  /** Takes it from the disk: there is nothing in it that is wanted. */
  public void delete() throws IOException {
    writing.lock();
    try {
      closeChannel();
      if (rewriting != null) {
        rewriting.abandon();
        rewriting = null;
      }
      if (file != null) {
        Files.deleteIfExists(file);
      }
    } finally {
      writing.unlock();
    }
  }

  private boolean step() {
    try {
      List<Waiting> batch;
      boolean begins;
      Optional<Rewriting> unwanted = Optional.empty();
      synchronized (waiting) {
        if (hasNothingToDo()) {
          return false;
        }
        // What it lacks it gets with all else: what waits does not fit behind what is there.
        batch = lacksSome ? List.of() : List.copyOf(waiting);
        waiting.clear();
        begins = lacksSome || rewriting == null && shallBeAnew();
        if (begins) {
          unwanted = Optional.ofNullable(rewriting);
          beginAnew();
        }
      }
      unwanted.ifPresent(Rewriting::abandon);
      append(batch, begins);
      if (rewriting != null && rewriting.goOn(behind)) {
        exchange();
      }
      fault = Optional.empty();
      return rewriting != null || wantsWhole;
    } catch (IOException e) {
      failed(e);
      return false;
    } catch (RuntimeException e) {
      // What follows would not fit behind what is there: all of it is written anew.
      failed(new IOException("this should not have happened: " + e, e));
      return false;
    }
  }

  private boolean hasNothingToDo() {
    return target.isEmpty()
        || waiting.isEmpty()
            && rewriting == null
            && fault.isEmpty()
            && (file == null || !lacksSome && !shallBeAnew());
  }

  private boolean shallBeAnew() {
    return wantsWhole
        || file != null && !file.equals(target.orElseThrow())
        || length > lengthWhole + MOST_GROWTH;
  }

  private void beginAnew() {
    rewriting = new Rewriting(state.copy(), target.orElseThrow(), wallMillis.getAsLong());
    behind = lacksSome;
    lacksSome = false;
    wantsWhole = false;
  }

  /** What comes while it is written anew goes there too, unless it is in that state already. */
  private void append(List<Waiting> batch, boolean inStateAlready) throws IOException {
    for (Waiting each : batch) {
      byte[] frame = JournalFile.framed(EntryWriter.bytes(each.entry()), each.wallMillis());
      if (!behind) {
        open();
        write(channel, frame);
        length += frame.length;
      }
      if (rewriting != null && !inStateAlready) {
        rewriting.since(frame);
      }
      wantsWhole |= each.entry() instanceof JournalEntry.Saved;
    }
    if (channel != null && !batch.isEmpty()) {
      channel.force(false);
    }
  }

  private void open() throws IOException {
    if (channel == null) {
      channel = FileChannel.open(file, StandardOpenOption.WRITE);
      channel.truncate(length);
      channel.position(length);
    }
  }

  static void write(FileChannel to, byte[] bytes) throws IOException {
    ByteBuffer buffer = ByteBuffer.wrap(bytes);
    while (buffer.hasRemaining()) {
      to.write(buffer);
    }
  }

  /** What was written anew takes the place of what there was. */
  private void exchange() throws IOException {
    Path old = file;
    Rewriting done = rewriting;
    rewriting = null;
    closeChannel();
    done.moveIntoPlace();
    file = done.target();
    length = done.length();
    behind = false;
    lengthWhole = length;
    if (old != null && !old.equals(file)) {
      Files.deleteIfExists(old);
    }
  }

  private void failed(IOException e) {
    if (fault.isEmpty()) {
      LOG.warn("The journal cannot be written", e);
    }
    fault = Optional.of(e);
    closeChannel();
    if (rewriting != null) {
      rewriting.abandon();
      rewriting = null;
    }
    synchronized (waiting) {
      lacksSome = true;
      behind = true;
      waiting.clear();
    }
  }

  private void closeChannel() {
    if (channel != null) {
      try {
        channel.close();
      } catch (IOException e) {
        LOG.debug("The journal cannot be closed", e);
      }
      channel = null;
    }
  }
}
