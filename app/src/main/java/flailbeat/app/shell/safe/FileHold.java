package flailbeat.app.shell.safe;

import flailbeat.core.journal.JournalReading;
import flailbeat.core.journal.Locks;
import java.util.List;
import java.util.Optional;

/**
 * What this window has of a file that is about to be opened.
 *
 * @param locks keep others from it
 * @param journal that of the file with what was done before, and its lock the last of those
 * @param elsewhere whether another window has the file open
 * @param holder which one, as far as that is known
 */
public record FileHold(
    List<Locks.Lock> locks,
    Optional<JournalReading> journal,
    boolean elsewhere,
    Optional<Locks.Holder> holder) {
  /** Of what is no project, nothing needs to be kept from others. */
  public static final FileHold NONE =
      new FileHold(List.of(), Optional.empty(), false, Optional.empty());

  /** It is not opened after all. */
  public void letGo() {
    locks.forEach(Locks.Lock::close);
  }
}
