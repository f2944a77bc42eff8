package flailbeat.app.shell.files;

import flailbeat.core.session.Session;
import java.util.function.BooleanSupplier;

/** Saves a song that has a file by itself, where that is wished for, while nothing goes on. */
final class Autosave {
  private static final long MINUTE_NANOS = 60_000_000_000L;

  private final Session session;
  private final SongSaving saving;
  private long sinceNanos;
  private boolean waits;

  Autosave(Session session, SongSaving saving) {
    this.session = session;
    this.saving = saving;
  }

  /**
   * Called now and then.
   *
   * @param busy whether something is held that saving must not disturb
   */
  void watch(long nowNanos, BooleanSupplier busy) {
    int minutes = session.person().songs().kept().autosaveMinutes();
    boolean unsaved = session.document().hasUnsavedWork() && session.document().file().isPresent();
    if (minutes == 0 || !unsaved) {
      waits = false;
      return;
    }
    if (!waits) {
      waits = true;
      sinceNanos = nowNanos;
    }
    boolean due = nowNanos - sinceNanos >= minutes * MINUTE_NANOS;
    boolean quiet =
        !session.runControl().transport().isRunning()
            && session.performer().hands().soundingPitches().isEmpty()
            && !busy.getAsBoolean();
    if (due && quiet) {
      waits = false;
      saving.saveQuietly();
    }
  }
}
