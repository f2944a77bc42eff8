package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.command.Command;
import flailbeat.app.command.CommandSearch;
import flailbeat.app.command.Commands;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.model.Song;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What people call things finds what they are called here. */
class FinderTest extends HeadlessWindow {
  private static final String TRADE_WORDS =
      """
      legato -> legato
      invert -> invert-up
      top note -> select-highest
      delete short -> chore-short
      duplicate -> duplicate
      bpm -> tempo
      undo quantize -> bring-back
      sustain pedal -> sustain
      latency -> calibrate
      metronome -> click
      panic -> all-off
      humanize -> velocity-sway
      arpeggio -> break-up
      merge -> join
      time signature -> meter
      qauntize -> quantize
      recrod -> record
      metronom -> click
      legatto -> legato
      crescndo -> velocity-ramp
      ctrl+t -> quantize
      ctrl t -> quantize
      F10 -> map-large
      shift+space -> record
      step entry -> keys-steps
      letters to notes -> keys-switch
      change a key -> page-keys
      keep last phrase -> keep
      delete pass -> drop-pass
      quantize as you go -> quantize-recording
      tempo from playing -> find-beat
      tap rhythm -> step-rhythm
      pickup -> clip-on-bar
      export audio -> song-sound
      wav -> song-sound
      midi keyboard -> page-recording
      sound device -> page-recording
      stop all -> all-off
      piano -> sound-choose
      quit -> song-close
      larger text -> text-larger
      help -> help
      """;

  @BeforeEach
  void openDemo() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
  }

  private Commands commands() {
    return ui.window.commands();
  }

  private List<String> found(String words) {
    return ui.get(
        () ->
            new CommandSearch(commands(), ui.session.person().commandUse()::of)
                .find(words).stream().map(f -> f.command().id()).toList());
  }

  /** Words of the trade (common practice), words misspelt, and keys. */
  @Test
  void words_of_the_trade_spelling_errors_and_keys_find_a_command() {
    SoftAssertions softly = new SoftAssertions();
    TRADE_WORDS
        .lines()
        .map(line -> line.split(" -> "))
        .forEach(
            line ->
                softly.assertThat(found(line[0]).stream().limit(5)).as(line[0]).contains(line[1]));
    softly.assertAll();
  }

  @Test
  void every_command_that_can_be_asked_for_has_two_other_words_at_least() {
    for (Command command : commands().all()) {
      if (!command.isAnswer()) {
        assertThat(CommandSearch.otherWords(command.id())).as(command.id()).hasSizeGreaterThan(1);
      }
    }
    assertThat(CommandSearch.named())
        .allSatisfy(id -> assertThat(commands().get(id).isAnswer()).as(id).isFalse());
  }

  @Test
  void what_is_chosen_more_often_comes_first_among_what_comes_as_near() {
    List<String> before = found("track");
    String second = before.get(1);
    ui.run(() -> ui.session.person().commandUse().chosen(second));
    assertThat(found("track").getFirst()).isEqualTo(second);
  }

  @Test
  void it_says_what_is_not_in_this_program_and_does_nothing_by_enter() throws Exception {
    Song before = ui.session.song();
    type(KeyCode.F4);
    ui.run(() -> ui.field("finder-words").setText("vocals"));
    assertThat(ui.text("finder-foot")).contains("notes, not sound");
    ui.run(() -> ui.field("finder-words").setText("sheet music"));
    assertThat(ui.text("finder-foot")).contains("not here yet").contains("Ctrl+E");
    ui.run(() -> ui.field("finder-words").setText("audio"));
    assertThat(ui.text("finder-foot"))
        .as("beside the page that has the device")
        .contains("notes, not sound");
    assertThat(found("audio")).contains("page-recording");
    ui.run(() -> ui.field("finder-words").setText("export audio"));
    assertThat(ui.text("finder-foot")).as("there is such a command").doesNotContain("not sound");
    assertThat(found("voice leading")).contains("chord-lead");
    ui.run(() -> ui.field("finder-words").setText("legatoness wobble"));
    assertThat(ui.text("finder-foot")).contains("nearest");
    type(KeyCode.ENTER);
    assertThat(ui.get(() -> ui.node("finder").isVisible())).isTrue();
    assertThat(ui.session.song()).isSameAs(before);
    ui.run(() -> ui.field("finder-words").setText("xyzzy"));
    type(KeyCode.ENTER);
    assertThat(ui.get(() -> ui.node("finder").isVisible())).isTrue();
  }

  @Test
  void it_says_what_a_command_is_done_to_and_why_one_cannot_be_done_now() throws Exception {
    type(KeyCode.F4);
    ui.run(() -> ui.field("finder-words").setText("cut the selected"));
    assertThat(ui.text("finder-foot")).isEqualTo("Not now: select notes or clips first.");
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    ui.run(() -> ui.field("finder-words").setText("legato"));
    assertThat(ui.text("finder-foot")).startsWith("It is done to the selection, ");
    type(KeyCode.ESCAPE);
    ui.run(() -> ui.session.open(Song.empty(), Optional.empty()));
    type(KeyCode.CONTROL, KeyCode.T);
    assertThat(ui.text("notice")).contains("Quantize: ").contains("play, draw or step some in");
  }
}
