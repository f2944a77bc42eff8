package flailbeat.audio.synth;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.audio.TestSounds;
import flailbeat.audio.line.OutputLine;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Parts;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Repeats;
import flailbeat.core.time.Loop;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.Pulses;
import flailbeat.core.time.TickRange;
import java.util.Arrays;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Renders blocks without a line: time is what the frames say. */
class RendererTest extends RenderRig {
  /** Sixteenth triplets at 120 bpm round a bar: 83.3 ms apart, 7,200 of them. */
  @Test
  void note_repeat_comes_within_a_block_of_its_place_for_ten_minutes() {
    choose(TestSounds.STANDARD_KIT);
    Song song = Song.empty();
    Loop bar = new Loop(0, 2_000_000_000);
    Pulses pulses =
        Pulses.over(
            new TickRange(0, 3840),
            NoteValue.parse("1/8T"),
            50,
            song.tempos(),
            song.meters(),
            Optional.of(bar));
    feed.setRun(
        new Run(Plans.always(PlaybackPlan.of(song, ClickTrack.NONE, 0)), 0, 0, Optional.of(bar)));
    int sideStick = PlaybackPlan.noteOn(Track.DRUM_CHANNEL, 37, 110);
    feed.setRepeats(new Repeats(pulses, true, new int[] {sideStick}, new long[] {0}));
    float[] stream = render(600_000);
    double gap = OutputLine.FRAME_RATE / 6.0;
    int second = (int) Math.round(gap);
    float[] stroke = Arrays.copyOfRange(stream, second, second + 600);
    assertThat(firstSound(stroke, 0.05f))
        .as("the sample's own attack, some 50 frames, is part of it")
        .isBetween(0, Synth.BLOCK_FRAMES + 50);
    for (int n = 2; n < 3600; n++) {
      assertThat(shift(stroke, stream, (int) Math.round(n * gap)))
          .as("stroke %d", n)
          .isBetween(-Synth.BLOCK_FRAMES, Synth.BLOCK_FRAMES);
    }
  }

  @Test
  void a_live_note_and_a_planned_one_of_the_same_pitch_do_not_end_each_other() {
    choose(TestSounds.SQUARE_LEAD);
    cue(PlaybackPlan.of(song(new NewNote(60, 100, new Played(0, 480))), ClickTrack.NONE, 0), 0, 0);
    render(100);
    noteOn(0, 60, 100);
    render(1000);
    assertThat(peak(render(100))).as("the plan's note ended at 250 ms").isGreaterThan(0.02);
    noteOff(0, 60);
    render(2000);
    assertThat(peak(render(50))).isLessThan(0.003);
  }

  @Test
  void silence_ends_everything_at_once() {
    choose(TestSounds.ACOUSTIC_PIANO);
    for (int pitch = 40; pitch < 80; pitch++) {
      noteOn(0, pitch, 127);
    }
    assertThat(peak(render(300))).isLessThanOrEqualTo(Limiter.CEILING + 1e-6);
    feed.silence();
    render(2500);
    assertThat(peak(render(50))).isLessThan(0.002);
  }

  @Test
  void a_note_that_ends_dies_away() {
    choose(TestSounds.DRAWBAR_ORGAN);
    noteOn(0, 60, 100);
    assertThat(peak(render(500))).isGreaterThan(0.02);
    noteOff(0, 60);
    render(3000);
    assertThat(peak(render(50))).isLessThan(0.002);
  }

  @Test
  void the_demo_renders_the_same_twice() {
    assertThat(demo()).isEqualTo(demo());
  }

  @Test
  void each_of_64_parts_has_a_sound_of_its_own() {
    TestSounds.load(synth, TestSounds.SQUARE_LEAD);
    TestSounds.load(synth, TestSounds.MARIMBA);
    for (int part = 0; part < Parts.MOST; part++) {
      synth.choose(part, part % 2 == 0 ? TestSounds.SQUARE_LEAD : TestSounds.MARIMBA);
    }
    for (int part : new int[] {0, 1, 9, 16, 25, 40, 63}) {
      noteOn(part, 72, 100);
      render(1500);
      double held = peak(render(50));
      noteOff(part, 72);
      render(2500);
      assertThat(held > 0.02).as("part %d goes on sounding", part).isEqualTo(part % 2 == 0);
    }
  }

  @Test
  void live_notes_beyond_what_the_queue_holds_are_counted() {
    for (int i = 0; i < LiveQueue.CAPACITY + 5; i++) {
      noteOn(0, i % 128, 1);
    }
    assertThat(feed.live().lost()).isEqualTo(5);
  }

  @Test
  void all_notes_off_ends_what_only_a_pedal_holds_and_the_next_note_does_not_hang() {
    choose(TestSounds.DRAWBAR_ORGAN);
    synth.control(0xB0, Synth.LIVE, 64, 127);
    noteOn(0, 60, 100);
    render(200);
    noteOff(0, 60);
    render(1500);
    assertThat(peak(render(100))).as("the pedal holds it").isGreaterThan(0.01);
    feed.silence();
    render(1500);
    assertThat(peak(render(100))).as("after all notes off").isLessThan(0.001);
    noteOn(0, 64, 100);
    render(200);
    noteOff(0, 64);
    render(1500);
    assertThat(peak(render(100))).as("a note struck since").isLessThan(0.001);
  }

  @Test
  void a_synthesizer_that_rests_in_silence_answers_as_soon_as_ever() {
    choose(TestSounds.ACOUSTIC_PIANO);
    noteOn(0, 60, 100);
    render(300);
    noteOff(0, 60);
    render(15_000);
    assertThat(renderer.isResting()).isTrue();
    noteOn(0, 60, 100);
    float[] after = render(200);
    assertThat(firstSound(after, 0)).isBetween(0, 3 * OutputLine.FRAME_RATE / 1000);
    assertThat(peak(after)).isGreaterThan(0.02);
    assertThat(renderer.isResting()).isFalse();
  }
}
