package flailbeat.audio;

import flailbeat.audio.line.LineLost;
import flailbeat.audio.line.OutputLine;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Synth;
import flailbeat.core.time.Clock;
import java.util.Arrays;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Renders block after block and hands each to the line, which paces it. */
public final class AudioThread {
  private static final long REST_NANOS = 250_000_000;

  /** Sees each block after it was rendered, on the audio thread. */
  @FunctionalInterface
  public interface Tap {
    void block(float[] samples, long atNanos);
  }

  private static final Logger LOG = LoggerFactory.getLogger(AudioThread.class);
  private static final Tap NO_TAP = (samples, atNanos) -> {};
  private static final long JOIN_MILLIS = 500;

  private final Renderer renderer;
  private final OutputLine line;
  private final Clock clock;
  private final BiConsumer<AudioThread, String> onLost;
  private final Consumer<String> onFailed;
  private final Thread thread;
  private final Thread closer;
  private volatile boolean running = true;
  private volatile long lastBlockNanos;
  private volatile Tap tap = NO_TAP;
  private boolean failed;

  /**
   * A thread that renders to a line.
   *
   * @param onLost told which thread, and why it has ended by itself, as its last act
   * @param onFailed told why it goes on with nothing but silence
   */
  AudioThread(
      Renderer renderer,
      OutputLine line,
      Clock clock,
      BiConsumer<AudioThread, String> onLost,
      Consumer<String> onFailed) {
    this.onFailed = onFailed;
    this.renderer = renderer;
    this.line = line;
    this.clock = clock;
    this.onLost = onLost;
    this.lastBlockNanos = clock.nanoTime();
    thread = new Thread(this::run, "audio");
    thread.setDaemon(true);
    thread.setPriority(Thread.MAX_PRIORITY);
    closer = new Thread(this::close, "sound-device");
    closer.setDaemon(true);
  }

  void start() {
    thread.start();
  }

  boolean isOnDevice() {
    return running && line.isDevice();
  }

  long lastBlockNanos() {
    return lastBlockNanos;
  }

  long latencyNanos() {
    return line.latencyNanos();
  }

  void setTap(Tap value) {
    tap = value;
  }

  /** Stops it and waits a little, so that two never render at once. */
  void finish() {
    running = false;
    if (Thread.currentThread() == thread) {
      return;
    }
    thread.interrupt();
    try {
      thread.join(JOIN_MILLIS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    if (thread.isAlive() && !isAbandoned()) {
      abandon();
    }
  }

  /**
   * Lets it go without waiting: it hangs in its device, and ends if it ever comes back. The device
   * is let go too, so that it can be had again; where that hangs as well, nobody waits for it.
   */
  void abandon() {
    running = false;
    closer.start();
  }

  /** Whether it was let go while it hung. */
  boolean isAbandoned() {
    return closer.getState() != Thread.State.NEW;
  }

  /** Waits a little until an abandoned device is let go. */
  void awaitLetGo() {
    try {
      closer.join(JOIN_MILLIS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void run() {
    byte[] block = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
    String lost = null;
    try {
      while (render(block)) {
        line.write(block);
        lastBlockNanos = clock.nanoTime();
        restIfNobodyListens();
      }
    } catch (LineLost e) {
      lost = e.getMessage();
    } catch (RuntimeException | Error e) {
      LOG.error("The audio thread failed", e);
      lost = "the sound failed (" + e + ")";
    } finally {
      close();
    }
    if (lost != null && running) {
      onLost.accept(this, lost);
    }
  }

  /** There is something to be done: it rests no longer. */
  void wake() {
    LockSupport.unpark(thread);
  }

  /** Without a device nothing is heard: what is made good later costs fewer wakings. */
  private void restIfNobodyListens() {
    if (!line.isDevice() && renderer.isResting()) {
      LockSupport.parkNanos(REST_NANOS);
    }
  }

  /** Renders a block, unless another thread has taken over; two never render at once. */
  private boolean render(byte[] block) {
    synchronized (renderer) {
      if (!running) {
        return false;
      }
      long heard = line.nextHeardNanos();
      try {
        renderer.render(heard, block);
      } catch (RuntimeException | Error e) {
        if (line.isDevice()) {
          throw e;
        }
        Arrays.fill(block, (byte) 0);
        sayFailed(e);
      }
      tap.block(renderer.samples(), clock.nanoTime());
      return true;
    }
  }

  /** On a line of silence there is nothing to be lost: it goes on at the right speed. */
  private void sayFailed(Throwable e) {
    if (!failed) {
      failed = true;
      LOG.error("The synthesizer failed", e);
      onFailed.accept("the sound failed (" + e + ")");
    }
  }

  private void close() {
    try {
      line.close();
    } catch (RuntimeException e) {
      LOG.warn("The line did not close", e);
    }
  }
}
