package flailbeat.audio.synth;

import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicLongArray;
import java.util.concurrent.locks.LockSupport;

/**
 * Messages on their way from the audio thread to the one that sends them to a MIDI output, each
 * with the moment when it is due; without a lock and without waiting. It holds {@value #CAPACITY};
 * what does not fit is counted.
 */
public final class PortQueue {
  private static final int CAPACITY = 16_384;

  private final AtomicIntegerArray messages = new AtomicIntegerArray(CAPACITY);
  private final AtomicLongArray due = new AtomicLongArray(CAPACITY);
  private final AtomicLong written = new AtomicLong();
  private final AtomicLong read = new AtomicLong();
  private final AtomicLong lost = new AtomicLong();
  private volatile Thread reader;

  /** Says who is woken when something comes. */
  public void readBy(Thread thread) {
    reader = thread;
  }

  /**
   * Adds a message.
   *
   * @param message status with its channel, and its data: {@code status | data1 << 8 | data2 << 16}
   * @param dueNanos of the system's clock
   */
  void offer(int message, long dueNanos) {
    long at = written.get();
    if (at - read.get() >= CAPACITY) {
      lost.incrementAndGet();
      return;
    }
    int index = (int) (at % CAPACITY);
    messages.set(index, message);
    due.set(index, dueNanos);
    written.set(at + 1);
    LockSupport.unpark(reader);
  }

  public boolean isEmpty() {
    return read.get() == written.get();
  }

  /** When the next is due; there must be one. */
  public long nextDueNanos() {
    return due.get((int) (read.get() % CAPACITY));
  }

  /** Takes the next; there must be one. */
  public int take() {
    long at = read.get();
    int message = messages.get((int) (at % CAPACITY));
    read.set(at + 1);
    return message;
  }

  /** How many did not fit, ever. */
  public long lost() {
    return lost.get();
  }
}
