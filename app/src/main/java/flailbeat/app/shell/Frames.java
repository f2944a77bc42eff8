package flailbeat.app.shell;

import flailbeat.app.shell.work.Daemons;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/**
 * One timer moves everything that moves, frame by frame. Where nothing has moved for {@value
 * #REST_NANOS} ns it rests, since a window that waits should cost nothing; whatever happens wakes
 * it. While it rests it only looks now and then at what may happen by itself.
 */
final class Frames extends AnimationTimer {
  private static final long REST_NANOS = 2_000_000_000;
  private static final long WATCH_NANOS = 500_000_000;
  private static final long LOOK_NANOS = 1_000_000_000;

  private final Runnable frame;
  private final Runnable watch;
  private final BooleanSupplier isMoving;
  private final ScheduledExecutorService watching =
      Executors.newSingleThreadScheduledExecutor(work -> Daemons.of("watch", work));
  private long movedAtNanos;
  private long lastWatch;
  private boolean rests;
  private boolean closed;

  /**
   * Frames that have not begun.
   *
   * @param frame done for each frame
   * @param watch done about twice a second, also while it rests
   * @param isMoving whether something moves by itself now
   */
  Frames(Runnable frame, Runnable watch, BooleanSupplier isMoving) {
    this.frame = frame;
    this.watch = watch;
    this.isMoving = isMoving;
  }

  @Override
  public void start() {
    movedAtNanos = System.nanoTime();
    super.start();
    watching.scheduleWithFixedDelay(
        () -> Platform.runLater(this::look), LOOK_NANOS, LOOK_NANOS, TimeUnit.NANOSECONDS);
  }

  /** Something has happened, or may be about to. */
  void wake() {
    movedAtNanos = System.nanoTime();
    if (rests && !closed) {
      rests = false;
      super.start();
    }
  }

  /** Ends for good. */
  void close() {
    closed = true;
    stop();
    watching.shutdown();
  }

  /** Whether it rests. */
  boolean isResting() {
    return rests;
  }

  @Override
  public void handle(long now) {
    frame.run();
    long since = System.nanoTime();
    if (since - lastWatch > WATCH_NANOS) {
      lastWatch = since;
      watch.run();
      if (isMoving.getAsBoolean()) {
        movedAtNanos = since;
      } else if (since - movedAtNanos > REST_NANOS) {
        rests = true;
        stop();
      }
    }
  }

  private void look() {
    if (rests && !closed) {
      watch.run();
      if (isMoving.getAsBoolean()) {
        wake();
      }
    }
  }
}
