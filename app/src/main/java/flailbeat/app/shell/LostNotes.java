package flailbeat.app.shell;

import flailbeat.core.session.document.Notice;
import flailbeat.core.session.document.Notices;
import java.util.function.IntSupplier;

/** Tells of notes that were played and could not sound. */
final class LostNotes {
  private final Notices notices;
  private final IntSupplier lost;
  private int told;

  LostNotes(Notices notices, IntSupplier lost) {
    this.notices = notices;
    this.lost = lost;
  }

  /** Tells of those that were not told yet. */
  void tell() {
    int now = lost.getAsInt();
    if (now > told) {
      told = now;
      notices.tell(
          new Notice(now + " played notes came too fast to sound; they are recorded", true));
    }
  }
}
