package flailbeat.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.edit.clips.ClipShapes;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.Meter;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What each key does. Lengths in ticks: a quarter is 960. */
class StepMachineTest {
  private final StepScript steps = new StepScript();

  @Test
  void a_correction_is_as_loud_as_what_was_there() {
    steps.press("/8 C4 D4");
    NoteId soft = steps.song.tracks().get(0).notes().get(1).id();
    steps.song = NoteEdits.change(steps.song, Set.of(soft), n -> n.withVelocity(33));
    steps.state = steps.machine().to(960);
    steps.press("< G4 A4");
    assertThat(steps.song.tracks().get(0).notes())
        .extracting(Note::velocity)
        .containsExactly(80, 33, 80);
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      value = {
        // pressed and let go
        "C4 | 0 C4 960 | 960",
        "/8 C4 D4 | 0 C4 480, 480 D4 480 | 960",
        // a chord, however raggedly
        "+C4 +E4 -C4 +G4 -E4 -G4 | 0 C4 960, 0 E4 960, 0 G4 960 | 960",
        // advance with keys held
        "+C4 > -C4 | 0 C4 960 | 960",
        "+C4 > > > -C4 | 0 C4 2880 | 2880",
        "+C4 > > < -C4 | 0 C4 960 | 960",
        "+C4 > < -C4 | '' | 0",
        "+C4 > -C4 +D4 > > -D4 | 0 C4 960, 960 D4 1920 | 2880",
        // struck in turn while one is held on: each once
        "+C4 > +D4 -C4 -D4 | 0 C4 960, 960 D4 960 | 1920",
        // nothing held: rests and going back
        "C4 > D4 | 0 C4 960, 1920 D4 960 | 2880",
        "C4 > < D4 | 0 C4 960, 960 D4 960 | 1920",
        "> > > < | '' | 1920",
        // length keys
        "+C4 /8 -C4 D4 | 0 C4 480, 480 D4 960 | 1440",
        "+C2 /4 /4 /8 /8 /16 -C2 | 0 C2 960, 960 C2 960, 1920 C2 480, 2400 C2 480, 2880 C2 240"
            + " | 3120",
        // dots and triplets
        "/8 . C4 . D4 | 0 C4 720, 720 D4 480 | 1200",
        "+C4 . -C4 D4 | 0 C4 1440, 1440 D4 960 | 2400",
        "+C4 /4 . -C4 +D4 /8 -D4 | 0 C4 1440, 1440 D4 480 | 1920",
        "+C4 > . . -C4 | 0 C4 960 | 960",
        "/8 t C4 D4 E4 t F4 | 0 C4 320, 320 D4 320, 640 E4 320, 960 F4 480 | 1440",
        "[ C4 ] D4 | 0 C4 480, 480 D4 960 | 1440",
        // back, and a wrong note is put right; replaced whole
        "C4 D4 < E4 | 0 C4 960, 960 E4 960 | 1920",
        "/16 C4 D4 E4 F4 < < < < /4 G4 | 0 G4 960 | 960",
        // a correction is as long as what was there, and touches nothing that follows
        "/8 C4 D4 /4 E4 < < G4 | 0 C4 480, 480 G4 480, 960 E4 960 | 960",
        "/8 C4 D4 /4 E4 < < G4 A4 | 0 C4 480, 480 G4 480, 960 A4 960 | 1920",
        "/8 C4 D4 /4 E4 < < < > > > F4 | 0 C4 480, 480 D4 480, 960 E4 960, 1920 F4 960 | 2880",
        "/8 C4 D4 /4 E4 < < /4 G4 | 0 C4 480, 480 G4 960 | 1440",
        "/8 t C4 D4 E4 t F4 < < G4 | 0 C4 320, 320 D4 320, 640 G4 320, 960 F4 480 | 960",
        // remove, repeat, tie
        "C4 D4 bs E4 | 0 C4 960, 960 E4 960 | 1920",
        "C4 > bs bs D4 | 0 D4 960 | 960",
        "+C4 +E4 -C4 -E4 rep | 0 C4 960, 0 E4 960, 960 C4 960, 960 E4 960 | 1920",
        "/2 C4 /8 ~ D4 | 0 C4 2400, 2400 D4 480 | 2880",
        "C4 > rep D4 | 0 C4 960, 2880 D4 960 | 3840",
        // what is in the way of a longer one goes, what follows stays; a triplet is a dotted one's
        "C4 D4 E4 < < < +G4 > > -G4 | 0 G4 1920, 1920 E4 960 | 1920",
        "+C4 /4 . t -C4 D4 | 0 C4 640, 640 D4 960 | 1600",
      })
  void keys_enter_what_they_say(String keys, String notes, long cursor) {
    steps.press(keys);
    assertThat(String.join(", ", steps.lines())).isEqualTo(notes);
    assertThat(steps.cursor()).isEqualTo(cursor);
    assertThat(steps.state.hold().isHeld()).isFalse();
  }

  @Test
  void only_a_step_that_is_still_there_on_the_chosen_track_decides_how_long_the_next_is() {
    steps.press("/8 C4 D4 /4 E4 < <");
    assertThat(steps.machine().nextLength()).isEqualTo(StepLength.of(8));
    Song two = SongEdits.addTrack(steps.song, Instrument.melodic(0));
    StepAround other = new StepAround(two, two.tracks().getLast().id(), Optional.empty());
    StepMachine there = new StepMachine(steps.state, other);
    assertThat(there.nextLength()).isEqualTo(StepLength.of(4));
    assertThat(new StepWords(steps.state, other).next()).contains("as 1/4").endsWith(" rests");
    StepState held = there.press(67, 80);
    Song entered = new StepMachine(held, other).release(67).edit().orElseThrow().apply(two);
    assertThat(entered.tracks().getLast().notes()).extracting(Note::length).containsExactly(960L);
    Song undone = NoteEdits.delete(steps.song, Set.of(steps.notes().get(1).id()));
    assertThat(
            new StepMachine(steps.state, new StepAround(undone, steps.track(), Optional.empty()))
                .nextLength())
        .isEqualTo(StepLength.of(4));
    steps.set(steps.state.settings().withAdds(true));
    assertThat(steps.says()).contains("as 1/4", ", together with D4");
    steps.press("G4");
    assertThat(steps.lines()).contains("480 G4 960", "480 D4 480", "960 E4 960");
  }

  @Test
  void adding_keeps_what_stands_there_and_doubles_nothing() {
    steps.press("/4 C2 D2").set(StepSettings.standard().withAdds(true));
    steps.state = steps.machine().to(0);
    steps.press("/2 F#2");
    steps.state = steps.machine().to(960);
    steps.press("/4 D2");
    assertThat(steps.lines()).containsExactly("0 C2 960", "0 F#2 1920", "960 D2 960");
  }

  @Test
  void a_note_that_is_added_and_made_longer_leaves_what_it_comes_over() {
    steps.press("C4 D4").set(StepSettings.standard().withAdds(true));
    steps.state = steps.machine().to(0);
    steps.press("+E4 > > -E4");
    assertThat(steps.lines()).containsExactly("0 C4 960", "0 E4 1920", "960 D4 960");
  }

  @Test
  void a_note_added_over_a_longer_one_of_its_pitch_ends_that_one() {
    steps.press("/1 C4").set(StepSettings.standard().withAdds(true));
    steps.state = steps.machine().to(1920);
    steps.press("/4 C4");
    assertThat(steps.lines()).containsExactly("0 C4 1920", "1920 C4 960");
    steps.state = steps.machine().to(0);
    steps.press("bs").state = steps.machine().to(960);
    steps.press("/1 C4");
    assertThat(steps.lines()).contains("960 C4 960", "1920 C4 960");
  }

  @Test
  void where_the_cursor_was_put_elsewhere_the_step_before_it_is_removed() {
    steps.press("C4 D4 E4").state = steps.machine().to(1920);
    steps.press("bs F4");
    assertThat(steps.lines()).containsExactly("0 C4 960", "960 F4 960", "1920 E4 960");
  }

  @Test
  void while_keys_find_they_only_sound_and_what_is_held_is_entered_by_a_key() {
    steps.set(StepSettings.standard().withFindsFirst(true));
    steps.press("C4 E4 +C4 +E4 +G4 -E4 +D#4 /2 -C4 -G4 -D#4 +A4 > > -A4 B4");
    assertThat(steps.lines())
        .containsExactly("0 C4 1920", "0 D#4 1920", "0 G4 1920", "1920 A4 1920");
  }

  @Test
  void staccato_is_a_share_of_the_step_and_the_cursor_goes_on_by_the_whole() {
    steps.set(StepSettings.standard().withGate(50)).press("C4 +D4 > > -D4");
    assertThat(steps.lines()).containsExactly("0 C4 480", "960 D4 960");
    assertThat(steps.cursor()).isEqualTo(2880);
  }

  @Test
  void a_clip_is_made_in_a_gap_and_grows_by_bars() {
    steps.state = steps.machine().to(3 * 3840);
    steps.press("/1 C4");
    assertThat(clips()).containsExactly(new TickRange(11_520, 15_360));
    steps.press("D4 /2 E4");
    assertThat(clips()).containsExactly(new TickRange(11_520, 23_040));
    steps.state = steps.machine().to(0);
    steps.press("F4");
    steps.state = steps.machine().to(8 * 3840);
    steps.press("/1 . G4");
    assertThat(clips())
        .containsExactly(
            new TickRange(0, 3840), new TickRange(11_520, 23_040), new TickRange(30_720, 38_400));
  }

  private List<TickRange> clips() {
    return steps.song.tracks().get(0).clips().stream().map(Clip::range).toList();
  }

  @Test
  void notes_hidden_behind_the_end_of_a_clip_stay_hidden_and_are_not_lost() {
    steps.press("/1 C4 D4");
    Clip clip = steps.song.tracks().get(0).clips().get(0);
    steps.song = ClipShapes.resize(steps.song, clip.id(), 3840);
    steps.state = steps.machine().to(3840);
    steps.press("/4 E4");
    assertThat(steps.lines()).containsExactly("0 C4 3840", "3840 E4 960");
    assertThat(steps.song.tracks().get(0).clips().get(0).content().notes()).hasSize(2);
  }

  @Test
  void past_the_loops_end_it_goes_on_unless_asked_to_wrap() {
    steps.loop = Optional.of(new TickRange(0, 3840));
    steps.press("/2 C4 D4 E4");
    assertThat(steps.cursor()).isEqualTo(5760);
    steps.set(StepSettings.standard().withWraps(true));
    steps.state = steps.machine().to(1920);
    steps.press("/2 F4");
    assertThat(steps.cursor()).isZero();
    steps.press("G4");
    assertThat(steps.lines()).startsWith("0 G4 1920");
  }

  @Test
  void the_cursor_goes_by_bars_of_any_meter() {
    steps.song = steps.song.withMeters(MeterMap.of(new Meter(7, 8)));
    steps.state = steps.machine().byBar(1);
    assertThat(steps.cursor()).isEqualTo(3360);
    steps.press(">");
    steps.state = steps.machine().byBar(-1);
    assertThat(steps.cursor()).isEqualTo(3360);
    steps.state = steps.machine().byBar(-1);
    steps.state = steps.machine().byBar(-1);
    assertThat(steps.cursor()).isZero();
  }

  @Test
  void no_step_goes_past_the_end_of_the_song_and_it_says_where_that_is() {
    steps.state = steps.machine().to(Ticks.LAST - 960);
    steps.press("/2 C4 + > rep ~".replace("+ ", ""));
    assertThat(steps.notes()).isEmpty();
    assertThat(steps.remarks.get(0))
        .isEqualTo(
            "A song ends in bar 559241 at the latest, 2,236,962 quarter notes from its start;"
                + " C4 was not entered");
    steps.press("/4 C4");
    assertThat(steps.notes()).hasSize(1);
  }

  @Test
  void a_key_with_nothing_to_do_says_so() {
    steps.press("< bs rep ~ /64 [ /1 ]");
    assertThat(steps.remarks)
        .containsExactly(
            "The song begins here",
            "There is no step before the start",
            "There is no step yet to repeat",
            "There is no note just before the cursor to tie to",
            "1/64 is the shortest note value; write a fraction of a beat for a shorter step",
            "1/1 is the longest note value; write a number of beats for a longer step");
  }

  @Test
  void pitches_given_to_a_tapped_rhythm_leave_its_timing_alone() {
    steps.press("/8 . C2 /16 C2 /4 C2 C2");
    steps.song =
        NoteEdits.change(
            steps.song,
            Set.copyOf(steps.notes().stream().map(Note::id).toList()),
            n -> n.moved(7, 0).withVelocity(33));
    List<Note> tapped = steps.notes();
    steps.set(StepSettings.standard().withOntoRhythm(true)).state = steps.machine().to(0);
    steps.press("E4 > G4 < A4 +C5 +E5 -C5 -E5 B4");
    assertThat(steps.notes())
        .extracting(Note::onset, n -> StepScript.name(n.pitch()), Note::length, Note::velocity)
        .containsExactly(
            tuple(tapped.get(0), "E4"),
            tuple(tapped.get(1), "C2"),
            tuple(tapped.get(2), "A4"),
            tuple(tapped.get(3), "C5"),
            tuple(tapped.get(3), "E5"));
    assertThat(steps.remarks)
        .containsExactly("No note is left here to take B4: the rhythm is at its end");
  }

  private static org.assertj.core.groups.Tuple tuple(Note as, String name) {
    return org.assertj.core.api.Assertions.tuple(as.onset(), name, as.length(), as.velocity());
  }

  @Test
  void the_notes_of_one_onset_take_their_pitches_together_or_one_by_one() {
    steps.press("+C2 +D2 +E2 -C2 -D2 -E2 F2");
    steps.set(StepSettings.standard().withOntoRhythm(true)).state = steps.machine().to(0);
    steps.press("C4 +E4 +G4 -E4 -G4 C5");
    assertThat(steps.lines()).containsExactly("0 C4 960", "0 E4 960", "0 G4 960", "960 C5 960");
  }

  /** 40 ticks are 20.8 ms at 120 bpm: one onset; 60 are 31.3, so the third note is another. */
  @Test
  void a_chord_that_was_struck_raggedly_is_one_onset_also_going_back() {
    steps.press("/4 C2 C2 > C2");
    List<Note> struck = steps.notes();
    steps.song =
        NoteEdits.change(
            steps.song,
            Set.copyOf(struck.stream().map(Note::id).toList()),
            n -> n.standingAt(List.of(0L, 40L, 0L, 100L).get((int) (n.onset() / 960)), 30));
    steps.set(StepSettings.standard().withOntoRhythm(true)).state = steps.machine().to(0);
    assertThat(steps.machine().waitingForPitch()).extracting(Note::onset).containsExactly(0L, 40L);
    steps.press("+D2 +E2 +F2 -D2 -E2 -F2");
    assertThat(steps.lines()).containsExactly("0 D2 30", "40 E2 30", "40 F2 30", "100 C2 30");
    assertThat(steps.says()).contains("note 4 of 4, at 1.1.100");
    steps.press("> <");
    assertThat(steps.cursor()).isEqualTo(100);
    steps.press("<");
    assertThat(steps.cursor()).isZero();
    steps.press("<");
    assertThat(steps.remarks).containsExactly("The rhythm begins here");
    steps.set(StepSettings.standard());
    assertThat(steps.machine().waitingForPitch()).isEmpty();
  }

  @ParameterizedTest(name = "{0} steps {1} times, {2} semitones")
  @CsvSource(
      delimiter = '|',
      value = {
        "2 | 2 | 0 | 0 C4 960, 960 D4 960, 1920 C4 960, 2880 D4 960, 3840 C4 960, 4800 D4 960",
        "1 | 3 | 2 | 0 C4 960, 960 D4 960, 1920 E4 960, 2880 F#4 960, 3840 G#4 960",
        "2 | 0 | -12 | 0 C4 960, 960 D4 960, 1920 C3 960, 2880 D3 960",
      })
  void a_pattern_is_repeated_so_often_or_to_the_end_of_the_clip(
      int count, int times, int semitones, String notes) {
    steps.press("C4 D4");
    steps.take(steps.machine().fill(new PatternFill(count, times, semitones)));
    assertThat(String.join(", ", steps.lines())).isEqualTo(notes);
  }

  @Test
  void a_pattern_stops_where_it_would_leave_the_piano_and_says_so() {
    steps.press("G9");
    steps.take(steps.machine().fill(new PatternFill(1, 5, 1)));
    assertThat(steps.remarks)
        .containsExactly("The pattern stops where it would leave the piano's 128 notes");
    steps.take(steps.machine().fill(new PatternFill(2, 5, 1)));
    assertThat(steps.remarks).contains("A pattern of 2 steps needs as many, and so far there is 1");
  }

  @Test
  void a_pattern_without_an_end_to_go_to_says_so_and_one_that_is_added_clears_nothing() {
    steps.press("C4 D4").state = steps.machine().to(8 * 3840);
    steps.take(steps.machine().fill(new PatternFill(1, PatternFill.TO_THE_END, 0)));
    assertThat(steps.remarks)
        .containsExactly("The cursor is not within a clip: say how often to repeat the pattern");
    steps.set(StepSettings.standard().withAdds(true)).state = steps.machine().to(0);
    steps.take(steps.machine().fill(new PatternFill(1, 2, 1)));
    assertThat(steps.lines()).containsExactly("0 C4 960", "0 D#4 960", "960 D4 960", "960 E4 960");
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new PatternFill(1, 1000, 0))
        .withMessage("A pattern's times go from 0 to 999, not 1000");
    assertThat(new PatternFill(16, 999, -24).steps()).isEqualTo(16);
    assertThat(PatternFill.standard()).isEqualTo(new PatternFill(4, 0, 0));
  }
}
