package flailbeat.app.shell.safe;

import flailbeat.app.place.Places;
import flailbeat.core.journal.Journals;
import flailbeat.core.journal.Locks;
import flailbeat.core.version.Versions;
import java.nio.file.Path;

/**
 * All that keeps work from being lost.
 *
 * @param locks tell copies of the application from one another
 */
public record Safekeeping(
    Locks locks, Journals journals, JournalKeeper keeper, Claims claims, Versions versions) {
  private static final long FLUSH_MILLIS = 1_500;

  /** Where this system keeps such things. */
  public static Safekeeping standard() {
    return in(Places.state(), Places.versions());
  }

  /**
   * In folders, which need not be there yet.
   *
   * @param folder for what outlives the program
   * @param versions for earlier versions of songs
   */
  public static Safekeeping in(Path folder, Path versions) {
    Path place = Places.journalsIn(folder);
    Locks locks = new Locks(place);
    Journals journals = new Journals(place, locks, System::currentTimeMillis);
    JournalKeeper keeper = new JournalKeeper(journals, locks, System::currentTimeMillis);
    Claims claims = new Claims(locks, journals, keeper, System::currentTimeMillis);
    return new Safekeeping(
        locks, journals, keeper, claims, new Versions(versions, System::currentTimeMillis));
  }

  /** What waits is written when the program is ended from outside. */
  public void flushAtEnd() {
    Runtime.getRuntime()
        .addShutdownHook(new Thread(() -> keeper.flush(FLUSH_MILLIS), "journal-flush"));
  }

  /** Another window goes on, which is offered all that there is; this one ends at once. */
  public void goOnAnew() {
    keeper.flush(FLUSH_MILLIS);
    locks.close();
    // Where the system does not say how, it is started again by hand.
    Anew.start();
    Runtime.getRuntime().halt(0);
  }

  /**
   * The window is closed.
   *
   * @param unsaved whether the song has changes that stand in no file
   */
  public void close(boolean unsaved) {
    keeper.close(unsaved);
    locks.close();
  }
}
