package flailbeat.app.shell.work;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.function.Consumer;
import javafx.concurrent.Task;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Reads and writes files away from the window's thread and brings the result back to it. How far it
 * is cannot be told; what only reads can be left off.
 */
public final class Background {
  private static final Logger LOG = LoggerFactory.getLogger(Background.class);

  /** Work that reads or writes files. */
  @FunctionalInterface
  public interface Work<T> {
    T call() throws IOException;
  }

  private final ExecutorService executor = Daemons.single("background");
  private final Consumer<String> onBusy;
  private final List<Runnable> afterWriting = new ArrayList<>();
  private Optional<Going> going = Optional.empty();
  private int writing;

  /** What is being done, since when, and how to leave it off if one can. */
  private record Going(Task<?> task, long begunAtNanos, Optional<Runnable> leave) {}

  /**
   * Makes a runner.
   *
   * @param onBusy told what is being done as it begins
   */
  public Background(Consumer<String> onBusy) {
    this.onBusy = onBusy;
  }

  /** Writes: one of the two callbacks follows on the window's thread. */
  public <T> void write(
      String doing, Work<T> work, Consumer<T> onDone, Consumer<IOException> onFault) {
    writing++;
    Task<T> task =
        begin(
            doing,
            work,
            done -> written(() -> onDone.accept(done)),
            fault -> {
              // Whoever waits for it to be written must see that it was not.
              afterWriting.clear();
              written(() -> onFault.accept(fault));
            });
    going = Optional.of(new Going(task, System.nanoTime(), Optional.empty()));
  }

  private void written(Runnable callback) {
    writing--;
    callback.run();
    if (writing == 0) {
      List<Runnable> waiting = List.copyOf(afterWriting);
      afterWriting.clear();
      waiting.forEach(Runnable::run);
    }
  }

  /** Does something once nothing is being written: at once where nothing is. */
  public void whenWritten(Runnable then) {
    if (writing == 0) {
      then.run();
    } else {
      afterWriting.add(then);
      onBusy.accept("A file is still being written: then this goes on");
    }
  }

  /** Reads: the same, or a word that it was left off. */
  public <T> void read(
      String doing, Work<T> work, Consumer<T> onDone, Consumer<IOException> onFault) {
    Task<T> task = begin(doing, work, onDone, onFault);
    Runnable leave =
        () -> {
          task.cancel(false);
          onBusy.accept("Left off: " + doing);
        };
    going = Optional.of(new Going(task, System.nanoTime(), Optional.of(leave)));
  }

  /** Whether something goes on that has taken a while. */
  public boolean takesLong() {
    return going
        .filter(g -> !g.task().isDone())
        .filter(g -> System.nanoTime() - g.begunAtNanos() > BackgroundWorkshop.LONG_NANOS)
        .isPresent();
  }

  /** Whether what goes on can be left off. */
  public boolean canBeLeft() {
    return going.filter(g -> !g.task().isDone() && g.leave().isPresent()).isPresent();
  }

  /** Leaves off what only reads: nothing of it follows. */
  public void leaveOff() {
    going.filter(g -> !g.task().isDone()).flatMap(Going::leave).ifPresent(Runnable::run);
  }

  private <T> Task<T> begin(
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
    return task;
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
