package flailbeat.app.shell.safe;

import flailbeat.app.shell.work.Daemons;
import flailbeat.core.files.SongFiles;
import flailbeat.core.journal.JournalEntry;
import flailbeat.core.journal.JournalReading;
import flailbeat.core.journal.JournalState;
import flailbeat.core.journal.JournalWriter;
import flailbeat.core.journal.Journals;
import flailbeat.core.journal.Locks;
import flailbeat.core.journal.LostSong;
import flailbeat.core.journal.SavedFile;
import flailbeat.core.session.document.Journalist;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Keeps the journal of the song that is open, on a thread of its own. On the window's thread
 * nothing waits for a disk: not to write, not to force, not to lock.
 */
public final class JournalKeeper implements Journalist {
  private static final Logger LOG = LoggerFactory.getLogger(JournalKeeper.class);

  /** What is put in is on the disk after so long, and the time that this takes. */
  private static final long SOON_MILLIS = 200;

  /** A disk that refuses is asked again after so long. */
  private static final long RETRY_MILLIS = 2_000;

  /** Before that no key can have been struck: the window opens in about a second. */
  private static final long REST_MILLIS = 2_000;

  private static final long CLOSING_SECONDS = 5;

  /** A journal that is written, and the lock that keeps others from it. */
  private static final class Writing {
    private final JournalWriter writer;
    private final List<Locks.Lock> locks = new CopyOnWriteArrayList<>();

    Writing(JournalWriter writer) {
      this.writer = writer;
    }
  }

  private final Journals journals;
  private final Locks locks;
  private final LongSupplier wallMillis;
  private final ScheduledExecutorService thread = Daemons.scheduled("journal");
  private final AtomicBoolean scheduled = new AtomicBoolean();
  private volatile Optional<Writing> current = Optional.empty();
  private Optional<Writing> next = Optional.empty();
  private List<Locks.Lock> nextHeld = List.of();

  /**
   * One that keeps nothing yet.
   *
   * @param wallMillis the time, in milliseconds since 1970
   */
  public JournalKeeper(Journals journals, Locks locks, LongSupplier wallMillis) {
    this.journals = journals;
    this.locks = locks;
    this.wallMillis = wallMillis;
  }

  /** Leaves the disk alone until the window is drawn, but not for long. */
  public void restUntil(CountDownLatch drawn) {
    thread.execute(() -> rest(drawn));
  }

  private static void rest(CountDownLatch drawn) {
    try {
      if (!drawn.await(REST_MILLIS, TimeUnit.MILLISECONDS)) {
        LOG.debug("The window is not drawn yet; its journal is begun");
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** The song that is opened next goes on in the journal that it was lost in. */
  public void goOnIn(LostSong lost) {
    goOnIn(lost.lock(), lost.reading());
  }

  private void goOnIn(Locks.Lock lock, JournalReading reading) {
    Writing writing = new Writing(new JournalWriter(journals.pathOf(lock), reading, wallMillis));
    writing.locks.add(lock);
    next = Optional.of(writing);
  }

  /** The song that is opened next is of a file that this window has hold of. */
  public void goOnWith(FileHold hold) {
    hold.journal().ifPresent(j -> goOnIn(hold.locks().getLast(), j));
    nextHeld = hold.locks();
  }

  /** Something that is held as long as the song is open. */
  void alsoHolds(Locks.Lock lock) {
    current.ifPresentOrElse(w -> w.locks.add(lock), lock::close);
  }

  @Override
  public void opened(JournalState state, boolean leftUnsaved) {
    current.ifPresent(w -> leave(w, leftUnsaved));
    Writing now = next.orElseGet(() -> begin(state));
    nextHeld.stream().filter(l -> !now.locks.contains(l)).forEach(now.locks::add);
    current = Optional.of(now);
    next = Optional.empty();
    nextHeld = List.of();
    state.file().ifPresent(f -> thread.execute(() -> claim(now, f, state.song().title())));
  }

  /** What a window had open that opens it again was let go with the song before. */
  private void claim(Writing writing, SavedFile file, String title) {
    locks
        .take(Locks.fileNameOf(file.path()), title, wallMillis.getAsLong())
        .ifPresent(writing.locks::add);
  }

  private Writing begin(JournalState state) {
    Writing writing = new Writing(new JournalWriter(state, wallMillis));
    Optional<SavedFile> file = state.file();
    String title = state.song().title();
    thread.execute(
        () -> {
          Locks.Lock lock = journals.take(file, title);
          writing.locks.add(lock);
          writing.writer.moveTo(journals.pathOf(lock));
        });
    return writing;
  }

  @Override
  public void put(JournalEntry entry) {
    try {
      current.ifPresent(writing -> put(writing, entry));
    } catch (RuntimeException e) {
      // What is done goes on, whatever becomes of its journal.
      LOG.error("What happened is not in the journal", e);
    }
  }

  private void put(Writing writing, JournalEntry entry) {
    writing.writer.put(entry);
    if (entry instanceof JournalEntry.Saved saved) {
      thread.execute(() -> follow(writing, saved.file().path()));
    }
    wake(SOON_MILLIS);
  }

  /** A song that has a file now has its journal under the name of that. */
  private void follow(Writing writing, Path file) {
    boolean has = writing.locks.stream().anyMatch(l -> l.name().equals(Locks.nameOf(file)));
    if (!has) {
      journals
          .takeOf(file, writing.writer.state().song().title())
          .ifPresent(
              lock -> {
                writing.locks.add(lock);
                writing.writer.moveTo(journals.pathOf(lock));
              });
    }
  }

  private void wake(long millis) {
    if (scheduled.compareAndSet(false, true) && !thread.isShutdown()) {
      Runnable work = this::work;
      thread.schedule(work, millis, TimeUnit.MILLISECONDS);
    }
  }

  private void work() {
    scheduled.set(false);
    current.map(w -> w.writer).ifPresent(this::work);
  }

  private void work(JournalWriter writer) {
    try {
      if (writer.work()) {
        wake(0);
      } else if (writer.fault().isPresent()) {
        wake(RETRY_MILLIS);
      }
    } catch (RuntimeException e) {
      LOG.error("The journal goes on without what could not be written", e);
    }
  }

  /** Goes from a song: what is in no file is kept for a while, its undo history for longer. */
  private void leave(Writing writing, boolean unsaved) {
    JournalState state = writing.writer.state();
    boolean worthKeeping =
        unsaved || state.file().isPresent() && state.history().steps().size() > 1;
    if (worthKeeping) {
      writing.writer.put(unsaved ? new JournalEntry.PutAside() : new JournalEntry.Ended());
    }
    thread.execute(
        () -> {
          try {
            if (worthKeeping) {
              writing.writer.close();
              if (unsaved) {
                setApart(writing.writer);
              }
            } else {
              writing.writer.delete();
            }
          } catch (IOException | RuntimeException e) {
            LOG.warn("A journal stays as it is", e);
          } finally {
            writing.locks.forEach(Locks.Lock::close);
          }
        });
  }

  private void setApart(JournalWriter writer) throws IOException {
    if (writer.target().isPresent()) {
      journals.setApart(writer.target().get());
    }
  }

  /** A song that was offered and declined is kept for a while. */
  public void setAside(LostSong lost) {
    Writing writing =
        new Writing(new JournalWriter(journals.pathOf(lost.lock()), lost.reading(), wallMillis));
    writing.locks.add(lost.lock());
    leave(writing, true);
  }

  /**
   * Waits until what was begun is done, such as letting go of a song that was left. Not for the
   * window's thread.
   */
  public void settle() {
    try {
      thread.submit(() -> {}).get(CLOSING_SECONDS, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    } catch (ExecutionException | TimeoutException | RejectedExecutionException e) {
      LOG.debug("The journal does not come to rest", e);
    }
  }

  /** Why what is done now would not outlast a crash; empty where it would. */
  public Optional<String> trouble() {
    return current
        .map(w -> w.writer)
        .flatMap(
            w ->
                w.fault()
                    .map(e -> SongFiles.reason(e))
                    .or(() -> w.isSlow() ? Optional.of("the disk is slow") : Optional.empty()));
  }

  /** Writes what waits, at once: the program is being ended from outside. */
  public void flush(long mostMillis) {
    try {
      if (current.isPresent()) {
        current.get().writer.flush(mostMillis);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /**
   * Goes from the song that is open, since the window is closed, and waits until that is written.
   *
   * @param unsaved whether it has changes that stand in no file
   */
  public void close(boolean unsaved) {
    current.ifPresent(w -> leave(w, unsaved));
    current = Optional.empty();
    thread.shutdown();
    try {
      if (!thread.awaitTermination(CLOSING_SECONDS, TimeUnit.SECONDS)) {
        LOG.warn("The journal was not written in time");
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
