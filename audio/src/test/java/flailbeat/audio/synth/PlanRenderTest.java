package flailbeat.audio.synth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import flailbeat.audio.TestSounds;
import flailbeat.audio.line.OutputLine;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits.NewNote;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Played;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Control;
import flailbeat.core.playback.ClickTrack;
import flailbeat.core.playback.Plans;
import flailbeat.core.playback.PlaybackPlan;
import flailbeat.core.time.Loop;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Plans as they are rendered: on time, joined, replaced, round a loop. */
class PlanRenderTest extends RenderRig {
  /** At 120 bpm: one note at 500 ms, heard 30 ms after the cue plus 500. */
  @Test
  void a_planned_note_sounds_in_its_block() {
    choose(TestSounds.SQUARE_LEAD);
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
    choose(TestSounds.SQUARE_LEAD);
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

  @Test
  void a_plan_joined_in_the_middle_of_a_note_sounds_it_and_halting_ends_it() {
    choose(TestSounds.SQUARE_LEAD);
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
    choose(TestSounds.SQUARE_LEAD);
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
    choose(TestSounds.SQUARE_LEAD);
    Song song = song(new NewNote(60, 127, new Played(0, 9600)));
    ClickTrack clicks = ClickTrack.between(-3840, 0, song.tempos(), song.meters());
    cue(PlaybackPlan.of(song, clicks, 0), -2_000_000_000, 0);
    float[] count = render(1990);
    assertThat(peak(Arrays.copyOfRange(count, 0, 4000))).isGreaterThan(0.1);
    assertThat(peak(Arrays.copyOfRange(count, 4000, 20_000))).isZero();
    assertThat(peak(render(200))).isGreaterThan(0.02);
  }

  /** The stream with edits, each of a note far off, is to the bit the stream without. */
  @Test
  void an_edit_in_the_midst_of_playing_leaves_no_gap() {
    float[] plain = streamOf(swaying(), song -> song);
    float[] edited = streamOf(swaying(), RendererTest::withANoteFarOff);
    assertThat(peak(plain)).isGreaterThan(0.02);
    assertThat(edited).isEqualTo(plain);
  }

  @Test
  void a_pedal_that_is_edited_away_while_it_is_down_holds_no_note() {
    choose(TestSounds.SQUARE_LEAD);
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

  /** At 120 bpm a click each 500 ms; the device takes nothing for a while. */
  @ParameterizedTest
  @ValueSource(ints = {90, 1700, 9000})
  void after_the_device_hung_the_beat_is_where_it_would_have_been(int hungMs) {
    Song song = Song.empty();
    ClickTrack clicks = ClickTrack.between(0, 3840, song.tempos(), song.meters());
    Loop bar = new Loop(0, 2_000_000_000);
    Run run = new Run(Plans.always(PlaybackPlan.of(song, clicks, 0)), 0, 0, Optional.of(bar));
    feed.setRun(run);
    render(700);
    long before = run.offsetNanos();
    frames += hungMs * OutputLine.FRAME_RATE / 1000;
    long from = frames;
    List<Integer> found = onsets(render(3000), 200);
    assertThat(run.offsetNanos()).isCloseTo(before, within(2_500_000L));
    assertThat(found).hasSizeBetween(5, 6);
    for (int each : found) {
      long late = (from + each) % (OutputLine.FRAME_RATE / 2);
      assertThat(Math.min(late, OutputLine.FRAME_RATE / 2 - late)).isLessThan(Synth.BLOCK_FRAMES);
    }
  }

  @Test
  void where_less_was_missed_than_it_seemed_the_song_waits_and_no_beat_comes_early() {
    Song song = Song.empty();
    ClickTrack clicks = ClickTrack.between(0, 38_400, song.tempos(), song.meters());
    Run run = cue(PlaybackPlan.of(song, clicks, 0), 0, 0);
    render(700);
    long before = run.offsetNanos();
    frames += OutputLine.FRAME_RATE;
    render(100);
    frames -= OutputLine.FRAME_RATE / 5;
    long from = frames;
    List<Integer> found = onsets(render(3000), 200);
    assertThat(run.offsetNanos()).isCloseTo(before, within(2_500_000L));
    assertThat(found.stream().map(f -> (from + f + 50) * 2 / OutputLine.FRAME_RATE).toList())
        .containsExactly(4L, 5L, 6L, 7L, 8L, 9L);
  }

  @Test
  void after_the_device_hung_what_is_held_sounds_and_what_was_missed_does_not_hang() {
    choose(TestSounds.SQUARE_LEAD);
    NewNote held = new NewNote(60, 100, new Played(0, 4800));
    NewNote ended = new NewNote(72, 100, new Played(0, 960));
    NewNote missed = new NewNote(76, 100, new Played(1440, 1600));
    PlaybackPlan plan = PlaybackPlan.of(song(held, ended, missed), ClickTrack.NONE, 0);
    cue(plan, 0, 0);
    render(200);
    frames += OutputLine.FRAME_RATE;
    render(300);
    float[] tone = render(400);
    assertThat(peak(tone)).isGreaterThan(0.02);
    assertThat(strongestNear(tone, 261.63)).isCloseTo(261.63, within(1.0));
    render(800);
    render(2500);
    assertThat(peak(render(100))).as("nothing hangs").isLessThan(0.003);
  }
}
