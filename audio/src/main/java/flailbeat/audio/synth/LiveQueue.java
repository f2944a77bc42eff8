package flailbeat.audio.synth;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.concurrent.atomic.AtomicLong;

/**
 * Live notes on their way from one thread to one other, without a lock and without waiting. It
 * holds {@value #CAPACITY}; what does not fit is counted.
 */
public final class LiveQueue {
  /** Far more than ten fingers can strike in a block. */
  public static final int CAPACITY = 4096;

  /** What {@link #poll} gives when there is nothing. */
  public static final int NOTHING = 0;

  private final AtomicIntegerArray messages = new AtomicIntegerArray(CAPACITY);
  private final AtomicInteger lost = new AtomicInteger();
  private final AtomicLong written = new AtomicLong();
  private final AtomicLong read = new AtomicLong();

  /** Adds a packed channel message; false when it is full. */
  public boolean offer(int message) {
    long at = written.get();
    if (at - read.get() >= CAPACITY) {
      lost.incrementAndGet();
      return false;
    }
    messages.set((int) (at % CAPACITY), message);
    written.set(at + 1);
    return true;
  }

  /** Takes the oldest message, or {@link #NOTHING}. */
  public int poll() {
    long at = read.get();
    if (at == written.get()) {
      return NOTHING;
    }
    int message = messages.get((int) (at % CAPACITY));
    read.set(at + 1);
    return message;
  }

  /** How many messages did not fit, ever. */
  public int lost() {
    return lost.get();
  }
}
