package flailbeat.app.shell;

import flailbeat.core.session.Session;
import javafx.application.Platform;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Brings faults that nobody caught, on whatever thread, before the person; what can go on goes on.
 * Where several come in a row, it is asked whether to begin anew.
 */
public final class Mishaps {
  private static final Logger LOG = LoggerFactory.getLogger(Mishaps.class);
  private static final int MANY = 3;
  private static final long IN_A_ROW_NANOS = 60_000_000_000L;

  private final Session session;
  private final Runnable onMany;
  private long firstNanos;
  private int count;
  private boolean asking;

  private Mishaps(Session session, Runnable onMany) {
    this.session = session;
    this.onMany = onMany;
  }

  /**
   * Called on the window's thread.
   *
   * @param onMany asks what to do where several came in a row
   */
  public static void tellIn(Session session, Runnable onMany) {
    Mishaps mishaps = new Mishaps(session, onMany);
    Thread.currentThread().setUncaughtExceptionHandler((thread, e) -> mishaps.tell(e));
    Thread.setDefaultUncaughtExceptionHandler(
        (thread, e) -> Platform.runLater(() -> mishaps.tell(e)));
  }

  private void tell(Throwable e) {
    session.notices().mishap(e);
    long now = System.nanoTime();
    if (count == 0 || now - firstNanos > IN_A_ROW_NANOS) {
      firstNanos = now;
      count = 0;
    }
    count++;
    if (count >= MANY && !asking) {
      asking = true;
      // A question cannot be asked in the middle of a frame.
      Platform.runLater(this::ask);
    }
  }

  private void ask() {
    try {
      onMany.run();
    } catch (RuntimeException e) {
      LOG.error("It cannot be asked what to do", e);
    } finally {
      asking = false;
      count = 0;
    }
  }
}
