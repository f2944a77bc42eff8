package flailbeat.app.view.page;

import flailbeat.app.command.Command;
import flailbeat.app.command.CommandSearch;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Found;
import flailbeat.app.command.KeyAsk;
import flailbeat.app.command.Keystroke;
import flailbeat.app.control.Buttons;
import flailbeat.app.control.EntryField;
import flailbeat.app.control.Form;
import flailbeat.app.control.Menus;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.app.view.base.PageBox;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.person.KeySets;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Which keys commands have: press another, keep several sets of them, print them. */
public final class KeysPage extends PageBox {
  private static final String AS_IT_CAME = "As they came";
  private static final double NAMES = 24;
  private static final double ROW = 36;

  private final Commands commands;
  private final CommandSearch search;
  private final KeyAsk ask;
  private final KeySets sets;
  private final MenuButton chosen =
      Menus.button("key-set", "Which of your sets of keys is in force");
  private final EntryField saveAs;
  private final TextField words = new TextField();
  private final ListView<String> list = new ListView<>();
  private final Label said = new Label();
  private final Button change;
  private final Button take;
  private final Button clear;
  private final Button reset;

  /**
   * The page.
   *
   * @param content makes what is on it
   */
  public static Page page(Supplier<KeysPage> content) {
    return new Page(
        "keys",
        "Keys",
        ": other keys for commands",
        "Which key does what, and other keys for it",
        "Shift+F1",
        "M1 3 H21 V15 H1 Z M5 7 H6 M10.5 7 H11.5 M16 7 H17 M6 11.5 H16",
        content);
  }

  /**
   * Makes the page.
   *
   * @param print prints the keys
   * @param savePage saves them as a page
   */
  public KeysPage(
      Session session, Commands commands, KeyAsk ask, Runnable print, Runnable savePage) {
    super("keys-page");
    this.commands = commands;
    this.search = new CommandSearch(commands, session.person().commandUse()::of);
    this.ask = ask;
    this.sets = session.person().keySets();
    saveAs = new EntryField("key-set-name", 7, "Keep these keys as a set of this name", this::save);
    chosen.setMinWidth(124);
    saveAs.prompt("save as a set");
    words.setId("keys-find");
    words.setAccessibleText("Find a command");
    words.setPromptText("A part of a command's name");
    words.setFocusTraversable(false);
    words.textProperty().addListener((property, before, now) -> fill());
    words.addEventFilter(KeyEvent.KEY_PRESSED, this::leaveWords);
    list.setId("keys-list");
    list.setAccessibleText("Commands with their keys");
    list.setFocusTraversable(false);
    list.setFixedCellSize(ROW);
    list.setMinHeight(3 * ROW);
    list.setPlaceholder(new Label("No command has this in its name."));
    list.setCellFactory(view -> new Row());
    list.getSelectionModel().selectedItemProperty().addListener((property, b, n) -> refresh());
    list.setOnMouseClicked(
        e -> {
          if (e.getClickCount() == 2) {
            ask();
          }
        });
    VBox.setVgrow(list, Priority.ALWAYS);
    said.setId("keys-said");
    said.setWrapText(true);
    said.getStyleClass().add("small");
    said.getStyleClass().add("two-lines");
    said.setAlignment(Pos.TOP_LEFT);
    change = button("New key", "key-change", "Press a new key for this command", this::ask);
    take = button("Take it", "key-take", "The other command loses it", ask::takeOver);
    clear =
        button("No key", "key-clear", "It is in the menus all the same", () -> with(ask::clear));
    reset = button("As it came", "key-reset", "The key that it came with", () -> with(ask::reset));
    HBox forOne = new HBox(6, change, take, clear, reset);
    HBox papers =
        new HBox(
            6,
            button("Print...", "keys-print", "All keys on paper, a sheet a position", print),
            button("Save as a page...", "keys-page-save", "To read, or print elsewhere", savePage));
    getChildren().addAll(Form.row(NAMES, "Set", chosen, saveAs), words, list, forOne, said, papers);
    commands.onKeys(this::refresh);
    ask.onChange(this::refresh);
    Follow.changes(this, session, this::showSets, Aspect.SETTINGS);
    sceneProperty()
        .addListener(
            (property, before, scene) -> {
              if (scene == null && ask.isOn()) {
                ask.leave();
              }
            });
    fill();
    list.getSelectionModel().selectFirst();
    showSets();
    refresh();
  }

  private static Button button(String text, String id, String hint, Runnable action) {
    Button button = Buttons.text(text, hint, action);
    button.setId(id);
    return button;
  }

  private void leaveWords(KeyEvent e) {
    if (e.getCode() == KeyCode.ESCAPE || e.getCode() == KeyCode.ENTER) {
      if (e.getCode() == KeyCode.ESCAPE) {
        words.clear();
      }
      getScene().getRoot().requestFocus();
      e.consume();
    }
  }

  private void save(String name) {
    sets.saveAs(name);
  }

  private Optional<Command> selected() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem()).map(commands::get);
  }

  private void ask() {
    getScene().getRoot().requestFocus();
    selected().ifPresent(ask::ask);
  }

  private void with(java.util.function.Consumer<Command> action) {
    selected().ifPresent(action);
  }

  private void fill() {
    List<Command> found =
        words.getText().isBlank()
            ? commands.all()
            : search.find(words.getText()).stream().map(Found::command).toList();
    String kept = list.getSelectionModel().getSelectedItem();
    list.getItems().setAll(found.stream().map(Command::id).toList());
    list.getSelectionModel().select(list.getItems().contains(kept) ? kept : null);
    if (list.getSelectionModel().isEmpty()) {
      list.getSelectionModel().selectFirst();
    }
  }

  private void showSets() {
    chosen.setText(nameOf(sets.chosen()));
    chosen.getItems().setAll(setItem(KeySets.AS_IT_CAME));
    sets.names().forEach(name -> chosen.getItems().add(setItem(name)));
    MenuItem remove = Menus.item("Remove this set", sets::removeChosen);
    remove.setDisable(sets.chosen().equals(KeySets.AS_IT_CAME));
    chosen.getItems().addAll(new SeparatorMenuItem(), remove);
    saveAs.show("");
  }

  private MenuItem setItem(String name) {
    return Menus.item(nameOf(name), () -> sets.choose(name));
  }

  private static String nameOf(String set) {
    return set.equals(KeySets.AS_IT_CAME) ? AS_IT_CAME : set;
  }

  private void refresh() {
    said.setText(
        ask.says().isEmpty()
            ? "Choose a command, then New key. A letter does it while the letters are at Commands."
            : ask.says());
    boolean one = selected().isPresent();
    boolean asking = ask.isOn();
    change.setDisable(!one);
    clear.setDisable(asking || selected().filter(c -> !c.keys().isEmpty()).isEmpty());
    reset.setDisable(asking || selected().filter(c -> isChanged(c)).isEmpty());
    Form.show(take, ask.isClash());
    Form.show(clear, !ask.isClash());
    Form.show(reset, !ask.isClash());
    list.refresh();
  }

  private boolean isChanged(Command command) {
    return sets.inForce().containsKey(command.id());
  }

  /** The first of a command's keys that the person's keyboard has not got. */
  private Optional<Keystroke> missing(Command command) {
    return Stream.concat(command.keys().own().stream(), command.keys().plain().stream())
        .filter(k -> !commands.isOnKeyboard(k))
        .findFirst();
  }

  private final class Row extends ListCell<String> {
    private final Label title = new Label();
    private final Label keys = new Label();
    private final Label when = new Label();
    private final VBox box;

    Row() {
      keys.getStyleClass().addAll("key-name", "small");
      keys.setMinWidth(Region.USE_PREF_SIZE);
      when.getStyleClass().addAll("soft", "small");
      HBox below = new HBox(6, keys, when);
      below.setAlignment(Pos.CENTER_LEFT);
      box = new VBox(title, below);
      box.setAlignment(Pos.CENTER_LEFT);
    }

    @Override
    protected void updateItem(String id, boolean isEmpty) {
      super.updateItem(id, isEmpty);
      setGraphic(isEmpty || id == null ? null : box);
      if (id != null && !isEmpty) {
        Command command = commands.get(id);
        title.setText(command.title());
        title.setStyle(isChanged(command) ? "-fx-font-weight: bold" : "");
        String shown = commands.keysOf(command);
        keys.setText(shown.isEmpty() ? "no key" : shown);
        String lacking = missing(command).map(k -> k + " is not on your keyboard").orElse("");
        when.setText(lacking.isEmpty() ? whenOf(command) : lacking);
      }
    }

    private String whenOf(Command command) {
      boolean anywhere = command.where() == Command.KeyContext.ANYWHERE;
      boolean letter = command.keys().own().isEmpty() && !command.keys().plain().isEmpty();
      String letters = letter ? "keys at Commands" : "";
      return (anywhere ? letters : command.where().title()) + command.untilWhen();
    }
  }
}
