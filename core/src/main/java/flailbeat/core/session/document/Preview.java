package flailbeat.core.session.document;

import flailbeat.core.time.Clock;
import flailbeat.core.work.Progress;
import flailbeat.core.work.Workshop;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.BiPredicate;
import java.util.function.Supplier;

/**
 * Something that is worked out of what there is now, away from the window's thread, once there has
 * been a short quiet time. What was worked out of anything else is never given.
 *
 * @param <R> what it is worked out of; immutable
 * @param <V> what comes of it
 */
public final class Preview<R, V> {
  /** How long nothing must have changed before work begins. */
  static final long QUIET_NANOS = 40_000_000;

  private final Supplier<R> now;
  private final BiPredicate<R, R> isSame;
  private final BiFunction<R, Progress, V> work;
  private final Workshop workshop;
  private final Clock clock;
  private final Notices notices;
  private final Runnable onReady;
  private Optional<Result<R, V>> result = Optional.empty();
  private Optional<R> seen = Optional.empty();
  private Optional<Running<R>> running = Optional.empty();
  private Optional<R> leftOff = Optional.empty();
  private long seenAtNanos;

  private record Result<R, V>(R of, V value) {}

  private record Running<R>(R of, Workshop.Job job) {}

  /**
   * Nothing is worked out yet.
   *
   * @param now gives what there is
   * @param onReady follows when something was worked out that is still wanted, or left off
   */
  public Preview(
      Supplier<R> now,
      BiPredicate<R, R> isSame,
      BiFunction<R, Progress, V> work,
      Workshop workshop,
      Clock clock,
      Notices notices,
      Runnable onReady) {
    this.now = now;
    this.isSame = isSame;
    this.work = work;
    this.workshop = workshop;
    this.clock = clock;
    this.notices = notices;
    this.onReady = onReady;
  }

  /** What comes of what there is now, if it has been worked out. */
  public Optional<V> ready() {
    if (workshop.isImmediate()) {
      return Optional.of(get());
    }
    R wanted = now.get();
    return result.filter(r -> isSame.test(r.of(), wanted)).map(Result::value);
  }

  /** What comes of what there is now, worked out on the spot if it must be. */
  public V get() {
    R wanted = now.get();
    if (result.filter(r -> isSame.test(r.of(), wanted)).isEmpty()) {
      result = Optional.of(new Result<>(wanted, work.apply(wanted, Progress.NONE)));
    }
    return result.get().value();
  }

  /** Whether the person left off what would come of what there is now. */
  public boolean isLeftOff() {
    return isLeftOff(now.get());
  }

  private boolean isLeftOff(R wanted) {
    return leftOff.filter(r -> isSame.test(r, wanted)).isPresent();
  }

  /** What was left off is wanted after all. */
  public void again() {
    leftOff = Optional.empty();
  }

  /** Called for each frame drawn: begins the work once it has been quiet. */
  public void tick() {
    if (workshop.isImmediate()) {
      return;
    }
    R wanted = now.get();
    boolean known = result.filter(r -> isSame.test(r.of(), wanted)).isPresent();
    boolean begun = running.filter(r -> isSame.test(r.of(), wanted)).isPresent();
    if (known || begun || isLeftOff(wanted)) {
      return;
    }
    leftOff = Optional.empty();
    running.ifPresent(r -> r.job().cancel());
    running = Optional.empty();
    if (seen.filter(s -> isSame.test(s, wanted)).isEmpty()) {
      seen = Optional.of(wanted);
      seenAtNanos = clock.nanoTime();
    } else if (clock.nanoTime() - seenAtNanos >= QUIET_NANOS) {
      begin(wanted);
    }
  }

  private void begin(R wanted) {
    Workshop.Job job =
        workshop.start(
            progress -> work.apply(wanted, progress),
            value -> done(wanted, value),
            fault -> {
              result = Optional.empty();
              running = Optional.empty();
              // As it stands it would only fail again; of anything else it is begun anew.
              leftOff = Optional.of(wanted);
              notices.mishap(fault);
            },
            () -> {
              running = Optional.empty();
              leftOff = Optional.of(wanted);
              onReady.run();
            });
    running = Optional.of(new Running<>(wanted, job));
  }

  private void done(R of, V value) {
    running = Optional.empty();
    if (isSame.test(of, now.get())) {
      result = Optional.of(new Result<>(of, value));
      onReady.run();
    }
  }
}
