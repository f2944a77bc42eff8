package flailbeat.audio.synth;

import flailbeat.core.playback.PlaybackPlan;
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

  /** What of a message's highest bits is its part. */
  static final int PART = 0x3F;

  /** Says that a message is for what plays as well, and stays. */
  private static final int DIAL = 1 << 30;

  private final AtomicIntegerArray messages = new AtomicIntegerArray(CAPACITY);
  private final AtomicInteger lost = new AtomicInteger();
  private final AtomicLong written = new AtomicLong();
  private final AtomicLong read = new AtomicLong();

  /** Adds a packed channel message that is for what plays as well, and stays. */
  public void offerDial(int message) {
    offer(message | DIAL);
  }

  /** Tells the output that a part goes to which program it plays. */
  public void offerProgram(int part, int program) {
    offer(PlaybackPlan.message(part, 0xC0, program, 0));
  }

  static boolean isDial(int message) {
    return (message & DIAL) != 0;
  }

  /**
   * Adds a packed channel message; false when it is full. Called by the thread that hears the keys
   * and by the one that opens outputs; the one that takes never waits for them.
   */
  public synchronized boolean offer(int message) {
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
