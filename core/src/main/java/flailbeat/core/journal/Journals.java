package flailbeat.core.journal;

import flailbeat.core.format.Durable;
import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The journals of all songs, in one folder: one for each song, called after its file or, where it
 * has none, after a number of its own. How one ends says what became of it: the person left the
 * song, or put it aside, or lost it.
 */
public final class Journals {
  /** What the names of journals end in. */
  public static final String ENDING = ".journal";

  /** How long what was put aside is kept. */
  public static final long ASIDE_MILLIS = 7 * 86_400_000L;

  /** How long the undo history of a song is kept that was not opened again. */
  static final long HISTORY_MILLIS = 60 * 86_400_000L;

  /** How much room the journals of songs that were left may take in all; the oldest go first. */
  static final long MOST_BYTES = 300_000_000;

  private static final Logger LOG = LoggerFactory.getLogger(Journals.class);

  private final Path folder;
  private final Locks locks;
  private final LongSupplier wallMillis;

  /** Held while journals are looked into, which may take its time. */
  private final Object finding = new Object();

  /** Held while it is seen how each of them ends. */
  private final Object glancing = new Object();

  /**
   * Those of a folder, which need not be there yet.
   *
   * @param wallMillis the time, in milliseconds since 1970
   */
  public Journals(Path folder, Locks locks, LongSupplier wallMillis) {
    this.folder = folder;
    this.locks = locks;
    this.wallMillis = wallMillis;
  }

  /**
   * Takes the journal of a song that is being opened: that of its file, unless another window or
   * work that was lost has it; else one of its own.
   */
  public Locks.Lock take(Optional<SavedFile> file, String title) {
    synchronized (glancing) {
      return file.flatMap(f -> takeOf(f.path(), title)).orElseGet(() -> takeNew(title));
    }
  }

  /**
   * What was done to a song before it was left, and the lock of its journal, if its file is still
   * as it was then. Waits while journals are looked into.
   */
  public Optional<History> takeHistory(SavedFile now, String title) {
    synchronized (finding) {
      Optional<Locks.Lock> lock = takeOf(now.path(), title);
      Optional<JournalReading> reading = lock.flatMap(l -> historyOf(l, now));
      if (reading.isEmpty()) {
        lock.ifPresent(Locks.Lock::close);
      }
      return reading.map(r -> new History(lock.orElseThrow(), r));
    }
  }

  /** What was done to a song, in its journal. */
  public record History(Locks.Lock lock, JournalReading reading) {}

  /** Takes the journal of a song's file, where nobody has it and nothing in it would be lost. */
  public Optional<Locks.Lock> takeOf(Path file, String title) {
    Optional<Locks.Lock> lock = locks.take(Locks.nameOf(file), title, wallMillis.getAsLong());
    if (lock.isPresent() && holdsLostWork(pathOf(lock.get()))) {
      lock.get().close();
      return Optional.empty();
    }
    return lock;
  }

  private Locks.Lock takeNew(String title) {
    return locks.take(newName(), title, wallMillis.getAsLong()).orElseThrow();
  }

  private static boolean holdsLostWork(Path journal) {
    try {
      return JournalFile.last(journal).type() != EntryType.ENDED
          && JournalReading.of(journal).state().hasUnsavedWork();
    } catch (NoSuchFileException e) {
      return false;
    } catch (IOException e) {
      LOG.debug("{} cannot be read", journal, e);
      return true;
    }
  }

  /** Where a journal is kept. */
  public Path pathOf(Locks.Lock lock) {
    return pathOf(lock.name());
  }

  private Path pathOf(String name) {
    return folder.resolve(name + ENDING);
  }

  private Optional<JournalReading> historyOf(Locks.Lock lock, SavedFile now) {
    Path journal = pathOf(lock);
    try {
      if (!Files.exists(journal)) {
        return Optional.empty();
      }
      JournalReading reading = JournalReading.of(journal);
      JournalState state = reading.state();
      boolean same = state.file().filter(f -> f.isSameAs(now)).isPresent();
      return same && state.history().isSaved() ? Optional.of(reading) : Optional.empty();
    } catch (IOException e) {
      LOG.warn("The undo history in {} cannot be read", journal, e);
      return Optional.empty();
    }
  }

  /**
   * What was found.
   *
   * @param lost songs that can be brought back, the latest first
   * @param unreadable what is wrong with others, a line each; they stay where they are
   */
  public record Found(List<LostSong> lost, List<String> unreadable) {}

  /**
   * A journal of a song that was not saved, or is open elsewhere.
   *
   * @param aside whether it was declined before
   * @param open whether another window has it open
   * @param holder which one, as far as that is known
   */
  public record Listed(
      JournalReading reading, boolean aside, boolean open, Optional<Locks.Holder> holder) {}

  /**
   * All that is in no file, the latest first. Nothing is touched.
   *
   * @param unreadable is told what is wrong with others, a line each
   */
  public List<Listed> list(Consumer<String> unreadable) {
    List<Listed> result = new ArrayList<>();
    for (Path journal : all()) {
      try {
        listed(journal).ifPresent(result::add);
      } catch (NoSuchFileException e) {
        LOG.debug("{} has gone meanwhile", journal, e);
      } catch (IOException e) {
        LOG.debug("{} cannot be read", journal, e);
        unreadable.accept(journal + ": " + e.getMessage());
      }
    }
    result.sort(Comparator.comparingLong((Listed l) -> l.reading().lastMillis()).reversed());
    return result;
  }

  private Optional<Listed> listed(Path journal) throws IOException {
    int type = JournalFile.last(journal).type();
    if (type == EntryType.ENDED) {
      return Optional.empty();
    }
    String name = nameOf(journal);
    Optional<Locks.Holder> holder = locks.holder(name);
    Optional<Locks.Lock> lock = locks.take(name, "", wallMillis.getAsLong());
    lock.ifPresent(Locks.Lock::close);
    JournalReading reading = JournalReading.of(journal);
    boolean open = lock.isEmpty();
    return reading.state().hasUnsavedWork()
        ? Optional.of(
            new Listed(
                reading, type == EntryType.PUT_ASIDE, open, open ? holder : Optional.empty()))
        : Optional.empty();
  }

  /** A journal that was taken to be looked into. */
  private record Taken(Path journal, Locks.Lock lock, boolean aside) {}

  /**
   * Looks for songs that can be brought back, and throws away what was kept long enough. Whoever
   * begins a journal meanwhile waits for a glance at each alone, not until they are read.
   */
  public Found find() {
    synchronized (finding) {
      List<LostSong> lost = new ArrayList<>();
      List<String> unreadable = new ArrayList<>();
      List<Path> left = new ArrayList<>();
      List<Taken> taken;
      synchronized (glancing) {
        taken = glance(left);
      }
      for (Taken each : taken) {
        read(each, left, unreadable).ifPresent(lost::add);
      }
      throwAwayOldest(left);
      throwAwayUnfinished();
      lost.sort(Comparator.comparingLong((LostSong l) -> l.reading().lastMillis()).reversed());
      return new Found(lost, unreadable);
    }
  }

  /** Takes those of songs that may have been lost; of the others it is enough to see their end. */
  private List<Taken> glance(List<Path> left) {
    List<Taken> result = new ArrayList<>();
    for (Path journal : all()) {
      Optional<Locks.Lock> lock = locks.take(nameOf(journal), "", wallMillis.getAsLong());
      if (lock.isPresent()) {
        Optional<JournalFile.Last> last = lastOf(journal);
        if (last.isPresent() && isLeft(journal, last.get(), left)) {
          lock.get().close();
        } else {
          boolean aside = last.filter(l -> l.type() == EntryType.PUT_ASIDE).isPresent();
          result.add(new Taken(journal, lock.get(), aside));
        }
      }
    }
    return result;
  }

  private static Optional<JournalFile.Last> lastOf(Path journal) {
    try {
      return Optional.of(JournalFile.last(journal));
    } catch (IOException e) {
      LOG.debug("{} is looked into", journal, e);
      return Optional.empty();
    }
  }

  /** Whether the person left its song; what was kept long enough is gone then. */
  private boolean isLeft(Path journal, JournalFile.Last last, List<Path> left) {
    long age = wallMillis.getAsLong() - last.wallMillis();
    boolean ended = last.type() == EntryType.ENDED;
    boolean aside = last.type() == EntryType.PUT_ASIDE;
    if (ended && age > HISTORY_MILLIS || aside && age > ASIDE_MILLIS) {
      try {
        Files.deleteIfExists(journal);
        return true;
      } catch (IOException e) {
        LOG.debug("{} is looked into", journal, e);
        return false;
      }
    }
    if (ended) {
      left.add(journal);
    }
    return ended;
  }

  private Optional<LostSong> read(Taken taken, List<Path> left, List<String> unreadable) {
    try {
      JournalReading reading = JournalReading.of(taken.journal());
      if (reading.state().hasUnsavedWork()) {
        return Optional.of(new LostSong(taken.lock(), reading, taken.aside()));
      }
      left.add(taken.journal());
    } catch (IOException e) {
      LOG.warn("{} cannot be read", taken.journal(), e);
      unreadable.add(taken.journal() + ": " + e.getMessage());
    }
    taken.lock().close();
    return Optional.empty();
  }

  private List<Path> all() {
    return all("*" + ENDING);
  }

  private List<Path> all(String pattern) {
    List<Path> result = new ArrayList<>();
    if (Files.isDirectory(folder)) {
      try (DirectoryStream<Path> journals = Files.newDirectoryStream(folder, pattern)) {
        journals.forEach(result::add);
      } catch (IOException | RuntimeException e) {
        LOG.warn("{} cannot be looked through", folder, e);
      }
    }
    return result;
  }

  private static String nameOf(Path journal) {
    String file = journal.getFileName().toString();
    return file.substring(0, file.length() - ENDING.length());
  }

  /** What was being written anew when a program ended. */
  private void throwAwayUnfinished() {
    for (Path part : all("*" + ENDING + Rewriting.ENDING)) {
      String file = part.getFileName().toString();
      String name = file.substring(0, file.length() - (ENDING + Rewriting.ENDING).length());
      Optional<Locks.Lock> lock = locks.take(name, "", wallMillis.getAsLong());
      if (lock.isPresent()) {
        try {
          Files.deleteIfExists(part);
        } catch (IOException e) {
          LOG.debug("{} stays", part, e);
        } finally {
          lock.get().close();
        }
      }
    }
  }

  /** Of songs that were left, whose undo histories take more room than there is for them. */
  private void throwAwayOldest(List<Path> left) {
    try {
      List<Path> latestFirst = new ArrayList<>(left);
      latestFirst.sort(Comparator.comparingLong(Journals::modified).reversed());
      long bytes = 0;
      for (Path journal : latestFirst) {
        bytes += Files.size(journal);
        if (bytes > MOST_BYTES) {
          Files.deleteIfExists(journal);
        }
      }
    } catch (IOException e) {
      LOG.debug("Old journals stay", e);
    }
  }

  private static long modified(Path file) {
    try {
      return Files.getLastModifiedTime(file).toMillis();
    } catch (IOException e) {
      return 0;
    }
  }

  /** Gives a journal a name of its own, so that the file of its song can have another. */
  public void setApart(Path journal) throws IOException {
    if (Files.exists(journal)) {
      Durable.move(journal, pathOf(newName()));
    }
  }

  private static String newName() {
    return "new-" + UUID.randomUUID();
  }
}
