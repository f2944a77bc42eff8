package flailbeat.audio.midi;

import flailbeat.audio.synth.PortQueue;
import flailbeat.core.time.Clock;
import java.util.Set;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Sends what is due to a MIDI output, on a thread of its own. What still sounds there ends before
 * it is let go.
 */
final class PortSender {
  private static final Logger LOG = LoggerFactory.getLogger(PortSender.class);
  private static final long LONGEST_WAIT_NANOS = 20_000_000;

  /** Sustain and sostenuto: what holds notes. */
  private static final Set<Integer> PEDALS = Set.of(64, 66);

  private static final long JOIN_MILLIS = 500;

  private final MidiOutput output;
  private final PortQueue queue;
  private final Clock clock;
  private final MidiMonitor monitor;
  private final Consumer<String> onLost;
  private final boolean[] sounding = new boolean[16 << 7];

  /** Which pedals are down, by channel and controller. */
  private final boolean[] pedals = new boolean[16 << 7];

  private long lost;
  private final Thread thread;
  private volatile boolean running = true;

  PortSender(
      MidiOutput output,
      PortQueue queue,
      Clock clock,
      MidiMonitor monitor,
      Consumer<String> onLost) {
    this.output = output;
    this.queue = queue;
    this.clock = clock;
    this.monitor = monitor;
    this.onLost = onLost;
    thread = new Thread(this::run, "midi-output");
    thread.setDaemon(true);
    thread.setPriority(Thread.MAX_PRIORITY);
  }

  void start() {
    queue.readBy(thread);
    thread.start();
  }

  MidiOutput output() {
    return output;
  }

  private void run() {
    try {
      while (running) {
        endWhatWasLost();
        long wait = queue.isEmpty() ? LONGEST_WAIT_NANOS : queue.nextDueNanos() - clock.nanoTime();
        if (!queue.isEmpty() && wait <= 0) {
          send(queue.take());
        } else {
          LockSupport.parkNanos(Math.min(wait, LONGEST_WAIT_NANOS));
        }
      }
      while (!queue.isEmpty()) {
        int message = queue.take();
        if ((message & 0xF0) == 0x80) {
          send(message);
        }
      }
      endAll();
    } catch (RuntimeException e) {
      LOG.warn("{} takes no more", output.name(), e);
      onLost.accept(output.name());
    } finally {
      output.close();
    }
  }

  private void send(int message) {
    int status = message & 0xFF;
    int data1 = message >> 8 & 0x7F;
    int data2 = message >> 16 & 0x7F;
    monitor.take(clock.nanoTime(), false, output.name(), status, data1, data2);
    output.send(status, data1, data2);
    int key = (status & 0xF) << 7 | data1;
    switch (status & 0xF0) {
      case 0x90 -> sounding[key] = data2 > 0;
      case 0x80 -> sounding[key] = false;
      case 0xB0 -> pedals[key] = PEDALS.contains(data1) && data2 > 0;
      default -> {
        // It sounds as before.
      }
    }
  }

  /** Among what found no room in the queue were ends of notes: all that sounds ends then. */
  private void endWhatWasLost() {
    long now = queue.lost();
    if (now > lost && queue.isEmpty()) {
      lost = now;
      LOG.warn("{} is too slow: {} messages were lost so far", output.name(), now);
      endAll();
    }
  }

  private void endAll() {
    for (int key = 0; key < sounding.length; key++) {
      if (sounding[key]) {
        send(0x80 | key >> 7 | (key & 127) << 8 | 64 << 16);
      }
    }
    for (int key = 0; key < pedals.length; key++) {
      if (pedals[key]) {
        send(0xB0 | key >> 7 | (key & 127) << 8);
      }
    }
  }

  /** Ends what sounds there, and lets the output go; waits a little. */
  void finish() {
    running = false;
    LockSupport.unpark(thread);
    try {
      thread.join(JOIN_MILLIS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
