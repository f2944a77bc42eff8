package flailbeat.core.work;

import java.util.function.Consumer;
import java.util.function.Function;

/** Where work goes that takes long: away from the thread that asks for it, where there is one. */
public interface Workshop {
  /** Does everything at once, on the thread that asks. */
  Workshop HERE =
      new Workshop() {
        @Override
        public <T> Job start(
            Function<Progress, T> work,
            Consumer<T> onDone,
            Consumer<RuntimeException> onFault,
            Runnable onLeftOff) {
          onDone.accept(work.apply(Progress.NONE));
          return () -> {};
        }

        @Override
        public boolean isImmediate() {
          return true;
        }
      };

  /** Work that was begun. */
  interface Job {
    /** Calls it off: none of its callbacks follows. */
    void cancel();
  }

  /**
   * Begins a piece of work.
   *
   * @param work must use nothing that changes
   * @param onDone follows on the thread that asks, unless it was called off
   * @param onFault follows instead, when the work fails
   * @param onLeftOff follows instead, when the person does not want to wait for it
   */
  <T> Job start(
      Function<Progress, T> work,
      Consumer<T> onDone,
      Consumer<RuntimeException> onFault,
      Runnable onLeftOff);

  /** Whether what is begun is done by the time {@link #start} returns. */
  default boolean isImmediate() {
    return false;
  }
}
