package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Keystroke;
import flailbeat.core.keys.ArrangementKind;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.person.Folds.WindowPart;
import flailbeat.core.session.person.KeySets;
import flailbeat.core.session.settings.Settings;
import flailbeat.core.session.settings.SettingsFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A person's own keys: pressed, kept in sets, printed, and what cannot be. */
class KeysPageTest extends HeadlessWindow {
  @BeforeEach
  void openPage() throws Exception {
    type(KeyCode.SHIFT, KeyCode.F1);
  }

  private Commands commands() {
    return ui.window.commands();
  }

  private void askFor(String id) throws Exception {
    ui.run(() -> list().getSelectionModel().select(id));
    click("key-change");
  }

  @SuppressWarnings("unchecked")
  private ListView<String> list() {
    return (ListView<String>) ui.node("keys-list");
  }

  private String keyOf(String id) {
    return ui.get(() -> commands().keysOf(commands().get(id)));
  }

  private String menuText(String id) {
    return ui.get(
        () ->
            ((MenuBar) ui.node("menus"))
                .getMenus().stream()
                    .map(Menu::getItems)
                    .flatMap(List::stream)
                    .filter(i -> ("menu-" + id).equals(i.getId()))
                    .map(i -> i.getText() + " " + i.getAccelerator())
                    .findFirst()
                    .orElseThrow());
  }

  @Test
  void a_new_key_does_it_at_once_and_menu_hint_and_set_tell_it() throws Exception {
    askFor("undo");
    assertThat(ui.text("who-has-the-keys")).contains("Press the new key").contains("Undo");
    type(KeyCode.CONTROL, KeyCode.Y);
    assertThat(keyOf("undo")).isEqualTo("Ctrl+Y");
    assertThat(menuText("undo")).contains("+Y");
    assertThat(ui.get(() -> ui.node("undo").getAccessibleHelp())).isEqualTo("Undo (Ctrl+Y)");
    assertThat(ui.session.person().keySets().chosen())
        .as("a set of one's own")
        .isEqualTo("My keys");
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys are notes");
    String before = ui.session.song().title();
    ui.run(() -> ui.session.editing().edit("Name the song", s -> s.withTitle("Other")));
    type(KeyCode.CONTROL, KeyCode.Z);
    assertThat(ui.session.song().title()).isEqualTo("Other");
    type(KeyCode.CONTROL, KeyCode.Y);
    assertThat(ui.session.song().title()).isEqualTo(before);
  }

  @Test
  void folding_the_page_while_it_asks_gives_the_keys_back_to_notes() throws Exception {
    askFor("mute");
    ui.press("page-keys");
    assertThat(ui.session.person().folds().isFolded(WindowPart.PAGES)).isTrue();
    assertThat(ui.text("who-has-the-keys")).startsWith("Letter keys are notes");
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    release(KeyCode.A);
    ui.press("page-keys");
    assertThat(ui.session.person().folds().isFolded(WindowPart.PAGES)).isFalse();
    assertThat(ui.node("keys-page")).isNotNull();
  }

  @Test
  void while_a_key_is_asked_for_no_note_sounds_and_esc_leaves_all_as_it_was() throws Exception {
    askFor("mute");
    press(KeyCode.A);
    assertThat(sounding()).isEmpty();
    release(KeyCode.A);
    assertThat(keyOf("mute")).isEqualTo("Alt+Shift+M or A");
    assertThat(ui.text("keys-said")).contains("at Play it is a note");
    askFor("mute");
    type(KeyCode.ESCAPE);
    assertThat(keyOf("mute")).isEqualTo("Alt+Shift+M or A");
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
    press(KeyCode.A);
    assertThat(sounding()).as("the keys are the notes' again").containsExactly(60);
    release(KeyCode.A);
    type(KeyCode.ESCAPE);
    type(KeyCode.A);
    assertThat(ui.session.document().track().muted()).isTrue();
  }

  @Test
  void a_key_that_another_command_has_is_told_and_taken_only_when_it_is_said() throws Exception {
    askFor("undo");
    type(KeyCode.CONTROL, KeyCode.T);
    assertThat(ui.text("keys-said")).contains("Ctrl+T is the key of \"Quantize\"");
    assertThat(keyOf("undo")).isEqualTo("Ctrl+Z");
    type(KeyCode.ESCAPE);
    assertThat(keyOf("quantize")).isEqualTo("Ctrl+T");
    askFor("undo");
    type(KeyCode.CONTROL, KeyCode.T);
    assertThat(ui.get(() -> ui.node("key-take").isVisible())).isTrue();
    type(KeyCode.ENTER);
    assertThat(keyOf("undo")).isEqualTo("Ctrl+T");
    assertThat(keyOf("quantize")).isEmpty();
    assertThat(ui.text("keys-said")).contains("\"Quantize\" has it no more");
  }

  @Test
  void no_set_of_keys_locks_the_letters_in_the_notes() throws Exception {
    ui.run(() -> list().getSelectionModel().select("keys-commands"));
    click("key-clear");
    assertThat(keyOf("keys-commands")).isEmpty();
    ui.run(() -> list().getSelectionModel().select("keys-switch"));
    click("key-clear");
    assertThat(keyOf("keys-switch")).startsWith("F2");
    assertThat(ui.text("keys-said")).contains("no key would give them back to commands");
  }

  @Test
  void keys_of_play_are_no_letters_and_a_place_is_one_whatever_is_printed_there() throws Exception {
    askFor("sustain");
    type(KeyCode.B);
    assertThat(ui.text("keys-said")).contains("at Play, letters are notes");
    type(KeyCode.INSERT);
    assertThat(keyOf("sustain")).isEqualTo("Insert");
    press(KeyCode.INSERT);
    assertThat(ui.session.performer().pedals().isSustaining()).isTrue();
    release(KeyCode.INSERT);
    assertThat(ui.session.performer().pedals().isSustaining()).isFalse();
    askFor("octave-up");
    type(KeyCode.R);
    ui.run(() -> ui.session.performer().setLayout(KeyLayout.DVORAK));
    assertThat(keyOf("octave-up")).as("what Dvorak has there").isEqualTo("P");
    type(KeyCode.P);
    assertThat(ui.text("octave")).isEqualTo("C5 to F6");
    ui.run(() -> ui.session.performer().setLayout(KeyLayout.QWERTY));
  }

  @Test
  void sets_are_saved_chosen_reset_and_kept_for_the_next_start(@TempDir Path folder)
      throws Exception {
    askFor("undo");
    type(KeyCode.CONTROL, KeyCode.Y);
    ui.run(() -> ui.session.person().keySets().saveAs("Left hand"));
    askFor("redo");
    type(KeyCode.CONTROL, KeyCode.J);
    Path file = folder.resolve("settings.json");
    SettingsFile.write(ui.get(() -> Settings.of(ui.session)), file);
    ui.run(() -> ui.session.person().keySets().choose(KeySets.AS_IT_CAME));
    assertThat(keyOf("undo")).isEqualTo("Ctrl+Z");
    Settings kept = SettingsFile.read(file).orElseThrow().settings();
    ui.run(() -> kept.applyTo(ui.session));
    assertThat(ui.session.person().keySets().chosen()).isEqualTo("Left hand");
    assertThat(keyOf("undo")).isEqualTo("Ctrl+Y");
    assertThat(keyOf("redo")).isEqualTo("Ctrl+J");
    ui.run(() -> list().getSelectionModel().select("undo"));
    click("key-reset");
    assertThat(keyOf("undo")).isEqualTo("Ctrl+Z");
    ui.run(() -> ui.session.person().keySets().choose("My keys"));
    assertThat(keyOf("undo")).as("the other set is as it was").isEqualTo("Ctrl+Y");
    assertThat(keyOf("redo")).isEqualTo("Ctrl+Shift+Z");
  }

  @Test
  void settings_that_say_nothing_where_keys_should_be_are_read(@TempDir Path folder)
      throws Exception {
    Path file = folder.resolve("settings.json");
    Files.writeString(
        file,
        "{\"keys\":{\"chosen\":\"A\",\"sets\":{\"A\":{\"undo\":null,\"redo\":[null,\"F12\"]},\"B\":null}}}");
    Settings kept = SettingsFile.read(file).orElseThrow().settings();
    ui.run(() -> kept.applyTo(ui.session));
    assertThat(keyOf("undo")).isEmpty();
    assertThat(keyOf("redo")).isEqualTo("F12");
    assertThat(ui.session.person().keySets().names()).containsExactly("A", "B");
  }

  @Test
  void unknown_commands_and_nonsense_keys_in_the_settings_are_told_and_kept() throws Exception {
    Map<String, List<String>> odd =
        Map.of(
            "undo", List.of("Ctrl+Hyper", "Ctrl+Y"),
            "no-such-thing", List.of("F9"),
            "redo", List.of("Ctrl+T"));
    ui.run(() -> ui.session.person().keySets().setAll(new KeySets.Kept("Odd", Map.of("Odd", odd))));
    assertThat(ui.text("notice")).contains("left out").contains("and 2 more");
    assertThat(keyOf("undo")).isEqualTo("Ctrl+Y");
    assertThat(keyOf("redo")).as("the person's own choice has it").isEqualTo("Ctrl+T");
    assertThat(keyOf("quantize")).isEmpty();
    assertThat(ui.session.person().keySets().inForce()).isEqualTo(odd);
    Map<String, List<String>> locked =
        Map.of("keys-switch", List.of(), "keys-commands", List.of("Nonsense"));
    ui.run(() -> ui.session.person().keySets().setAll(new KeySets.Kept("L", Map.of("L", locked))));
    assertThat(ui.text("notice")).contains("as they came");
    assertThat(keyOf("keys-commands")).isEqualTo("Esc");
  }

  @Test
  void a_key_that_the_keyboard_lacks_is_told() {
    Commands commands = commands();
    ui.run(() -> ui.session.performer().setLayout(KeyLayout.QWERTZ));
    assertThat(commands.isOnKeyboard(Keystroke.parse("Ctrl+="))).isFalse();
    assertThat(commands.isOnKeyboard(Keystroke.parse("Ctrl+T"))).isTrue();
    assertThat(commands.isOnKeyboard(Keystroke.parse("F9"))).isTrue();
    ui.run(() -> ui.session.performer().setLayout(KeyLayout.QWERTY));
    assertThat(commands.all())
        .allSatisfy(c -> assertThat(c.keys().own()).allMatch(commands::isOnKeyboard));
  }

  @Test
  void a_place_does_its_command_only_where_no_note_lies() throws Exception {
    type(KeyCode.Z);
    assertThat(ui.text("velocity")).isEqualTo("16  ppp");
    ui.run(() -> ui.session.performer().arrange(ArrangementKind.SPAN));
    press(KeyCode.Z);
    assertThat(sounding()).hasSize(1);
    release(KeyCode.Z);
    assertThat(ui.text("velocity")).isEqualTo("16  ppp");
  }

  @Test
  void the_keys_are_saved_as_a_page(@TempDir Path folder) throws Exception {
    Path page = folder.resolve("keys.html");
    ui.answers.file = Optional.of(page);
    askFor("redo");
    type(KeyCode.CONTROL, KeyCode.J);
    click("keys-page-save");
    ui.await(() -> Files.exists(page) && ui.text("notice").startsWith("Saved"));
    assertThat(Files.readString(page))
        .contains("Keys at Play")
        .contains("Keys at Commands")
        .contains("<td class=\"k\">Ctrl+J</td><td>Redo</td>")
        .contains("Strike mf, at 80");
    ui.answers.file = Optional.of(folder.resolve("no").resolve("keys.html"));
    click("keys-page-save");
    ui.await(() -> ui.text("notice").contains("no such folder"));
  }

  @Test
  void a_page_that_is_left_asks_no_more() throws Exception {
    askFor("undo");
    type(KeyCode.ESCAPE);
    ui.run(() -> ((Button) ui.node("key-change")).fire());
    ui.run(() -> commands().get("page-timing").press().run());
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    release(KeyCode.A);
    assertThat(keyOf("undo")).isEqualTo("Ctrl+Z");
  }

  @Test
  void every_command_is_on_the_page_with_what_lasts_and_what_is_asked() {
    List<String> shown = ui.get(() -> List.copyOf(list().getItems()));
    assertThat(shown).hasSameSizeAs(commands().all());
    assertThat(commands().all())
        .extracting(Command::where)
        .contains(KeyContext.WALK, KeyContext.LESSON);
  }

  @ParameterizedTest
  @CsvSource({"900, 600, 0.6", "1280, 800, 0.85"})
  void the_sheet_of_keys_is_whole_in_any_window_and_as_large_as_it_can_be(
      double width, double height, double scale) throws Exception {
    WindowUnderTest own = WindowUnderTest.open(width, height);
    try {
      own.run(() -> own.window.commands().get("keys-sheet").press().run());
      assertThat(own.get(() -> onScene(own.node("now-keys"))).getMaxX()).isLessThan(width);
      own.run(() -> own.window.commands().get("keys-sheet").press().run());
      Bounds sheet = own.get(() -> onScene(own.node("keys-sheet")));
      assertThat(sheet.getMinX()).isNotNegative();
      assertThat(sheet.getMaxX()).isLessThanOrEqualTo(width);
      assertThat(sheet.getMaxY()).isLessThanOrEqualTo(height);
      Node any = own.get(() -> own.node("keys-sheet").lookup(".key-name"));
      assertThat(own.get(() -> any.getLocalToSceneTransform().getMxx()))
          .isGreaterThanOrEqualTo(scale - 0.001);
    } finally {
      own.close();
    }
  }

  private static Bounds onScene(Node node) {
    return node.localToScene(node.getLayoutBounds());
  }
}
