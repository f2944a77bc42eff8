package flailbeat.audio.synth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.audio.TestSounds;
import flailbeat.audio.line.OutputLine;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.IntConsumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What each part does to the stream by its dials, its sound and its way out. */
class PartsRenderTest extends RenderRig {
  private void dial(Dial dial, int value) {
    int number = dial.controller().number();
    feed.live().offerDial(PlaybackPlan.message(0, 0xB0, number, value));
  }

  private double power() {
    double sum = 0;
    for (float s : renderer.samples()) {
      sum += s * s;
    }
    return sum;
  }

  private double held(Dial dial, int value) {
    choose(TestSounds.DRAWBAR_ORGAN);
    dial(Dial.REVERB, 0);
    dial(dial, value);
    noteOn(0, 60, 80);
    render(600);
    double power = 0;
    for (int i = 0; i < 200; i++) {
      render(BLOCK_MS);
      power += power();
    }
    noteOff(0, 60);
    render(2000);
    return power;
  }

  /** General MIDI level 2 (1999) and DLS: a channel's volume v attenuates by 40 lg (127 / v) dB. */
  @ParameterizedTest
  @CsvSource({"127", "100", "64", "32", "16"})
  void the_level_follows_the_published_law(int level) {
    double full = held(Dial.LEVEL, 127);
    double db = 10 * Math.log10(held(Dial.LEVEL, level) / full);
    assertThat(db).isCloseTo(40 * Math.log10(level / 127.0), within(0.25));
  }

  /**
   * RP-036 (MIDI Manufacturers Association, Default Pan Formula, 2003; from memory): left 20 lg cos
   * and right 20 lg sin of a quarter turn times (v - 1) / 126; -3 dB in the middle.
   */
  @ParameterizedTest
  @CsvSource({"1", "32", "64", "96", "127"})
  void the_pan_follows_the_published_law(int pan) {
    // It has no send of its own to the reverb, which comes from both sides.
    choose(Instrument.melodic(33));
    dial(Dial.REVERB, 0);
    dial(Dial.PAN, pan);
    noteOn(0, 48, 80);
    render(300);
    double left = 0;
    double right = 0;
    for (int i = 0; i < 200; i++) {
      render(BLOCK_MS);
      for (int k = 0; k < renderer.samples().length; k += 2) {
        left += renderer.samples()[k] * renderer.samples()[k];
        right += renderer.samples()[k + 1] * renderer.samples()[k + 1];
      }
    }
    double angle = Math.PI / 2 * (pan - 1) / 126;
    assertThat(Math.sqrt(left / (left + right))).isCloseTo(Math.cos(angle), within(0.02));
    assertThat(Math.sqrt(right / (left + right))).isCloseTo(Math.sin(angle), within(0.02));
  }

  @Test
  void brightness_and_sends_are_heard() {
    choose(TestSounds.ACOUSTIC_PIANO);
    noteOn(0, 60, 100);
    double bright = peak(render(200));
    noteOff(0, 60);
    render(3000);
    dial(Dial.BRIGHTNESS, 0);
    noteOn(0, 60, 100);
    assertThat(peak(render(200))).isLessThan(0.5 * bright);
    noteOff(0, 60);
    render(3000);
    dial(Dial.BRIGHTNESS, 64);
    dial(Dial.REVERB, 127);
    noteOn(0, 60, 100);
    render(200);
    noteOff(0, 60);
    render(600);
    double wet = peak(render(200));
    dial(Dial.REVERB, 0);
    render(4000);
    noteOn(0, 60, 100);
    render(200);
    noteOff(0, 60);
    render(600);
    assertThat(peak(render(200))).isLessThan(0.5 * wet);
  }

  /** Four seconds of the demo, with something done after each block. */
  private static int demo(boolean tries) {
    Song song = HarbourLamps.song();
    try (Synth synth = TestSounds.synth()) {
      Feed feed = new Feed();
      Renderer renderer = new Renderer(synth, feed);
      for (int part = 0; part < song.tracks().size(); part++) {
        Track track = song.tracks().get(part);
        TestSounds.load(synth, track.instrument());
        synth.choose(part, track.instrument());
      }
      feed.setRun(
          new Run(Plans.always(PlaybackPlan.of(song, ClickTrack.NONE, 0)), 0, 0, Optional.empty()));
      byte[] block = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
      IntConsumer each =
          b -> {
            if (tries && b % 40 == 20) {
              Instrument other = Instrument.melodic(b / 40 % 128);
              TestSounds.load(synth, other);
              synth.chooseLive(b / 40 % 4, other);
            }
          };
      int hash = 1;
      for (int b = 0; b < 1800; b++) {
        each.accept(b);
        renderer.render(b * Synth.BLOCK_FRAMES * 1_000_000_000L / OutputLine.FRAME_RATE, block);
        hash = 31 * hash + Arrays.hashCode(renderer.samples());
      }
      return hash;
    }
  }

  @Test
  void trying_forty_sounds_under_the_fingers_changes_no_bit_of_what_plays() {
    assertThat(demo(true)).isEqualTo(demo(false));
  }

  @Test
  void each_part_has_a_level_of_its_own() {
    TestSounds.load(synth, TestSounds.DRAWBAR_ORGAN);
    synth.choose(3, TestSounds.DRAWBAR_ORGAN);
    noteOn(3, 60, 100);
    render(200);
    assertThat(feed.level(3)).isGreaterThan(0.02f);
    assertThat(feed.level(2)).isZero();
    noteOff(3, 60);
    render(8000);
    assertThat(feed.level(3)).isLessThan(0.001f);
  }

  @Test
  void a_note_ends_where_it_began_though_its_part_goes_elsewhere_by_then() {
    PortQueue one = new PortQueue();
    PortQueue two = new PortQueue();
    feed.setPort(0, one);
    feed.setPort(1, two);
    feed.setRoute(0, 0, 4);
    noteOn(0, 60, 100);
    render(BLOCK_MS);
    feed.setRoute(0, 1, 5);
    noteOff(0, 60);
    noteOn(0, 62, 90);
    render(BLOCK_MS);
    feed.silence();
    render(BLOCK_MS);
    assertThat(Integer.toHexString(one.take())).isEqualTo("643c94");
    assertThat(Integer.toHexString(one.take())).isEqualTo("403c84");
    assertThat(one.isEmpty()).isTrue();
    assertThat(Integer.toHexString(two.take())).isEqualTo("5a3e95");
    assertThat(Integer.toHexString(two.take())).as("all notes off ends it").isEqualTo("403e85");
    assertThat(peak(render(50))).as("nothing of it by the synthesizer").isZero();
  }

  @Test
  void a_pedal_is_let_up_where_it_was_put_down_and_a_note_struck_again_elsewhere_ends() {
    PortQueue one = new PortQueue();
    feed.setPort(0, one);
    feed.setRoute(0, 0, 4);
    feed.live().offer(PlaybackPlan.message(0, 0xB0, 64, 127));
    noteOn(0, 60, 100);
    render(BLOCK_MS);
    feed.clearRoute(0);
    noteOn(0, 60, 100);
    feed.live().offer(PlaybackPlan.message(0, 0xB0, 64, 0));
    render(BLOCK_MS);
    assertThat(Stream.generate(one::take).limit(4).map(Integer::toHexString))
        .containsExactly("7f40b4", "643c94", "403c84", "40b4");
    assertThat(one.isEmpty()).isTrue();
  }

  @Test
  void what_goes_to_a_port_is_due_when_the_sound_beside_it_is_heard() {
    choose(TestSounds.SQUARE_LEAD);
    PortQueue port = new PortQueue();
    feed.setPort(0, port);
    feed.setRoute(3, 0, 2);
    Song song = HarbourLamps.song();
    PlaybackPlan plan = PlaybackPlan.of(song, ClickTrack.NONE, 0);
    cue(plan, 0, 0);
    render(4000);
    long[] wanted = new long[plan.size()];
    int count = 0;
    for (int i = 0; i < plan.size() && plan.nanosAt(i) < 3_900_000_000L; i++) {
      int message = plan.messageAt(i);
      if (PlaybackPlan.part(message) == 3 && PlaybackPlan.isNoteOn(message)) {
        wanted[count++] = plan.nanosAt(i);
      }
    }
    assertThat(count).isGreaterThan(4);
    for (int i = 0; i < count; ) {
      long due = port.nextDueNanos();
      if ((port.take() & 0xF0) == 0x90) {
        assertThat(due).isCloseTo(wanted[i++], within(100_000L));
      }
    }
  }
}
