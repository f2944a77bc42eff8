package flailbeat.audio.line;

/**
 * Takes rendered sound at the speed at which it is heard: {@value #FRAME_RATE} frames a second, 16
 * bits, stereo, little-endian.
 */
public interface OutputLine extends AutoCloseable {
  int FRAME_RATE = 44_100;
  int BYTES_PER_FRAME = 4;

  /**
   * Takes a block, waiting for room.
   *
   * @throws LineLost when the device is gone
   */
  void write(byte[] block) throws LineLost;

  /** When the next frame to be written will be heard, in nanoseconds of the system's clock. */
  long nextHeardNanos();

  /** How long a frame written now waits to be heard, at most. */
  long latencyNanos();

  /** Whether it is a device, which may hang or go, and not silence of our own. */
  default boolean isDevice() {
    return false;
  }

  /** Whether nothing that was written is left to be heard. */
  default boolean isDry() {
    return false;
  }

  @Override
  void close();
}
