package flailbeat.audio.line;

import flailbeat.core.time.Clock;
import java.util.List;
import java.util.function.IntConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A device whose buffer begins small and grows whenever the device does not keep pace with it, as
 * {@link PaceWatch} judges: on some, a small one gives half the speed or breaks off.
 */
public final class GrowingLine implements OutputLine {
  /** The buffers that are tried, in bytes: 23, 46, 93, 186 and 372 ms. */
  public static final List<Integer> SIZES = List.of(4096, 8192, 16_384, 32_768, 65_536);

  private static final Logger LOG = LoggerFactory.getLogger(GrowingLine.class);

  private final Clock clock;
  private final Outputs outputs;
  private final String name;
  private final IntConsumer onGrown;
  private final boolean mayGrow;
  private volatile int size;
  private volatile OutputLine line;
  private volatile boolean closed;
  private PaceWatch watch;

  /**
   * Opens a device.
   *
   * @param bufferBytes what it begins with
   * @param mayGrow whether it grows, or stays as it is
   * @param onGrown told, on the thread that writes, how large the buffer has become
   * @throws LineLost with the reason, when the device is not there or is taken
   */
  public GrowingLine(
      Clock clock,
      Outputs outputs,
      String name,
      int bufferBytes,
      boolean mayGrow,
      IntConsumer onGrown)
      throws LineLost {
    this.clock = clock;
    this.outputs = outputs;
    this.name = name;
    this.mayGrow = mayGrow;
    this.onGrown = onGrown;
    open(bufferBytes);
  }

  private void open(int bytes) throws LineLost {
    size = bytes;
    line = outputs.open(name, bytes);
    watch = new PaceWatch(bytes / BYTES_PER_FRAME);
  }

  /** The next size up; the same when there is none. */
  public static int larger(int bytes) {
    return SIZES.stream().filter(s -> s > bytes).findFirst().orElse(bytes);
  }

  @Override
  public void write(byte[] block) throws LineLost {
    boolean dry = line.isDry();
    long before = clock.nanoTime();
    line.write(block);
    watch.wrote(block.length / BYTES_PER_FRAME, before, clock.nanoTime(), dry);
    if (mayGrow && !closed && watch.isTooSmall() && larger(size) > size) {
      LOG.info("The device does not keep pace with a buffer of {} bytes", size);
      line.close();
      open(larger(size));
      onGrown.accept(size);
    }
  }

  @Override
  public long nextHeardNanos() {
    return line.nextHeardNanos();
  }

  @Override
  public long latencyNanos() {
    return line.latencyNanos();
  }

  @Override
  public boolean isDevice() {
    return true;
  }

  @Override
  public void close() {
    closed = true;
    line.close();
  }
}
