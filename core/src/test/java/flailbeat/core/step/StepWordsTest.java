package flailbeat.core.step;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.model.Song;
import flailbeat.core.model.carried.CarriedEvent;
import flailbeat.core.model.carried.FromFile;
import flailbeat.core.pitch.KeySignature;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is said of the next key, in words. */
class StepWordsTest {
  private final StepScript steps = new StepScript();

  @Test
  void the_words_tell_what_keys_that_find_and_keys_that_add_will_do() {
    StepSettings finds = StepSettings.standard().withFindsFirst(true);
    assertThat(steps.set(finds).says())
        .isEqualTo(
            "Find notes: keys only sound. Hold them, and {step-advance} or a length key enters them"
                + " at 1.1.000");
    assertThat(steps.press("+C4 +D4 +E4 +F4 +G4 +A4").says())
        .isEqualTo(
            "{step-advance} enters C4 D4 E4 F4 and 2 more as 1/4 at 1.1.000; a length key enters it"
                + " at its own length");
    steps.press("> -C4 -D4 -E4 -F4 -G4 -A4").set(StepSettings.standard().withAdds(true));
    steps.state = steps.machine().to(0);
    assertThat(steps.says()).contains("at 1.1.000, together with C4 D4 E4 F4 and 2 more.");
    steps.set(StepSettings.standard().withOntoRhythm(true)).press("> +C4");
    assertThat(steps.says()).isEqualTo("No note is left to take a pitch: {step-back} goes back");
    steps.press("<");
    assertThat(steps.says()).isEqualTo("Let go to give C4 to note 1 of 6, at 1.1.000");
    steps.set(steps.state.settings().withFindsFirst(true));
    assertThat(steps.says()).isEqualTo("{step-advance} gives C4 to note 1 of 6, at 1.1.000");
  }

  @Test
  void the_words_tell_how_much_of_the_bar_is_left_and_what_was_entered() {
    StepWords start = words();
    assertThat(start.position() + ", " + start.left()).isEqualTo("1.1.000, 4 beats left");
    steps.press("/8 . C4");
    assertThat(words().left()).isEqualTo("3 1/4 beats left");
    steps.press("> . +D4 > -D4 /2");
    assertThat(words().left()).isEqualTo("2 beats left");
    assertThat(steps.state.place().recent()).hasSize(3);
    assertThat(steps.state.place().recent().stream().map(words()::of))
        .containsExactly("C4  dotted 1/8", "rest  dotted 1/8", "D4  1/8");
    steps.press("+E4 > < > > -E4");
    assertThat(words().of(steps.state.place().recent().getLast())).isEqualTo("E4  3840 ticks");
    steps.state = steps.machine().to(3840 - 480);
    assertThat(words().left()).isEqualTo("1/2 beat left");
  }

  @Test
  void in_a_key_of_flats_the_words_spell_flats_and_from_its_change_on_sharps() {
    List<CarriedEvent> keys =
        List.of(
            FromFile.event(0, new KeySignature(-3, false)),
            FromFile.event(3840, new KeySignature(4, true)));
    Song song = Song.empty();
    StepScript flats =
        new StepScript(song.withFile(song.file().withCarried(keys)), StepSettings.standard());
    flats.press("+D#4 +A#4");
    assertThat(flats.says()).contains("to enter Eb4 Bb4 as");
    flats.press("-D#4 -A#4").state = flats.machine().to(3840);
    flats.press("+D#4");
    assertThat(flats.says()).contains("to enter D#4 as");
  }

  private StepWords words() {
    return new StepWords(steps.state, new StepAround(steps.song, steps.track(), Optional.empty()));
  }

  @Test
  void the_words_tell_what_the_next_key_does() {
    assertThat(steps.says())
        .isEqualTo(
            "Press and let go a note key: it is entered as 1/4 at 1.1.000. {step-advance} rests");
    steps.press("+C4 +E4");
    assertThat(steps.says())
        .isEqualTo(
            "Let go to enter C4 E4 as 1/4 at 1.1.000; {step-advance} or a length key enters it at"
                + " once");
    steps.press(">");
    assertThat(steps.says())
        .isEqualTo(
            "C4 E4 entered and still held: {step-advance} makes it 1/4 longer, {step-back} shorter;"
                + " a length key enters it again");
    steps.press("-C4 -E4 < /1 .");
    assertThat(steps.says())
        .isEqualTo(
            "Press and let go a note key: it is entered as dotted 1/1 at 1.1.000, over the bar"
                + " line, in place of C4 E4. {step-advance} rests");
    steps.set(steps.state.settings().withOntoRhythm(true));
    assertThat(steps.says())
        .startsWith("Press a note key: its pitch goes to note 1 of 2, at 1.1.000");
  }
}
