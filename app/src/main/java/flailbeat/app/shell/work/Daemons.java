package flailbeat.app.shell.work;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;

/** Threads that do not keep the application from ending. */
public final class Daemons {
  private Daemons() {}

  public static Thread of(String name, Runnable work) {
    Thread thread = new Thread(work, name);
    thread.setDaemon(true);
    return thread;
  }

  /** One thread, which does what it is given in that order. */
  public static ExecutorService single(String name) {
    return Executors.newSingleThreadExecutor(work -> of(name, work));
  }

  /** The same, which does things later too. */
  public static ScheduledExecutorService scheduled(String name) {
    return Executors.newSingleThreadScheduledExecutor(work -> of(name, work));
  }
}
