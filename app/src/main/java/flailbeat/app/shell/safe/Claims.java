package flailbeat.app.shell.safe;

import flailbeat.core.journal.Journals;
import flailbeat.core.journal.Locks;
import flailbeat.core.journal.SavedFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.LongSupplier;

/** Keeps other windows from the files that are open in this one, and this one from theirs. */
public final class Claims {
  private final Locks locks;
  private final Journals journals;
  private final JournalKeeper keeper;
  private final LongSupplier wallMillis;

  Claims(Locks locks, Journals journals, JournalKeeper keeper, LongSupplier wallMillis) {
    this.locks = locks;
    this.journals = journals;
    this.keeper = keeper;
    this.wallMillis = wallMillis;
  }

  /** Takes hold of a project that is about to be opened. Not for the window's thread. */
  public FileHold hold(SavedFile file, String title) {
    // A song that was left a moment ago may still have it.
    keeper.settle();
    String name = Locks.fileNameOf(file.path());
    List<Locks.Lock> taken = new ArrayList<>();
    Optional<Locks.Lock> lock = locks.take(name, title, wallMillis.getAsLong());
    lock.ifPresent(taken::add);
    if (lock.isEmpty() && !locks.has(name)) {
      return new FileHold(taken, Optional.empty(), true, locks.holder(name));
    }
    Optional<Journals.History> before = journals.takeHistory(file, title);
    before.ifPresent(h -> taken.add(h.lock()));
    return new FileHold(
        List.copyOf(taken), before.map(Journals.History::reading), false, Optional.empty());
  }

  /** A file that another window has open, which must not be written here. */
  public static final class HeldFault extends IOException {
    private static final long serialVersionUID = 1;

    HeldFault(String message) {
      super(message);
    }
  }

  /**
   * Takes hold of a file that the song is about to be saved to. Not for the window's thread.
   *
   * @throws HeldFault when another window has it open
   */
  public void holdToSave(Path file, String title) throws HeldFault {
    String name = Locks.fileNameOf(file);
    if (!locks.has(name)) {
      Locks.Lock lock =
          locks
              .take(name, title, wallMillis.getAsLong())
              .orElseThrow(
                  () ->
                      new HeldFault(
                          "it is open in "
                              + words(locks.holder(name))
                              + "; save under another name"));
      keeper.alsoHolds(lock);
    }
  }

  /** Which window that is. */
  public static String words(Optional<Locks.Holder> holder) {
    return holder
        .map(h -> "another window, with \u201c" + h.title() + "\u201d (process " + h.pid() + ")")
        .orElse("another window");
  }
}
