package flailbeat.app.shell;

import flailbeat.core.session.Session;
import javafx.application.Platform;

/** Brings faults that nobody caught, on whatever thread, before the person. */
public final class Mishaps {
  private Mishaps() {}

  /** Called on the window's thread. */
  public static void tellIn(Session session) {
    Thread.currentThread().setUncaughtExceptionHandler((thread, e) -> session.notices().mishap(e));
    Thread.setDefaultUncaughtExceptionHandler(
        (thread, e) -> Platform.runLater(() -> session.notices().mishap(e)));
  }
}
