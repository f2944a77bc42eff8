package flailbeat.audio.line;

import flailbeat.core.time.Clock;
import java.util.concurrent.locks.LockSupport;

/** Lets sound fall silent, at the right speed: what is used where there is no device. */
public final class SilentLine implements OutputLine {
  private static final long LATENCY_NANOS = 5_000_000;

  /** Later than this, as after a laptop's sleep, it goes on from now; less is caught up with. */
  private static final long STALL_NANOS = 3_000_000_000L;

  private static final long NANOS_PER_SECOND = 1_000_000_000;

  private final Clock clock;
  private long startNanos;
  private long frames;

  public SilentLine(Clock clock) {
    this.clock = clock;
    startNanos = clock.nanoTime() + LATENCY_NANOS;
  }

  @Override
  public void write(byte[] block) {
    frames += block.length / BYTES_PER_FRAME;
    long due = nextHeardNanos() - LATENCY_NANOS;
    long wait = due - clock.nanoTime();
    if (wait < -STALL_NANOS) {
      startNanos -= wait;
    }
    while (wait > 0) {
      LockSupport.parkNanos(wait);
      if (Thread.currentThread().isInterrupted()) {
        return;
      }
      wait = due - clock.nanoTime();
    }
  }

  @Override
  public long nextHeardNanos() {
    return startNanos + frames * NANOS_PER_SECOND / FRAME_RATE;
  }

  @Override
  public long latencyNanos() {
    return LATENCY_NANOS;
  }

  @Override
  public void close() {
    // Holds nothing.
  }
}
