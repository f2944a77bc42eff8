package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.files.SongFiles;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Fields in the window: who has the letters, what is refused, what stays where it is. */
class FieldsTest extends HeadlessWindow {
  @Test
  void a_text_field_has_its_letters_until_enter_and_refuses_over_itself() throws Exception {
    click("tempo");
    ui.run(() -> ui.field("tempo").setText("1000"));
    type(KeyCode.S);
    assertThat(sounding()).isEmpty();
    assertThat(ui.get(() -> ui.field("tempo").getText())).contains("s");
    ui.run(() -> ui.field("tempo").setText("1000"));
    type(KeyCode.ENTER);
    assertThat(refusals()).singleElement().asString().contains("20 to 400");
    assertThat(ui.session.song().tempos().tempoAt(0).bpm()).isEqualTo(120);
    ui.run(() -> ui.field("tempo").setText("90"));
    type(KeyCode.ENTER);
    assertThat(ui.session.song().tempos().tempoAt(0).toString()).isEqualTo("90");
    assertThat(refusals()).isEmpty();
    press(KeyCode.S);
    assertThat(sounding()).as("the keys are given back").containsExactly(62);
    release(KeyCode.S);
  }

  @Test
  void a_click_beside_a_refused_tempo_reaches_what_was_aimed_at() throws Exception {
    click("tempo");
    Bounds before = ui.get(() -> onScene("meter"));
    ui.run(() -> ui.field("tempo").setText("99999"));
    type(KeyCode.ENTER);
    assertThat(refusals()).hasSize(1);
    assertThat(ui.get(() -> onScene("meter"))).isEqualTo(before);
    click("meter");
    assertThat(ui.get(() -> ui.field("meter").isFocused())).isTrue();
    assertThat(ui.get(() -> ui.field("tempo").getText())).as("what is in force").isEqualTo("120");
    assertThat(refusals()).as("why can still be read").hasSize(1);
  }

  @Test
  void what_is_being_typed_stays_when_the_song_comes_to_its_end() throws Exception {
    click("tempo");
    ui.run(() -> ui.field("tempo").setText("13"));
    ui.run(() -> ui.session.run().playOrStop());
    ui.run(() -> ui.session.run().playOrStop());
    assertThat(ui.get(() -> ui.field("tempo").getText())).isEqualTo("13");
    type(KeyCode.ESCAPE);
    assertThat(ui.get(() -> ui.field("tempo").getText())).isEqualTo("120");
  }

  @ParameterizedTest
  @CsvSource({"6/8, 6/8", "32/32, 32/32", "1/2, 1/2", "5/3, 4/4", "33/4, 4/4", "x, 4/4"})
  void meters_are_taken_or_refused(String typed, String now) throws Exception {
    click("meter");
    ui.run(() -> ui.field("meter").setText(typed));
    type(KeyCode.ENTER);
    assertThat(ui.session.song().meters().meterAt(0)).hasToString(now);
    type(KeyCode.ESCAPE);
    assertThat(ui.get(() -> ui.field("meter").getText())).isEqualTo(now);
  }

  @ParameterizedTest
  @EnumSource(names = {"F9", "F6"})
  void a_field_on_a_page_that_is_folded_or_turned_gives_the_keys_back(KeyCode away)
      throws Exception {
    click("own-grid");
    assertThat(ui.get(() -> ui.field("own-grid").isFocused())).isTrue();
    type(away);
    press(KeyCode.S);
    assertThat(sounding()).containsExactly(62);
    release(KeyCode.S);
    type(KeyCode.F5);
    press(KeyCode.S);
    assertThat(sounding()).as("the page is back").containsExactly(62);
    release(KeyCode.S);
  }

  private Bounds onScene(String id) {
    Node node = ui.stage.getScene().lookup("#" + id);
    return node.localToScene(node.getLayoutBounds());
  }

  private List<String> refusals() throws Exception {
    return ui.get(
        () ->
            Window.getWindows().stream()
                .filter(Tooltip.class::isInstance)
                .map(Tooltip.class::cast)
                .filter(each -> each.getStyleClass().contains("refusal"))
                .map(Tooltip::getText)
                .toList());
  }

  @Test
  void what_is_typed_counts_before_a_command_that_reads_the_song() throws Exception {
    Path file = folder.resolve("mine.flail");
    ui.answers.file = Optional.of(file);
    click("tempo");
    ui.run(() -> ui.field("tempo").setText("140"));
    type(KeyCode.CONTROL, KeyCode.S);
    ui.await(() -> ui.session.notices().current().text().startsWith("Saved"));
    assertThat(SongFiles.standard().read(file).song().tempos().tempoAt(0)).hasToString("140");
    ui.run(() -> ui.field("tempo").setText("9999"));
    type(KeyCode.CONTROL, KeyCode.S);
    assertThat(refusals()).as("what is refused is not saved over").hasSize(1);
  }

  @Test
  void a_note_key_that_is_held_types_nothing_into_a_field_that_is_clicked_meanwhile()
      throws Exception {
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    click("tempo");
    ui.run(() -> ui.field("tempo").setText("120"));
    press(KeyCode.A);
    press(KeyCode.A);
    assertThat(ui.get(() -> ui.field("tempo").getText())).isEqualTo("120");
    release(KeyCode.A);
    assertThat(sounding()).isEmpty();
    ui.run(() -> ui.field("tempo").end());
    type(KeyCode.B);
    assertThat(ui.get(() -> ui.field("tempo").getText()))
        .as("the next is the field's")
        .contains("b");
  }

  @Test
  void a_word_that_is_deleted_in_a_field_takes_back_no_pass() throws Exception {
    ui.run(() -> ui.session.notices().tell("Nothing said"));
    click("tempo");
    type(KeyCode.CONTROL, KeyCode.BACK_SPACE);
    assertThat(ui.session.notices().current().text()).doesNotContain("pass");
  }

  @Test
  void a_tempo_that_is_typed_while_recording_is_refused_in_words_and_none_of_it_is_recorded()
      throws Exception {
    ui.run(() -> ui.session.run().recordOrStop());
    click("tempo");
    ui.run(() -> ui.field("tempo").selectAll());
    type(KeyCode.DIGIT1);
    type(KeyCode.DIGIT4);
    type(KeyCode.DIGIT0);
    type(KeyCode.ENTER);
    assertThat(refusals()).singleElement().asString().contains("recording");
    assertThat(ui.session.song().tempos().tempoAt(0)).hasToString("120");
    ui.run(() -> ui.session.run().recordOrStop());
    assertThat(ui.session.document().track().clips()).isEmpty();
  }
}
