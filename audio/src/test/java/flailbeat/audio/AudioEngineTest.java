package flailbeat.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.audio.line.LineLost;
import flailbeat.audio.line.OutputLine;
import flailbeat.audio.line.SilentLine;
import flailbeat.audio.sound.Sound;
import flailbeat.audio.synth.Feed;
import flailbeat.audio.synth.Renderer;
import flailbeat.audio.synth.Synth;
import flailbeat.core.model.Instrument;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.time.Clock;
import java.io.IOException;
import java.io.InputStream;
import java.util.Optional;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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
    Synth synth = new Synth();
    OutputLine line = new DyingLine();
    AudioThread thread =
        new AudioThread(new Renderer(synth, new Feed()), line, Clock.SYSTEM, lost::add);
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

  /** No sound file over 4,000,000 bytes, and at most 24 MB together. */
  @Test
  void the_sounds_are_small_enough_to_ship() throws IOException {
    long all = 0;
    for (Sound sound : Sound.values()) {
      try (InputStream in = Sound.class.getResourceAsStream(sound.resource())) {
        long size = in.readAllBytes().length;
        assertThat(size).as(sound.title()).isBetween(2000L, 4_000_000L);
        all += size;
      }
    }
    assertThat(all).isLessThan(24_000_000);
  }

  /** General MIDI level 1: families of eight programs. */
  @ParameterizedTest
  @CsvSource({
    "0, false, ACOUSTIC_PIANO",
    "5, false, ELECTRIC_PIANO",
    "9, false, VIBRAPHONE",
    "33, false, FINGERED_BASS",
    "35, false, FINGERED_BASS",
    "40, false, STRINGS",
    "74, false, SQUARE_LEAD",
    "87, false, SAW_LEAD",
    "127, false, WARM_PAD",
    "25, true, STANDARD_KIT",
    "40, true, BRUSH_KIT"
  })
  void an_instrument_without_a_sound_of_its_own_has_one_of_its_kind(
      int program, boolean kit, Sound sound) {
    assertThat(Sound.playing(new Instrument(program, kit))).isEqualTo(sound);
  }
}
