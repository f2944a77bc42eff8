package flailbeat.audio.line;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.LockSupport;

/**
 * The double for sound devices. As some real ones do, it keeps pace only with a buffer of some size
 * or more and gives half the speed with a smaller one; and it can hang.
 */
public final class FakeOutputs implements Outputs {
  private final int keepsPaceFrom;
  private final List<Integer> opened = new CopyOnWriteArrayList<>();
  private final AtomicInteger openNow = new AtomicInteger();
  private final AtomicInteger everOpen = new AtomicInteger();
  private final AtomicLong taken = new AtomicLong();
  private volatile boolean hangs;
  private volatile boolean exclusive;
  private volatile CountDownLatch opening = new CountDownLatch(0);

  public FakeOutputs(int keepsPaceFromBytes) {
    this.keepsPaceFrom = keepsPaceFromBytes;
  }

  /** From now on a write never comes back, until the line is closed. */
  public void hang() {
    hangs = true;
  }

  /** From now on it is for one at a time: who has not let go of it is in the way. */
  public void beExclusive() {
    exclusive = true;
  }

  /** From now on a write comes back. */
  public void recover() {
    hangs = false;
  }

  /** From now on a device is not open before this has come to nothing. */
  public void openOnlyAfter(CountDownLatch latch) {
    opening = latch;
  }

  /** The buffers with which it was opened, in order. */
  public List<Integer> opened() {
    return opened;
  }

  public int openNow() {
    return openNow.get();
  }

  /** How many lines have ever been open. */
  public int everOpen() {
    return everOpen.get();
  }

  public long framesTaken() {
    return taken.get();
  }

  @Override
  public List<String> names() {
    return List.of("Fake");
  }

  @Override
  public OutputLine open(String name, int bufferBytes) throws LineLost {
    if (exclusive && openNow.get() > 0) {
      throw new LineLost("taken");
    }
    opened.add(bufferBytes);
    try {
      opening.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    openNow.incrementAndGet();
    everOpen.incrementAndGet();
    return new Line(bufferBytes);
  }

  private final class Line implements OutputLine {
    private final long bufferFrames;
    private final double speed;
    private long written;
    private long startNanos = System.nanoTime();
    private volatile boolean closed;

    Line(int bufferBytes) {
      bufferFrames = bufferBytes / BYTES_PER_FRAME;
      speed = bufferBytes < keepsPaceFrom ? 0.5 : 1;
    }

    private long played() {
      return (long) ((System.nanoTime() - startNanos) / 1e9 * FRAME_RATE * speed);
    }

    @Override
    public void write(byte[] block) {
      while (hangs && !closed) {
        LockSupport.parkNanos(1_000_000);
      }
      if (isDry()) {
        startNanos = System.nanoTime() - (long) (written / speed / FRAME_RATE * 1e9);
      }
      written += block.length / BYTES_PER_FRAME;
      taken.addAndGet(block.length / BYTES_PER_FRAME);
      while (!closed && written - played() > bufferFrames && !Thread.interrupted()) {
        LockSupport.parkNanos(200_000);
      }
    }

    @Override
    public boolean isDry() {
      return written > 0 && played() >= written;
    }

    @Override
    public long nextHeardNanos() {
      return startNanos + (long) (written / speed / FRAME_RATE * 1e9);
    }

    @Override
    public long latencyNanos() {
      return bufferFrames * 1_000_000_000 / FRAME_RATE;
    }

    @Override
    public boolean isDevice() {
      return true;
    }

    @Override
    public void close() {
      if (!closed) {
        closed = true;
        openNow.decrementAndGet();
      }
    }
  }
}
