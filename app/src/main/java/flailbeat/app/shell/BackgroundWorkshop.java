package flailbeat.app.shell;

import flailbeat.core.work.Progress;
import flailbeat.core.work.Workshop;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.concurrent.Task;

/**
 * Does work on a thread of its own, one piece after the other, and says on the window's thread how
 * far it is.
 */
public final class BackgroundWorkshop implements Workshop {
  private final ExecutorService executor = Daemons.single("workshop");
  private Optional<Work<?>> running = Optional.empty();

  @Override
  public <T> Job start(
      Function<Progress, T> work, Consumer<T> onDone, Consumer<RuntimeException> onFault) {
    Work<T> task = new Work<>(work);
    task.setOnSucceeded(e -> ended(task, () -> onDone.accept(task.getValue())));
    task.setOnFailed(
        e -> ended(task, () -> onFault.accept(new IllegalStateException(task.getException()))));
    running = Optional.of(task);
    executor.execute(task);
    return task::cancel;
  }

  private void ended(Work<?> task, Runnable callback) {
    if (running.filter(r -> r == task).isPresent()) {
      running = Optional.empty();
    }
    callback.run();
  }

  /** How far what goes on is, 0 to 1, once it has taken a while; empty when nothing does. */
  public Optional<Double> progress() {
    return running
        .filter(r -> !r.isCancelled() && r.takesLong())
        .map(r -> Math.max(0, r.getProgress()));
  }

  /** Calls off what goes on. */
  public void cancel() {
    running.ifPresent(Task::cancel);
    running = Optional.empty();
  }

  private static final class Work<T> extends Task<T> {
    private static final long LONG_NANOS = 400_000_000;

    private final Function<Progress, T> work;
    private final long begunAtNanos = System.nanoTime();

    Work(Function<Progress, T> work) {
      this.work = work;
    }

    @Override
    protected T call() {
      return work.apply(
          done -> {
            if (isCancelled()) {
              throw new CancellationException();
            }
            updateProgress(done, 1);
          });
    }

    boolean takesLong() {
      return System.nanoTime() - begunAtNanos > LONG_NANOS;
    }
  }
}
