package flailbeat.core.time;

/** Where performed time comes from: nanoseconds that never go back, from an arbitrary origin. */
@FunctionalInterface
public interface Clock {
  /** The machine's monotonic clock. */
  Clock SYSTEM = System::nanoTime;

  /** The time now, in nanoseconds; only differences mean anything. */
  long nanoTime();
}
