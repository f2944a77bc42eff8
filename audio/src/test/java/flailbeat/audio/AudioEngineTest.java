package flailbeat.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.audio.line.FakeOutputs;
import flailbeat.audio.line.GrowingLine;
import flailbeat.audio.line.LineLost;
import flailbeat.audio.line.OutputLine;
import flailbeat.audio.line.SilentLine;
import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Synth;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.SoundSettings;
import flailbeat.core.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;

class AudioEngineTest {
  @Test
  void in_silence_song_time_goes_at_the_right_speed() throws Exception {
    try (AudioEngine engine = AudioEngine.silent(Clock.SYSTEM)) {
      long heard = System.nanoTime() + engine.leadNanos();
      engine.cue(PlaybackPlan.SILENCE, 0, heard, Optional.empty());
      assertThat(engine.songOffsetNanos()).isEqualTo(-heard);
      long before = steadyOffset(engine);
      Thread.sleep(600);
      assertThat(engine.songOffsetNanos()).isCloseTo(before, within(1_000_000L));
      engine.halt();
      assertThat(engine.fault()).isEmpty();
    }
  }

  /** Once the audio thread has taken up the cue, which on a busy machine may be late. */
  private static long steadyOffset(AudioEngine engine) throws InterruptedException {
    long last = engine.songOffsetNanos();
    for (int i = 0; i < 40; i++) {
      Thread.sleep(100);
      long now = engine.songOffsetNanos();
      if (i > 3 && Math.abs(now - last) < 1_000_000) {
        return now;
      }
      last = now;
    }
    return last;
  }

  @Test
  void a_line_that_is_lost_is_told() throws Exception {
    LinkedBlockingQueue<String> lost = new LinkedBlockingQueue<>();
    Synth synth = TestSounds.synth();
    OutputLine line = new DyingLine();
    Renderer renderer = new Renderer(synth, new Feed());
    AudioThread thread =
        new AudioThread(renderer, line, Clock.SYSTEM, (which, why) -> lost.add(why), lost::add);
    thread.start();
    assertThat(lost.poll(5, TimeUnit.SECONDS)).isEqualTo("pulled out");
    synth.close();
  }

  private static final class DyingLine implements OutputLine {
    private final SilentLine line = new SilentLine(Clock.SYSTEM);
    private int blocks;

    @Override
    public void write(byte[] block) throws LineLost {
      if (++blocks > 5) {
        throw new LineLost("pulled out");
      }
      line.write(block);
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
    public void close() {
      line.close();
    }
  }

  /** Waits until something is so, at most a minute and a half: the machine may be busy. */
  private static void await(BooleanSupplier condition) throws InterruptedException {
    for (int i = 0; i < 9000 && !condition.getAsBoolean(); i++) {
      Thread.sleep(10);
    }
    assertThat(condition.getAsBoolean()).isTrue();
  }

  /** How far exactly it grows, and when, is shown in GrowingLineTest, in a time of its own. */
  @Test
  void a_device_that_keeps_pace_only_with_a_larger_buffer_gets_one_and_it_is_remembered()
      throws Exception {
    FakeOutputs device = new FakeOutputs(16_384);
    try (AudioEngine engine = new AudioEngine(Clock.SYSTEM, device, List::of)) {
      engine.open(SoundSettings.standard());
      await(() -> engine.bufferBytes() >= 16_384);
      assertThat(device.opened()).startsWith(4096, 8192, 16_384);
      assertThat(engine.fault()).isEmpty();
      assertThat(engine.latencyNanos()).isGreaterThan(92_000_000);
      int before = device.opened().size();
      engine.open(SoundSettings.standard().withFound(32_768));
      await(() -> device.opened().size() > before);
      assertThat(device.opened().get(before)).isEqualTo(32_768);
    }
    await(() -> device.openNow() == 0);
  }

  @Test
  void a_device_that_opens_as_the_engine_is_closed_is_let_go() throws Exception {
    FakeOutputs device = new FakeOutputs(0);
    CountDownLatch opens = new CountDownLatch(1);
    device.openOnlyAfter(opens);
    try (AudioEngine engine = new AudioEngine(Clock.SYSTEM, device, List::of)) {
      engine.open(SoundSettings.standard());
      await(() -> !device.opened().isEmpty());
    }
    opens.countDown();
    await(() -> device.everOpen() == 1 && device.openNow() == 0);
    Thread.sleep(100);
    assertThat(device.framesTaken()).as("nothing plays after the end").isZero();
  }

  @Test
  void a_buffer_that_was_chosen_is_kept_though_the_device_is_slow_with_it() throws Exception {
    FakeOutputs device = new FakeOutputs(16_384);
    try (AudioEngine engine = new AudioEngine(Clock.SYSTEM, device, List::of)) {
      engine.open(SoundSettings.standard().withDevice("Fake").withBuffer(8192));
      await(() -> engine.bufferBytes() == 8192);
      Thread.sleep(1500);
      assertThat(device.opened()).containsExactly(8192);
    }
  }

  @Test
  void a_device_that_hangs_gets_more_room_and_is_given_up_at_the_last_without_waiting()
      throws Exception {
    FakeOutputs device = new FakeOutputs(Integer.MAX_VALUE);
    device.hang();
    device.beExclusive();
    AtomicLong ahead = new AtomicLong();
    try (AudioEngine engine =
        new AudioEngine(() -> System.nanoTime() + ahead.get(), device, List::of)) {
      engine.open(SoundSettings.standard());
      for (int size : GrowingLine.SIZES) {
        await(() -> device.opened().contains(size) && engine.bufferBytes() == size);
        ahead.addAndGet(2_000_000_000L);
        long before = System.nanoTime();
        engine.watch();
        assertThat(System.nanoTime() - before).as("nobody waits").isLessThan(400_000_000L);
      }
      await(() -> engine.fault().isPresent());
      assertThat(engine.fault()).contains("the sound device does not answer");
    }
  }

  @Test
  void a_device_that_hung_is_let_go_so_that_it_can_be_had_again() throws Exception {
    FakeOutputs device = new FakeOutputs(0);
    device.beExclusive();
    device.hang();
    AtomicLong ahead = new AtomicLong();
    try (AudioEngine engine =
        new AudioEngine(() -> System.nanoTime() + ahead.get(), device, List::of)) {
      engine.open(SoundSettings.standard().withBuffer(8192));
      await(() -> engine.bufferBytes() == 8192);
      ahead.addAndGet(2_000_000_000L);
      engine.watch();
      await(() -> engine.fault().isPresent());
      await(() -> device.openNow() == 0);
      device.recover();
      engine.retryDevice();
      await(() -> engine.bufferBytes() == 8192 && engine.fault().isEmpty());
      await(() -> device.framesTaken() > 0);
    }
  }

  @Test
  void whatever_fails_on_the_audio_thread_is_told_and_song_time_goes_on() throws Exception {
    FakeOutputs device = new FakeOutputs(0);
    try (AudioEngine engine = new AudioEngine(Clock.SYSTEM, device, List::of)) {
      engine.open(SoundSettings.standard());
      await(() -> device.framesTaken() > 0);
      long heard = System.nanoTime() + engine.leadNanos();
      engine.cue(PlaybackPlan.SILENCE, 0, heard, Optional.empty());
      engine.replace(null);
      await(() -> engine.fault().isPresent());
      assertThat(engine.fault().orElseThrow()).startsWith("the sound failed (");
      await(() -> device.openNow() == 0);
      long now = System.nanoTime() + 50_000_000;
      engine.cue(null, 0, now, Optional.empty());
      Thread.sleep(400);
      assertThat(engine.songOffsetNanos()).as("no plan").isCloseTo(-now, within(20_000_000L));
      long later = System.nanoTime() + 50_000_000;
      engine.cue(PlaybackPlan.SILENCE, 0, later, Optional.empty());
      assertThat(steadyOffset(engine)).isCloseTo(-later, within(20_000_000L));
    }
  }
}
