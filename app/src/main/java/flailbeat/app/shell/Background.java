package flailbeat.app.shell;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.concurrent.ExecutorService;
import java.util.function.Consumer;
import javafx.concurrent.Task;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Runs long work away from the window's thread and brings its result back to it. */
public final class Background {
  private static final Logger LOG = LoggerFactory.getLogger(Background.class);

  /** Work that reads or writes files. */
  @FunctionalInterface
  public interface Work<T> {
    T call() throws IOException;
  }

  private final ExecutorService executor = Daemons.single("background");
  private final Consumer<String> onBusy;

  /**
   * Makes a runner.
   *
   * @param onBusy told what is being done as it begins
   */
  public Background(Consumer<String> onBusy) {
    this.onBusy = onBusy;
  }

  /** Runs work; one of the two callbacks follows on the window's thread. */
  public <T> void run(
      String doing, Work<T> work, Consumer<T> onDone, Consumer<IOException> onFault) {
    Task<T> task =
        new Task<>() {
          @Override
          protected T call() throws IOException {
            return work.call();
          }
        };
    task.setOnSucceeded(e -> onDone.accept(task.getValue()));
    task.setOnFailed(e -> onFault.accept(asFault(doing, task.getException())));
    onBusy.accept(doing + " ...");
    executor.execute(task);
  }

  private static IOException asFault(String doing, Throwable e) {
    return switch (e) {
      case IOException fault -> fault;
      case UncheckedIOException fault -> fault.getCause();
      default -> {
        LOG.error("{} failed", doing, e);
        yield new IOException("this should not have happened: " + e, e);
      }
    };
  }
}
