package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Keystroke;
import flailbeat.app.help.HelpSection;
import flailbeat.app.help.HelpTexts;
import flailbeat.core.keys.KeysMode;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.Test;

/** What the documents say is found in the window, and holds there. */
class HelpTest extends HeadlessWindow {
  private static final Pattern KEY =
      Pattern.compile(
          "\\b((?:(?:Ctrl|Alt|Shift)\\+)+"
              + "(?:F\\d+|Page (?:up|down)|Space|Enter|Left|Right|Up|Down|Home|End|Delete"
              + "|Backspace|[A-Z0-9](?![a-z])|[.,=-])|F\\d+\\b)");

  private String title() {
    return ui.get(() -> ((Labeled) ui.node("help-title")).getText());
  }

  private void search(String words) {
    ui.run(() -> ((TextField) ui.node("help-words")).setText(words));
  }

  @Test
  void what_one_wants_to_know_is_found_by_a_word_and_read_by_keys_alone() throws Exception {
    type(KeyCode.SHIFT, KeyCode.F3);
    assertThat(title()).isEqualTo("Who has the keys");
    for (KeyCode letter : new KeyCode[] {KeyCode.S, KeyCode.W, KeyCode.E, KeyCode.E, KeyCode.P}) {
      type(letter);
    }
    assertThat(ui.session.performer().hands().soundingPitches())
        .as("the field has the letters")
        .isEmpty();
    search("wiped");
    assertThat(title()).isEqualTo("Sweep");
    search("");
    type(KeyCode.DOWN);
    assertThat(title()).isEqualTo("A sound");
    type(KeyCode.ESCAPE);
    assertThat(ui.node("help").isVisible()).isFalse();
    type(KeyCode.A);
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
  }

  @Test
  void enter_reads_on_and_every_text_can_be_shown() throws Exception {
    type(KeyCode.SHIFT, KeyCode.F3);
    int pages = 0;
    while (!title().equals("Nothing played is lost")) {
      type(KeyCode.ENTER);
      assertThat(++pages).as(title()).isLessThan(20);
    }
    ui.run(
        () -> {
          for (HelpSection section : HelpTexts.read().all()) {
            ((TextField) ui.node("help-words")).setText(section.title());
            assertThat(((Labeled) ui.node("help-title")).getText()).isNotEmpty();
            assertThat(((VBox) ui.node("help-text")).getChildren()).isNotEmpty();
          }
        });
  }

  @Test
  void a_press_on_the_text_or_its_bar_or_a_link_leaves_it_open() throws Exception {
    type(KeyCode.SHIFT, KeyCode.F3);
    search("chords by name");
    click(ui.node("help-text"), 0.5, 0.3);
    assertThat(ui.node("help").isVisible()).isTrue();
    click(ui.node("help-scroll"), 0.985, 0.6);
    assertThat(ui.node("help").isVisible()).as("the bar").isTrue();
    search("stencil");
    Node link = ui.get(() -> ui.node("help-text").lookup(".hyperlink"));
    if (link != null) {
      click(link, 0.5, 0.5);
      assertThat(ui.node("help").isVisible()).as("a link").isTrue();
    }
  }

  @Test
  void every_key_that_a_help_text_names_is_that_of_a_command() {
    TreeSet<String> gone = new TreeSet<>();
    for (HelpSection section : HelpTexts.read().all()) {
      Matcher named = KEY.matcher(section.text());
      while (named.find()) {
        String key = named.group().replace("Page up", "Page Up").replace("Page down", "Page Down");
        Optional<Keystroke> stroke = Keystroke.find(key);
        if (stroke.isEmpty() || !isOfACommand(stroke.get())) {
          gone.add(key + " in " + section.document() + ", " + section.title());
        }
      }
    }
    assertThat(gone).isEmpty();
  }

  private boolean isOfACommand(Keystroke key) {
    return ui.get(
        () ->
            Arrays.stream(KeyContext.values())
                .anyMatch(where -> ui.window.commands().at(where, key) != null));
  }

  @Test
  void every_link_of_a_help_text_leads_to_a_document_that_is_there() throws Exception {
    for (String document : HelpTexts.DOCUMENTS) {
      String text = Files.readString(Path.of("../docs/" + document + ".md"));
      Matcher link = Pattern.compile("]\\(([a-z-]+\\.md)").matcher(text);
      while (link.find()) {
        assertThat(Path.of("../docs/" + link.group(1))).as(document).exists();
      }
    }
  }
}
