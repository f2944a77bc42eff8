package flailbeat.app.shell.work;

import flailbeat.core.work.Progress;
import flailbeat.core.work.Workshop;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
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
  /** What takes longer than this is shown. */
  static final long LONG_NANOS = 400_000_000;

  private final ExecutorService executor = Daemons.single("workshop");
  private final Deque<Work<?>> begun = new ArrayDeque<>();

  @Override
  public <T> Job start(
      Function<Progress, T> work,
      Consumer<T> onDone,
      Consumer<RuntimeException> onFault,
      Runnable onLeftOff) {
    Work<T> task = new Work<>(work, onLeftOff);
    task.setOnSucceeded(e -> ended(task, () -> onDone.accept(task.getValue())));
    task.setOnFailed(
        e -> ended(task, () -> onFault.accept(new IllegalStateException(task.getException()))));
    begun.add(task);
    executor.execute(task);
    return () -> {
      begun.remove(task);
      task.cancel();
    };
  }

  private void ended(Work<?> task, Runnable callback) {
    begun.remove(task);
    callback.run();
  }

  /** How far what goes on is, 0 to 1, once it has taken a while; empty when nothing does. */
  public Optional<Double> progress() {
    return Optional.ofNullable(begun.peek())
        .filter(Work::takesLong)
        .map(w -> Math.max(0, w.getProgress()));
  }

  /** Calls off all that goes on or waits, because the person does not want to wait for it. */
  public void leaveOff() {
    List<Work<?>> unwanted = List.copyOf(begun);
    begun.clear();
    unwanted.forEach(Task::cancel);
    unwanted.forEach(w -> w.onLeftOff.run());
  }

  private static final class Work<T> extends Task<T> {
    private final Function<Progress, T> work;
    private final Runnable onLeftOff;
    private final long begunAtNanos = System.nanoTime();

    Work(Function<Progress, T> work, Runnable onLeftOff) {
      this.work = work;
      this.onLeftOff = onLeftOff;
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
