package flailbeat.audio.synth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.audio.line.OutputLine;
import flailbeat.audio.sound.Sound;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Control;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Parts;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.playback.Repeats;
import flailbeat.core.time.Loop;
import flailbeat.core.time.NoteValue;
import flailbeat.core.time.Pulses;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Renders blocks without a line: time is what the frames say. */
class RendererTest {
  private static final double BLOCK_MS = 1000.0 * Synth.BLOCK_FRAMES / OutputLine.FRAME_RATE;

  private final Synth synth = new Synth();
  private final Feed feed = new Feed();
  private final Renderer renderer = new Renderer(synth, feed);
  private final byte[] block = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
  private long frames;

  @AfterEach
  void close() {
    synth.close();
  }

  private void choose(Sound sound) {
    synth.load(sound);
    synth.choose(sound.instrument().kit() ? Track.DRUM_CHANNEL : 0, sound.instrument());
  }

  /** Renders so many ms and gives the left channel. */
  private float[] render(double ms) {
    int blocks = (int) Math.ceil(ms / BLOCK_MS);
    float[] left = new float[blocks * Synth.BLOCK_FRAMES];
    for (int b = 0; b < blocks; b++) {
      renderer.render(frames * 1_000_000_000L / OutputLine.FRAME_RATE, block);
      frames += Synth.BLOCK_FRAMES;
      for (int i = 0; i < Synth.BLOCK_FRAMES; i++) {
        left[b * Synth.BLOCK_FRAMES + i] = renderer.samples()[2 * i];
      }
    }
    return left;
  }

  private static int firstSound(float[] samples, float level) {
    for (int i = 0; i < samples.length; i++) {
      if (Math.abs(samples[i]) > level) {
        return i;
      }
    }
    return -1;
  }

  private static double peak(float[] samples) {
    double peak = 0;
    for (float s : samples) {
      peak = Math.max(peak, Math.abs(s));
    }
    return peak;
  }

  private void noteOn(int channel, int pitch, int velocity) {
    feed.live().offer(PlaybackPlan.noteOn(channel, pitch, velocity));
  }

  private void noteOff(int channel, int pitch) {
    feed.live().offer(PlaybackPlan.noteOff(channel, pitch));
  }

  @ParameterizedTest
  @EnumSource(Sound.class)
  void every_sound_sounds_and_a_live_note_changes_the_stream_within_three_milliseconds(
      Sound sound) {
    choose(sound);
    assertThat(peak(render(20))).as("nothing before").isZero();
    boolean kit = sound.instrument().kit();
    noteOn(kit ? 9 : 0, kit ? 38 : 60, 100);
    float[] after = render(400);
    int first = firstSound(after, 0);
    assertThat(first).isBetween(0, 3 * OutputLine.FRAME_RATE / 1000);
    assertThat(peak(after)).isBetween(0.02, (double) Limiter.CEILING);
  }

  /** Equal temperament, ISO 16:1975: A4 is 440 Hz, C4 261.6 Hz; within a tenth of a semitone. */
  @ParameterizedTest
  @CsvSource({"SQUARE_LEAD, 69", "SQUARE_LEAD, 60", "DRAWBAR_ORGAN, 69", "FINGERED_BASS, 45"})
  void notes_have_their_pitch(Sound sound, int pitch) {
    choose(sound);
    noteOn(0, pitch, 90);
    render(200);
    float[] tone = render(400);
    double expected = Pitch.frequency(pitch);
    double best = strongestNear(tone, expected);
    assertThat(12 * Math.log(best / expected) / Math.log(2)).isCloseTo(0, within(0.1));
  }

  /** The frequency near one at which a tone has most of its energy, by correlating with sines. */
  private static double strongestNear(float[] tone, double hertz) {
    double best = 0;
    double bestPower = -1;
    for (double cents = -60; cents <= 60; cents += 2) {
      double f = hertz * Math.pow(2, cents / 1200);
      double re = 0;
      double im = 0;
      for (int i = 0; i < tone.length; i++) {
        double window = Math.sin(Math.PI * i / tone.length);
        double phase = 2 * Math.PI * f * i / OutputLine.FRAME_RATE;
        re += window * tone[i] * Math.cos(phase);
        im += window * tone[i] * Math.sin(phase);
      }
      double power = re * re + im * im;
      if (power > bestPower) {
        bestPower = power;
        best = f;
      }
    }
    return best;
  }

  private Run cue(PlaybackPlan plan, long songNanos, long inMs) {
    long at = frames * 1_000_000_000L / OutputLine.FRAME_RATE + inMs * 1_000_000;
    Run run = new Run(Plans.always(plan), songNanos, at, Optional.empty());
    feed.setRun(run);
    return run;
  }

  private static Song song(NewNote... notes) {
    return NoteEdits.add(
        Song.empty(), Song.empty().tracks().get(0).id(), List.of(notes), new TickRange(0, 0));
  }

  /** At 120 bpm: one note at 500 ms, heard 30 ms after the cue plus 500. */
  @Test
  void a_planned_note_sounds_in_its_block() {
    choose(Sound.SQUARE_LEAD);
    PlaybackPlan plan =
        PlaybackPlan.of(song(new NewNote(60, 100, new Played(960, 1440))), ClickTrack.NONE, 0);
    Run run = cue(plan, 0, 30);
    int first = firstSound(render(1500), 0);
    assertThat(first * 1000.0 / OutputLine.FRAME_RATE).isBetween(530 - BLOCK_MS, 530 + BLOCK_MS);
    assertThat(run.offsetNanos()).isCloseTo(-30_000_000, within(2_000_000L));
  }

  @Test
  void clicks_sound_on_their_very_frame_and_do_not_drift() {
    Song song = Song.empty();
    ClickTrack clicks = ClickTrack.between(0, 960 * 1200, song.tempos(), song.meters());
    cue(PlaybackPlan.of(song, clicks, 0), 0, 0);
    List<Integer> found = new ArrayList<>();
    float[] all = render(599_000);
    for (int i = 0; i < all.length; i++) {
      if (Math.abs(all[i]) > 0) {
        found.add(i);
        i += OutputLine.FRAME_RATE / 5;
      }
    }
    assertThat(found).hasSize(1198);
    for (int i = 0; i < found.size(); i++) {
      assertThat(found.get(i)).isCloseTo(i * OutputLine.FRAME_RATE / 2, within(2));
    }
  }

  /** The frames at which sound begins after silence. */
  private static List<Integer> onsets(float[] samples, double quietMs) {
    List<Integer> found = new ArrayList<>();
    int quiet = (int) (quietMs * OutputLine.FRAME_RATE / 1000);
    int silentFor = quiet;
    for (int i = 0; i < samples.length; i++) {
      boolean sounds = Math.abs(samples[i]) > 1e-3;
      if (sounds && silentFor >= quiet) {
        found.add(i);
      }
      silentFor = sounds ? 0 : silentFor + 1;
    }
    return found;
  }

  /** A loop of one bar, two seconds, whose length is no whole number of blocks. */
  @Test
  void round_a_loop_notes_and_clicks_come_within_a_block_of_their_place_for_ten_minutes() {
    Song song = Song.empty();
    ClickTrack clicks = ClickTrack.between(0, 3840, song.tempos(), song.meters());
    Loop bar = new Loop(0, 2_000_000_000);
    feed.setRun(new Run(Plans.always(PlaybackPlan.of(song, clicks, 0)), 0, 0, Optional.of(bar)));
    List<Integer> found = onsets(render(600_000), 200);
    assertThat(found).hasSize(1200);
    for (int i = 0; i < found.size(); i++) {
      assertThat(found.get(i) - i * OutputLine.FRAME_RATE / 2).isBetween(0, Synth.BLOCK_FRAMES);
    }
  }

  @Test
  void at_the_loops_end_what_sounds_ends_and_the_next_round_is_what_was_made_ready() {
    choose(Sound.SQUARE_LEAD);
    Loop bar = new Loop(0, 2_000_000_000);
    PlaybackPlan first =
        PlaybackPlan.of(song(new NewNote(60, 100, new Played(2880, 9600))), ClickTrack.NONE, 0);
    PlaybackPlan second =
        PlaybackPlan.of(song(new NewNote(60, 100, new Played(10, 480))), ClickTrack.NONE, 0);
    Run run = new Run(Plans.always(first), 0, 0, Optional.of(bar));
    feed.setRun(run);
    assertThat(peak(render(1490))).isZero();
    run.setPlans(new Plans(first, second, 0));
    assertThat(peak(render(500))).isGreaterThan(0.02);
    render(12);
    assertThat(peak(render(200))).as("the note at the very start").isGreaterThan(0.02);
    render(1000);
    assertThat(peak(render(780))).as("nothing hangs").isLessThan(0.003);
  }

  /** Sixteenth triplets at 120 bpm round a bar: 83.3 ms apart, 7,200 of them. */
  @Test
  void note_repeat_comes_within_a_block_of_its_place_for_ten_minutes() {
    choose(Sound.STANDARD_KIT);
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

  /** How many frames from a place a stroke is found: where it is most like itself. */
  private static int shift(float[] stroke, float[] stream, int place) {
    int best = 0;
    double most = 0;
    for (int by = -150; by <= Math.min(150, stream.length - place - stroke.length); by++) {
      double sum = 0;
      for (int i = 0; i < stroke.length; i += 2) {
        sum += stroke[i] * stream[place + by + i];
      }
      if (sum > most) {
        most = sum;
        best = by;
      }
    }
    return best;
  }

  @Test
  void a_live_note_and_a_planned_one_of_the_same_pitch_do_not_end_each_other() {
    choose(Sound.SQUARE_LEAD);
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
  void a_plan_joined_in_the_middle_of_a_note_sounds_it_and_halting_ends_it() {
    choose(Sound.SQUARE_LEAD);
    PlaybackPlan plan =
        PlaybackPlan.of(
            song(new NewNote(60, 100, new Played(0, 19_200))), ClickTrack.NONE, 3_000_000_000L);
    cue(plan, 3_000_000_000L, 0);
    assertThat(peak(render(100))).isGreaterThan(0.02);
    feed.setRun(null);
    render(3000);
    assertThat(peak(render(100))).isLessThan(0.003);
  }

  @Test
  void a_note_that_another_plan_holds_too_goes_on_and_one_it_lacks_ends() {
    choose(Sound.SQUARE_LEAD);
    NewNote held = new NewNote(60, 100, new Played(0, 19_200));
    Run run = cue(PlaybackPlan.of(song(held), ClickTrack.NONE, 0), 0, 0);
    render(500);
    run.setPlans(
        Plans.always(
            PlaybackPlan.of(
                song(held, new NewNote(72, 1, new Played(9600, 9700))),
                ClickTrack.NONE,
                500_000_000)));
    assertThat(peak(render(300))).isGreaterThan(0.02);
    run.setPlans(Plans.always(PlaybackPlan.of(Song.empty(), ClickTrack.NONE, 800_000_000)));
    render(3000);
    assertThat(peak(render(100))).isLessThan(0.003);
  }

  @Test
  void during_a_count_in_only_clicks_sound() {
    choose(Sound.SQUARE_LEAD);
    Song song = song(new NewNote(60, 127, new Played(0, 9600)));
    ClickTrack clicks = ClickTrack.between(-3840, 0, song.tempos(), song.meters());
    cue(PlaybackPlan.of(song, clicks, 0), -2_000_000_000, 0);
    float[] count = render(1990);
    assertThat(peak(Arrays.copyOfRange(count, 0, 4000))).isGreaterThan(0.1);
    assertThat(peak(Arrays.copyOfRange(count, 4000, 20_000))).isZero();
    assertThat(peak(render(200))).isGreaterThan(0.02);
  }

  @Test
  void silence_ends_everything_at_once() {
    choose(Sound.ACOUSTIC_PIANO);
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
    choose(Sound.DRAWBAR_ORGAN);
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

  private static int demo() {
    Song song = HarbourLamps.song();
    Synth own = new Synth();
    Feed ownFeed = new Feed();
    Renderer ownRenderer = new Renderer(own, ownFeed);
    for (int part = 0; part < song.tracks().size(); part++) {
      Sound sound = Sound.playing(song.tracks().get(part).instrument());
      own.load(sound);
      own.choose(part, sound.instrument());
    }
    ownFeed.setRun(
        new Run(Plans.always(PlaybackPlan.of(song, ClickTrack.NONE, 0)), 0, 0, Optional.empty()));
    byte[] block = new byte[Synth.BLOCK_FRAMES * OutputLine.BYTES_PER_FRAME];
    int hash = 1;
    for (long b = 0; b < 2000; b++) {
      long at = b * Synth.BLOCK_FRAMES * 1_000_000_000L / OutputLine.FRAME_RATE;
      ownRenderer.render(at, block);
      hash = 31 * hash + Arrays.hashCode(block);
    }
    own.close();
    return hash;
  }

  /** A held note under a bend that sways all the time. */
  private static Song swaying() {
    Song song = song(new NewNote(60, 100, new Played(0, 19_200)));
    List<NewControl> bends = new ArrayList<>();
    for (int i = 0; i < 40_000; i++) {
      int value = 8192 + (int) (4000 * Math.sin(i / 50.0));
      bends.add(new NewControl(i / 4, Control.bend(value)));
    }
    return SongEdits.addControls(song, song.tracks().get(0).id(), bends);
  }

  /** The stream with edits, each of a note far off, is to the bit the stream without. */
  @Test
  void an_edit_in_the_midst_of_playing_leaves_no_gap() {
    float[] plain = streamOf(swaying(), song -> song);
    float[] edited = streamOf(swaying(), RendererTest::withANoteFarOff);
    assertThat(peak(plain)).isGreaterThan(0.02);
    assertThat(edited).isEqualTo(plain);
  }

  private static Song withANoteFarOff(Song song) {
    NewNote far = new NewNote(40, 90, new Played(30_000 + song.noteCount() * 500L, 100_000));
    return NoteEdits.add(song, song.tracks().get(0).id(), List.of(far), new TickRange(0, 0));
  }

  /** 4.5 s of a song on a synthesizer of its own, edited every 100 ms. */
  private static float[] streamOf(Song song, UnaryOperator<Song> edit) {
    RendererTest rig = new RendererTest();
    rig.choose(Sound.SQUARE_LEAD);
    Run run = rig.cue(PlaybackPlan.of(song, ClickTrack.NONE, 0), 0, 0);
    float[] piece = rig.render(100);
    float[] whole = new float[45 * piece.length];
    Song now = song;
    for (int i = 0; i < 45; i++) {
      System.arraycopy(piece, 0, whole, i * piece.length, piece.length);
      now = edit.apply(now);
      run.setPlans(Plans.always(PlaybackPlan.of(now, ClickTrack.NONE, 0)));
      piece = rig.render(100);
    }
    rig.close();
    return whole;
  }

  @Test
  void a_pedal_that_is_edited_away_while_it_is_down_holds_no_note() {
    choose(Sound.SQUARE_LEAD);
    Song plain = song(new NewNote(60, 100, new Played(0, 480)));
    Song pedal =
        SongEdits.addControls(
            plain,
            plain.tracks().get(0).id(),
            List.of(new NewControl(0, Control.controller(64, 127))));
    Run run = cue(PlaybackPlan.of(pedal, ClickTrack.NONE, 0), 0, 0);
    render(600);
    assertThat(peak(render(200))).as("the pedal holds it").isGreaterThan(0.02);
    run.setPlans(Plans.always(PlaybackPlan.of(plain, ClickTrack.NONE, 0)));
    render(2500);
    assertThat(peak(render(100))).isLessThan(0.003);
  }

  @Test
  void each_of_64_parts_has_a_sound_of_its_own() {
    synth.load(Sound.SQUARE_LEAD);
    synth.load(Sound.MARIMBA);
    for (int part = 0; part < Parts.MOST; part++) {
      synth.choose(part, (part % 2 == 0 ? Sound.SQUARE_LEAD : Sound.MARIMBA).instrument());
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
}
