package flailbeat.audio.line;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** In a time of its own, which goes on as long as a write waits and as rendering takes. */
class GrowingLineTest {
  private static final byte[] BLOCK = new byte[400];
  private static final long BLOCK_NANOS = 100L * 1_000_000_000 / OutputLine.FRAME_RATE;

  private long now;
  private final List<Integer> opened = new ArrayList<>();

  /** Devices that give some speed with a buffer of some size. */
  private interface Speed {
    double with(int bufferBytes);
  }

  private final class Device implements Outputs {
    private final Speed speed;

    Device(Speed speed) {
      this.speed = speed;
    }

    @Override
    public List<String> names() {
      return List.of();
    }

    @Override
    public OutputLine open(String name, int bufferBytes) {
      opened.add(bufferBytes);
      return new Line(bufferBytes / OutputLine.BYTES_PER_FRAME, speed.with(bufferBytes));
    }
  }

  private final class Line implements OutputLine {
    private final long bufferFrames;
    private final double framesPerNano;
    private double left;
    private long since = now;

    Line(long bufferFrames, double speed) {
      this.bufferFrames = bufferFrames;
      this.framesPerNano = speed * FRAME_RATE / 1e9;
    }

    private void play() {
      left = Math.max(0, left - (now - since) * framesPerNano);
      since = now;
    }

    @Override
    public void write(byte[] block) {
      play();
      left += block.length / BYTES_PER_FRAME;
      if (left > bufferFrames) {
        now += (long) Math.ceil((left - bufferFrames) / framesPerNano);
        play();
      }
    }

    @Override
    public boolean isDry() {
      play();
      return left == 0;
    }

    @Override
    public long nextHeardNanos() {
      return now;
    }

    @Override
    public long latencyNanos() {
      return 0;
    }

    @Override
    public void close() {
      // Nothing to close.
    }
  }

  /** Writes for so long, each block having taken some time to render; gives the seconds taken. */
  private double write(GrowingLine line, double seconds, long renderingNanos) throws LineLost {
    long start = now;
    long frames = 0;
    while (now - start < seconds * 1e9) {
      now += renderingNanos;
      line.write(BLOCK);
      frames += 100;
    }
    return frames / (double) OutputLine.FRAME_RATE / ((now - start) / 1e9);
  }

  private GrowingLine open(Speed speed, boolean mayGrow) throws LineLost {
    return new GrowingLine(() -> now, new Device(speed), "", 4096, mayGrow, size -> {});
  }

  @Test
  void it_grows_to_the_first_buffer_with_which_the_device_keeps_pace_and_no_further()
      throws Exception {
    GrowingLine line = open(bytes -> bytes < 16_384 ? 0.5 : 1, true);
    write(line, 2, 100_000);
    assertThat(opened).as("within two seconds").containsExactly(4096, 8192, 16_384);
    assertThat(write(line, 60, 100_000)).as("seconds of sound a second").isCloseTo(1, within(0.01));
    assertThat(opened).hasSize(3);
  }

  @Test
  void a_device_that_keeps_pace_stays_as_it_is_though_the_machine_stops_for_a_moment()
      throws Exception {
    GrowingLine line = open(bytes -> 1, true);
    for (int i = 0; i < 20; i++) {
      write(line, 3, 200_000);
      now += 100_000_000;
    }
    assertThat(opened).containsExactly(4096);
  }

  @Test
  void a_buffer_that_runs_dry_again_and_again_is_too_small() throws Exception {
    GrowingLine line = open(bytes -> 1, true);
    for (int i = 0; i < 4; i++) {
      write(line, 0.3, 200_000);
      now += 40_000_000;
    }
    write(line, 0.3, 200_000);
    assertThat(opened).containsExactly(4096, 8192);
  }

  @Test
  void rendering_that_is_too_slow_is_not_the_devices_fault() throws Exception {
    GrowingLine line = open(bytes -> 1, false);
    assertThat(write(line, 5, 2 * BLOCK_NANOS)).isLessThan(0.6);
    assertThat(opened).containsExactly(4096);
  }

  @Test
  void at_the_largest_buffer_it_goes_on_as_it_can() throws Exception {
    GrowingLine line = open(bytes -> 0.5, true);
    write(line, 20, 100_000);
    assertThat(opened).containsExactlyElementsOf(GrowingLine.SIZES);
  }
}
