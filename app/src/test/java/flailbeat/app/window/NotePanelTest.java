package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.edit.NoteRule;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The row of exact values over the bench. */
class NotePanelTest extends HeadlessWindow {
  @BeforeEach
  void openDemo() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
    ui.run(() -> ui.session.document().select(NoteRule.ALL));
    type(KeyCode.ALT, KeyCode.E);
  }

  private TextField field(String id) {
    return (TextField) ui.node(id);
  }

  private void enter(String id, String text) throws Exception {
    ui.run(
        () -> {
          field(id).requestFocus();
          field(id).setText(text);
        });
    type(KeyCode.ENTER);
  }

  @Test
  void a_value_is_typed_over_a_mixed_selection_stepped_by_arrows_and_gives_the_keys_back()
      throws Exception {
    assertThat(ui.text("values-of")).isEqualTo("67 notes");
    assertThat(ui.get(() -> field("value-velocity").getText())).contains("\u2013");
    assertThat(ui.get(() -> field("value-pitch").isFocused())).isTrue();
    type(KeyCode.TAB);
    assertThat(ui.get(() -> field("value-start").isFocused())).isTrue();
    enter("value-velocity", "70");
    assertThat(notes()).allMatch(n -> n.velocity() == 70);
    assertThat(ui.get(() -> field("value-velocity").isFocused())).isFalse();
    ui.run(() -> field("value-velocity").requestFocus());
    press(KeyCode.UP);
    release(KeyCode.UP);
    assertThat(notes()).allMatch(n -> n.velocity() == 71);
    type(KeyCode.ESCAPE);
    type(KeyCode.Z);
    assertThat(ui.get(() -> field("value-velocity").getText())).isEqualTo("71");
  }

  @Test
  void nonsense_is_told_beside_the_field_and_the_old_value_is_kept() throws Exception {
    Song before = ui.get(ui.session::song);
    enter("value-velocity", "loud");
    assertThat(ui.get(ui.session::song)).isSameAs(before);
    assertThat(ui.get(() -> field("value-velocity").getPseudoClassStates().toString()))
        .contains("refused");
    type(KeyCode.ESCAPE);
    assertThat(ui.get(() -> field("value-velocity").getText())).contains("\u2013");
    List<Note> notes = notes();
    enter("value-start", "+1");
    assertThat(notes().get(0).onset()).isEqualTo(notes.get(0).onset() + 1);
    type(KeyCode.ALT, KeyCode.E);
    assertThat(ui.get(() -> ui.node("note-panel").isVisible())).isFalse();
  }
}
