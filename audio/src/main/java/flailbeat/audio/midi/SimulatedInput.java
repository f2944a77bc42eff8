package flailbeat.audio.midi;

import flailbeat.core.event.Performed;
import flailbeat.core.time.Clock;
import java.util.Random;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A MIDI keyboard that is not there: it plays a short phrase, loosely and a little late, again and
 * again for as long as it is listened to. It can be unplugged.
 */
public final class SimulatedInput implements MidiInput {
  private static final Logger LOG = LoggerFactory.getLogger(SimulatedInput.class);
  private static final int[] PITCHES = {62, 65, 69, 67, 65, 64, 62, 57};
  private static final long BEAT_MS = 625;
  private static final double LATE_MS = 20;
  private static final double LOOSE_MS = 15;
  private static final int REST_BEATS = 4;
  private static final long SEED = 20_261_123;
  private static final long NANOS_PER_MS = 1_000_000;

  private final Clock clock;
  private final MidiMonitor monitor;
  private volatile Thread playing;
  private volatile boolean pluggedIn = true;

  public SimulatedInput(Clock clock, MidiMonitor monitor) {
    this.clock = clock;
    this.monitor = monitor;
  }

  @Override
  public String name() {
    return "Simulated keyboard";
  }

  @Override
  public void open(Consumer<Performed> listener) throws MidiInputLost {
    if (!pluggedIn) {
      throw new MidiInputLost("The simulated keyboard is unplugged", null);
    }
    Thread thread = new Thread(() -> play(listener), "simulated-midi-input");
    thread.setDaemon(true);
    playing = thread;
    thread.start();
  }

  private void play(Consumer<Performed> listener) {
    Random random = new Random(SEED);
    long start = clock.nanoTime() + BEAT_MS * NANOS_PER_MS;
    for (int beat = 0; playing == Thread.currentThread(); beat++) {
      int place = beat % (PITCHES.length + REST_BEATS);
      if (place < PITCHES.length) {
        double off = LATE_MS + LOOSE_MS * random.nextGaussian();
        long onset = start + Math.round((beat * BEAT_MS + off) * NANOS_PER_MS);
        int velocity = 70 + random.nextInt(30);
        strike(PITCHES[place], velocity, onset, listener);
      }
    }
    LOG.debug("The simulated keyboard has left off");
  }

  private void strike(int pitch, int velocity, long onset, Consumer<Performed> listener) {
    if (waitUntil(onset)) {
      send(0x90, pitch, velocity, listener);
      waitUntil(onset + BEAT_MS * NANOS_PER_MS * 7 / 10);
      if (pluggedIn) {
        send(0x80, pitch, 64, listener);
      }
    }
  }

  private void send(int status, int data1, int data2, Consumer<Performed> listener) {
    long now = clock.nanoTime();
    monitor.take(now, true, name(), status, data1, data2);
    MidiMessages.performed(status, data1, data2, now).ifPresent(listener);
  }

  /** False when it was closed before. */
  private boolean waitUntil(long nanos) {
    while (playing == Thread.currentThread() && clock.nanoTime() < nanos) {
      LockSupport.parkNanos(Math.min(2 * NANOS_PER_MS, nanos - clock.nanoTime()));
    }
    return playing == Thread.currentThread();
  }

  /** Pulls the plug in the middle of whatever it plays: no note-off comes any more. */
  public void unplug() {
    pluggedIn = false;
    playing = null;
  }

  @Override
  public boolean isThere() {
    return pluggedIn;
  }

  @Override
  public void close() {
    playing = null;
  }
}
