package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Command.Kind;
import flailbeat.app.command.CommandSearch;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Found;
import flailbeat.app.command.KeySheet;
import flailbeat.app.command.Keystroke;
import flailbeat.app.control.KeyNames;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.person.Folds.WindowPart;
import flailbeat.core.session.run.NoteVersion;
import flailbeat.core.session.settings.Settings;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The table of commands, and what is made from it. */
class CommandsTest extends HeadlessWindow {
  private static final Path PAGE = Path.of("..", "docs", "keys.md");

  @BeforeEach
  void openDemo() throws Exception {
    ui.run(() -> ui.session.open(HarbourLamps.song(), Optional.empty()));
  }

  private Commands commands() {
    return ui.window.commands();
  }

  /** With {@code -Dkeys.write=true} it is written. */
  @Test
  void the_page_of_keys_is_what_the_table_says() throws IOException {
    String made = KeySheet.markdown(commands());
    if (Boolean.getBoolean("keys.write")) {
      Files.writeString(PAGE, made);
    }
    assertThat(Files.readString(PAGE)).isEqualTo(made);
  }

  @Test
  void every_command_that_a_text_names_is_in_the_table() throws IOException {
    Set<String> unknown = new TreeSet<>();
    int named = 0;
    for (Path root : List.of(Path.of("src/main/java"), Path.of("../core/src/main/java"))) {
      try (Stream<Path> files = Files.walk(root)) {
        for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
          for (String line : Files.readAllLines(file)) {
            Matcher matcher = KeyNames.COMMAND.matcher(line.contains("\"") ? line : "");
            while (matcher.find() && !line.contains("@code")) {
              named++;
              if (commands().all().stream().noneMatch(c -> c.id().equals(matcher.group(2)))) {
                unknown.add(file.getFileName() + ": " + matcher.group(2));
              }
            }
          }
        }
      }
    }
    assertThat(unknown).isEmpty();
    assertThat(named).isGreaterThan(40);
  }

  @Test
  void a_key_is_read_as_it_is_shown() {
    for (Command command : commands().all()) {
      for (Keystroke key : command.keys().own()) {
        assertThat(Keystroke.parse(key.toString())).isEqualTo(key);
      }
    }
    assertThatThrownBy(() -> Keystroke.parse("Ctrl+Nonsense")).hasMessageContaining("Nonsense");
  }

  @Test
  void a_text_says_the_keys_of_the_commands_that_it_names() {
    assertThat(commands().inText("Press {undo} now")).isEqualTo("Press Ctrl+Z now");
    assertThat(commands().inText("Open ({song-demo})")).as("one with no key").isEqualTo("Open");
  }

  private static void collect(Menu menu, List<MenuItem> into) {
    for (MenuItem item : menu.getItems()) {
      into.add(item);
      if (item instanceof Menu part) {
        collect(part, into);
      }
    }
  }

  /** Some fourteen entries can be taken in before a part has to open. */
  @Test
  void no_menu_is_longer_than_sixteen_entries_with_its_parts_apart() {
    List<Menu> menus = ui.get(() -> List.copyOf(((MenuBar) ui.node("menus")).getMenus()));
    assertThat(menus)
        .extracting(Menu::getText)
        .containsExactly(
            "Song", "Edit", "Select", "Notes", "Track", "Play", "Steps", "Timing", "Map", "View",
            "Help");
    List<MenuItem> all = new ArrayList<>();
    menus.forEach(m -> collect(m, all));
    List<Menu> parts = new ArrayList<>(menus);
    all.stream().filter(i -> i instanceof Menu).forEach(i -> parts.add((Menu) i));
    for (Menu menu : parts) {
      assertThat(menu.getItems().stream().filter(i -> !(i instanceof Menu)))
          .as(menu.getText())
          .hasSizeBetween(1, 16);
    }
  }

  @Test
  void every_command_is_in_a_menu_and_looks_unavailable_where_it_is() throws Exception {
    List<MenuItem> items = new ArrayList<>();
    for (Menu menu : ui.get(() -> ((MenuBar) ui.node("menus")).getMenus())) {
      collect(menu, items);
      ui.run(() -> Event.fireEvent(menu, new Event(menu, menu, Menu.ON_SHOWING)));
    }
    assertThat(items)
        .extracting(MenuItem::getId)
        .containsAll(
            commands().all().stream()
                .filter(c -> c.kind() != Kind.HOLD && !c.isAnswer())
                .map(c -> "menu-" + c.id())
                .toList());
    assertThat(items)
        .extracting(MenuItem::getId)
        .contains("menu-undo", "menu-quantize", "menu-mute", "menu-find-command");
    assertThat(items).filteredOn(i -> i.getId().equals("menu-undo")).allMatch(MenuItem::isDisable);
    assertThat(items).filteredOn(i -> i.getId().equals("menu-play")).noneMatch(MenuItem::isDisable);
    ui.run(() -> items.stream().filter(i -> i.getId().equals("menu-mute")).forEach(MenuItem::fire));
    assertThat(ui.session.document().track().muted()).isTrue();
  }

  @Test
  void a_command_is_found_by_three_letters_and_carried_out_and_the_keys_are_where_they_were()
      throws Exception {
    type(KeyCode.F4);
    assertThat(ui.get(() -> ui.node("finder").isVisible())).isTrue();
    ui.run(() -> ui.field("finder-words").setText("mut"));
    type(KeyCode.ENTER);
    assertThat(ui.session.document().track().muted()).isTrue();
    assertThat(ui.get(() -> ui.node("finder").isVisible())).isFalse();
    press(KeyCode.A);
    assertThat(sounding()).as("letters are notes again").containsExactly(60);
    release(KeyCode.A);
  }

  @Test
  void while_the_finder_is_open_letters_are_its_own_and_escape_ends_it() throws Exception {
    press(KeyCode.A);
    type(KeyCode.F4);
    type(KeyCode.S);
    assertThat(sounding()).containsExactly(60);
    release(KeyCode.A);
    assertThat(sounding()).as("a note held as it opens ends with its finger").isEmpty();
    type(KeyCode.ESCAPE);
    assertThat(ui.get(() -> ui.node("finder").isVisible())).isFalse();
    assertThat(ui.session.performer().keysMode()).isEqualTo(KeysMode.PLAY);
  }

  @Test
  void arrows_choose_among_what_was_found() throws Exception {
    type(KeyCode.F4);
    ui.run(() -> ui.field("finder-words").setText("loop"));
    type(KeyCode.DOWN);
    Command chosen =
        ui.get(
            () ->
                ((Found)
                        ((ListView<?>) ui.node("finder-found"))
                            .getSelectionModel()
                            .getSelectedItem())
                    .command());
    assertThat(chosen.id()).isEqualTo("loop");
    ui.run(() -> ui.field("finder-words").setText("no such thing"));
    type(KeyCode.ENTER);
    assertThat(ui.get(() -> ui.node("finder").isVisible())).isTrue();
  }

  @Test
  void the_sheet_shows_the_keys_of_whoever_has_them_and_takes_none() throws Exception {
    type(KeyCode.F1);
    assertThat(ui.get(() -> ui.node("keys-sheet").isVisible())).isTrue();
    Node key = ui.get(() -> ui.node("keys-sheet").lookup(".key-name"));
    press(KeyCode.A);
    assertThat(sounding()).containsExactly(60);
    release(KeyCode.A);
    assertThat(ui.get(() -> ui.node("keys-sheet").lookup(".key-name")))
        .as("a note makes nothing of it anew")
        .isSameAs(key);
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.COMMANDS));
    assertThat(ui.get(() -> sheetTitle())).contains("Keys at Commands");
    type(KeyCode.F2);
    type(KeyCode.ESCAPE);
    assertThat(ui.get(() -> ui.node("keys-sheet").isVisible())).isFalse();
    assertThat(ui.session.performer().keysMode()).as("as before").isEqualTo(KeysMode.PLAY);
    assertThat(commands().keysOf(commands().get("mute"), KeyContext.COMMANDS)).isEqualTo("M");
    assertThat(commands().keysOf(commands().get("mute"), KeyContext.PLAY)).isEqualTo("Alt+Shift+M");
    assertThat(commands().keysOf(commands().get("sustain"), KeyContext.COMMANDS)).isEmpty();
  }

  @Test
  void the_sheet_shows_first_what_matters_now_then_all_of_it_to_be_searched_and_pressed()
      throws Exception {
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.STEPS));
    type(KeyCode.F1);
    assertThat(sheetTitle()).isEqualTo("What matters now, with Keys at Steps");
    ui.run(() -> ui.session.keysSwitch().set(KeysMode.COMMANDS));
    assertThat(sheetTitle()).contains("Keys at Commands");
    assertThat(ui.get(() -> ui.node("keys-sheet").lookupAll(".now-key")))
        .extracting(n -> ((javafx.scene.control.Button) n).getText())
        .as("what has no key here is not shown with that of another place")
        .doesNotContain("Move the reach down an octave");
    Node record = ui.get(() -> rowOfSheet("Record or stop"));
    assertThat(record.getAccessibleText()).startsWith("Record or stop, Shift+Space");
    click(record, 0.5, 0.5);
    assertThat(ui.session.runControl().transport().isRunning()).as("a press does it").isTrue();
    assertThat(ui.get(() -> ui.node("keys-sheet").isVisible())).isFalse();
    ui.run(() -> ui.session.run().recordOrStop());
    type(KeyCode.F1);
    type(KeyCode.F1);
    assertThat(sheetTitle()).startsWith("All the keys");
    ui.run(() -> ui.field("keys-sheet-words").setText("metronome"));
    assertThat(ui.get(() -> ui.node("keys-sheet").lookupAll(".key-name"))).hasSize(1);
    boolean clicked = ui.session.runControl().settings().clickInPlay();
    click(ui.get(() -> ui.node("keys-sheet").lookup(".key-name")), 0.5, 0.5);
    assertThat(ui.session.runControl().settings().clickInPlay()).isNotEqualTo(clicked);
    type(KeyCode.F1);
    type(KeyCode.F1);
    assertThat(ui.get(() -> ui.field("keys-sheet-words").getText())).as("anew").isEmpty();
    type(KeyCode.F1);
    assertThat(ui.get(() -> ui.node("keys-sheet").isVisible())).isFalse();
  }

  private Node rowOfSheet(String title) {
    return ui.node("keys-sheet").lookupAll(".now-key").stream()
        .filter(n -> ((javafx.scene.control.Button) n).getText().equals(title))
        .findFirst()
        .orElseThrow();
  }

  private String sheetTitle() {
    return ((Label) ui.node("keys-sheet").lookup(".song-title")).getText();
  }

  @Test
  void a_held_note_goes_on_when_the_finder_a_menu_or_the_sheet_is_left_by_esc() throws Exception {
    press(KeyCode.A);
    type(KeyCode.F4);
    type(KeyCode.L, KeyCode.O);
    type(KeyCode.ESCAPE);
    assertThat(ui.get(() -> ui.node("finder").isVisible())).isFalse();
    assertThat(sounding()).containsExactly(60);
    type(KeyCode.F1);
    type(KeyCode.ESCAPE);
    assertThat(sounding()).containsExactly(60);
    Menu song = ui.get(() -> ((MenuBar) ui.node("menus")).getMenus().get(0));
    ui.run(song::show);
    type(KeyCode.S);
    assertThat(sounding()).as("letters are the menu's").containsExactly(60);
    type(KeyCode.ESCAPE);
    assertThat(ui.get(song::isShowing)).isFalse();
    assertThat(sounding()).containsExactly(60);
    assertThat(ui.session.performer().keysMode()).as("as before").isEqualTo(KeysMode.PLAY);
    MenuButton layout = (MenuButton) ui.node("layout-menu");
    ui.run(layout::show);
    type(KeyCode.ESCAPE);
    ui.await(() -> !layout.isShowing());
    assertThat(ui.session.performer().keysMode()).as("as before").isEqualTo(KeysMode.PLAY);
    press(KeyCode.S);
    assertThat(sounding()).as("they are the notes' again").containsExactly(60, 62);
    release(KeyCode.S);
    release(KeyCode.A);
    assertThat(sounding()).isEmpty();
  }

  @Test
  void a_click_on_a_command_below_carries_out_that_one_and_not_one_above() throws Exception {
    type(KeyCode.F4);
    ListView<?> list = (ListView<?>) ui.node("finder-found");
    int mute = ui.get(() -> list.getItems().indexOf(Found.of(commands().get("mute"))));
    ui.run(() -> list.scrollTo(mute));
    click(ui.get(() -> rowOf(list, commands().get("mute"))), 0.5, 0.5);
    assertThat(ui.session.document().track().muted()).isTrue();
    assertThat(ui.get(() -> ui.node("finder").isVisible())).isFalse();
  }

  private static ListCell<?> rowOf(ListView<?> list, Command command) {
    list.applyCss();
    list.layout();
    return list.lookupAll(".list-cell").stream()
        .map(node -> (ListCell<?>) node)
        .filter(cell -> Found.of(command).equals(cell.getItem()))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void hints_and_texts_tell_the_keys_of_the_table() throws Exception {
    assertThat(ui.get(() -> ui.node("undo").getAccessibleHelp())).isEqualTo("Undo (Ctrl+Z)");
    assertThat(ui.text("pedals")).startsWith("Enter sustains");
    assertThat(ui.text("who-has-the-keys")).contains("Esc gives them to commands");
  }

  /** Shift accents; what lasts while its key is held is there with it all the same. */
  @Test
  void a_bend_is_pulled_with_shift_down_and_ends_with_its_key() throws Exception {
    press(KeyCode.SHIFT, KeyCode.RIGHT);
    ui.await(() -> ui.session.performer().pedals().bend() > 0.3);
    release(KeyCode.RIGHT);
    ui.await(() -> ui.session.performer().pedals().bend() == 0);
    release(KeyCode.SHIFT);
  }

  private Set<String> capsThatDo() {
    return ui.get(
        () ->
            ui.stage.getScene().getRoot().lookupAll(".cap.does").stream()
                .map(javafx.scene.Node::getId)
                .collect(Collectors.toSet()));
  }

  @Test
  void with_the_keys_at_commands_the_deck_shows_what_each_letter_does_and_a_click_does_it()
      throws Exception {
    type(KeyCode.ESCAPE);
    assertThat(capsThatDo())
        .contains("cap-M", "cap-S", "cap-V", "cap-EQUALS", "cap-BACKQUOTE")
        .doesNotContain("cap-A", "cap-Z");
    ui.run(() -> ui.session.performer().setLayout(KeyLayout.AZERTY));
    assertThat(capsThatDo())
        .as("M lies elsewhere")
        .doesNotContain("cap-M")
        .contains("cap-SEMICOLON");
    click(ui.node("cap-SEMICOLON"), 0.5, 0.5);
    assertThat(ui.session.document().track().muted()).isTrue();
    click(ui.node("cap-A"), 0.5, 0.5);
    assertThat(sounding()).isEmpty();
  }

  @Test
  void with_deck_pages_and_map_folded_the_roll_is_high_and_who_has_the_keys_is_still_said()
      throws Exception {
    WindowUnderTest own = WindowUnderTest.open(1280, 800);
    try {
      own.run(() -> own.session.open(HarbourLamps.song(), Optional.empty()));
      double before = own.get(() -> own.node("roll").getBoundsInLocal().getHeight());
      own.run(
          () -> {
            for (String id : List.of("fold-deck", "fold-pages", "fold-map")) {
              own.window.commands().get(id).press().run();
            }
          });
      own.await(() -> own.node("roll").getBoundsInLocal().getHeight() >= 540);
      assertThat(before).isLessThan(400);
      assertThat(own.get(() -> own.node("key-deck").getBoundsInLocal().getHeight())).isLessThan(72);
      assertThat(own.get(() -> own.node("keys-switch").isVisible())).isTrue();
      own.run(() -> own.session.doubts().start());
      assertThat(own.text("slim-line")).contains("Doubtful 1 of 3").contains("Esc leaves");
      own.run(() -> own.session.keyboard().learn());
      assertThat(own.get(() -> own.node("cap-A").isVisible()))
          .as("a lesson needs the caps")
          .isTrue();
      own.run(() -> own.session.keyboard().leave());
      own.run(() -> own.window.commands().get("page-hands").press().run());
      assertThat(own.session.person().folds().folded())
          .containsExactlyInAnyOrder(WindowPart.DECK, WindowPart.MAP);
      Settings kept = own.get(() -> Settings.of(own.session));
      own.run(() -> own.session.person().folds().setFolded(Set.of()));
      own.run(() -> kept.applyTo(own.session));
      assertThat(own.session.person().folds().folded())
          .containsExactlyInAnyOrder(WindowPart.DECK, WindowPart.MAP);
    } finally {
      own.close();
    }
  }

  @Test
  void hearing_it_as_played_goes_on_when_shift_comes_up_first_and_ends_with_ctrl()
      throws Exception {
    press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.T);
    release(KeyCode.SHIFT);
    assertThat(ui.session.timing().version()).isEqualTo(NoteVersion.PLAYED);
    release(KeyCode.CONTROL);
    assertThat(ui.session.timing().version()).isEqualTo(NoteVersion.STANDING);
    release(KeyCode.T);
  }

  /** What the README's ten steps need, by what their words find. */
  private static final Map<String, String> TEN_STEPS =
      Map.ofEntries(
          Map.entry("arrange chords", "arrange-chords"),
          Map.entry("keyboard azerty", "layout-azerty"),
          Map.entry("octave down", "octave-down"),
          Map.entry("strike ff", "velocity-ff"),
          Map.entry("latch sustain", "sustain-latch"),
          Map.entry("give letter notes", "keys-switch"),
          Map.entry("sound after", "sound-next"),
          Map.entry("add track", "track-add"),
          Map.entry("record", "record"),
          Map.entry("keep played", "keep"),
          Map.entry("round loop", "loop"),
          Map.entry("drop pass", "drop-pass"),
          Map.entry("triplets 1/8", "grid-8t"),
          Map.entry("nearest", "method-nearest"),
          Map.entry("which grid", "which-grid"),
          Map.entry("quantize", "quantize"),
          Map.entry("doubtful", "decide"),
          Map.entry("find beat", "find-beat"),
          Map.entry("hear played until", "as-played-stay"),
          Map.entry("one round", "rounds"),
          Map.entry("put back", "bring-back"),
          Map.entry("undo", "undo"),
          Map.entry("select all", "select-all"),
          Map.entry("octave up notes", "move-octave-up"),
          Map.entry("lane velocities", "lane-velocity"),
          Map.entry("export", "song-export"),
          Map.entry("measure early late", "calibrate"));

  @Test
  void each_of_the_ten_steps_is_found_by_words_and_in_a_menu() throws Exception {
    List<MenuItem> items = new ArrayList<>();
    ui.get(() -> ((MenuBar) ui.node("menus")).getMenus()).forEach(m -> collect(m, items));
    TEN_STEPS.forEach(
        (words, id) -> {
          assertThat(new CommandSearch(commands(), any -> 0).find(words))
              .as(words)
              .extracting(f -> f.command().id())
              .contains(id);
          assertThat(items).extracting(MenuItem::getId).contains("menu-" + id);
        });
  }
}
