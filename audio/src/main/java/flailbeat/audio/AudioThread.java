package flailbeat.audio;

import flailbeat.audio.line.DeviceLine;
import flailbeat.audio.line.LineLost;
import flailbeat.audio.line.OutputLine;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Synth;
import flailbeat.core.time.Clock;
import java.util.function.Consumer;

/** Renders block after block and hands each to the line, which paces it. */
public final class AudioThread {
  /** Sees each block after it was rendered, on the audio thread. */
  @FunctionalInterface
  public interface Tap {
    void block(float[] samples, long atNanos);
  }

  private static final Tap NO_TAP = (samples, atNanos) -> {};
  private static final long JOIN_MILLIS = 500;

  private final Renderer renderer;
  private final OutputLine line;
  private final Clock clock;
  private final Consumer<String> onLost;
  private final Thread thread;
  private volatile boolean running = true;
  private volatile long lastBlockNanos;
  private volatile Tap tap = NO_TAP;

  AudioThread(Renderer renderer, OutputLine line, Clock clock, Consumer<String> onLost) {
    this.renderer = renderer;
    this.line = line;
    this.clock = clock;
    this.onLost = onLost;
    this.lastBlockNanos = clock.nanoTime();
    thread = new Thread(this::run, "audio");
    thread.setDaemon(true);
    thread.setPriority(Thread.MAX_PRIORITY);
  }

  void start() {
    thread.start();
  }

  boolean isOnDevice() {
    return running && line instanceof DeviceLine;
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
  }

  /** Lets it go without waiting: it hangs in its device, and ends if it ever comes back. */
  void abandon() {
    running = false;
  }

  private void run() {
    byte[] block = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
    String lost = null;
    try {
      while (running) {
        renderer.render(line.nextHeardNanos(), block);
        tap.block(renderer.samples(), clock.nanoTime());
        line.write(block);
        lastBlockNanos = clock.nanoTime();
      }
    } catch (LineLost e) {
      lost = e.getMessage();
    } finally {
      line.close();
    }
    if (lost != null && running) {
      onLost.accept(lost);
    }
  }
}
