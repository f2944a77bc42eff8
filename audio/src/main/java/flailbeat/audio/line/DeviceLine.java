package flailbeat.audio.line;

import flailbeat.core.time.Clock;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;

/** A sound device of the system. */
final class DeviceLine implements OutputLine {
  static final AudioFormat FORMAT = new AudioFormat(FRAME_RATE, 16, 2, true, false);
  private static final long NANOS_PER_SECOND = 1_000_000_000;

  /** How quickly the measured time of hearing follows: slowly, for it jumps with the device. */
  private static final double FOLLOW = 0.01;

  private static final long JUMP_NANOS = 30_000_000;

  private final SourceDataLine line;
  private final Clock clock;
  private long written;
  private long streamStartNanos;
  private boolean measured;

  private DeviceLine(SourceDataLine line, Clock clock) {
    this.line = line;
    this.clock = clock;
  }

  static DeviceLine open(SourceDataLine line, int bufferBytes, Clock clock)
      throws LineUnavailableException {
    line.open(FORMAT, bufferBytes);
    line.start();
    return new DeviceLine(line, clock);
  }

  @Override
  public void write(byte[] block) throws LineLost {
    int taken = line.write(block, 0, block.length);
    if (taken < block.length) {
      throw new LineLost("the device takes no more sound");
    }
    written += block.length / BYTES_PER_FRAME;
    measure();
  }

  /** The stream's first frame was heard now, less what the device has played since. */
  private void measure() {
    long seen = clock.nanoTime() - line.getLongFramePosition() * NANOS_PER_SECOND / FRAME_RATE;
    if (!measured || Math.abs(seen - streamStartNanos) > JUMP_NANOS) {
      streamStartNanos = seen;
      measured = true;
    } else {
      streamStartNanos += Math.round((seen - streamStartNanos) * FOLLOW);
    }
  }

  @Override
  public long nextHeardNanos() {
    if (!measured) {
      return clock.nanoTime() + latencyNanos();
    }
    return streamStartNanos + written * NANOS_PER_SECOND / FRAME_RATE;
  }

  @Override
  public long latencyNanos() {
    return (long) line.getBufferSize() / BYTES_PER_FRAME * NANOS_PER_SECOND / FRAME_RATE;
  }

  @Override
  public boolean isDevice() {
    return true;
  }

  @Override
  public boolean isDry() {
    return line.available() >= line.getBufferSize();
  }

  @Override
  public void close() {
    line.close();
  }
}
