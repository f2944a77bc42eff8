package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Kind;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Found;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Finds a command by a part of its name, shows its key, and carries it out. */
public final class Finder extends VBox {
  private static final double WIDTH = 520;
  private static final double ROW = 30;
  private static final int ROWS = 10;

  private final Commands commands;
  private final TextField words = new TextField();
  private final ListView<Found> found = new ListView<>();

  public Finder(Commands commands) {
    this.commands = commands;
    getStyleClass().add("overlay");
    setId("finder");
    setMaxSize(WIDTH, Region.USE_PREF_SIZE);
    words.setId("finder-words");
    words.setPromptText("A part of what you want to do");
    words.textProperty().addListener((property, before, now) -> search());
    words.addEventFilter(KeyEvent.KEY_PRESSED, this::typed);
    words
        .focusedProperty()
        .addListener(
            (property, before, now) -> {
              if (!now) {
                setVisible(false);
              }
            });
    found.setId("finder-found");
    found.setFocusTraversable(false);
    found.setFixedCellSize(ROW);
    found.setPrefHeight(ROW * ROWS + 2);
    found.setPlaceholder(new Label("No command has this in its name."));
    found.setCellFactory(list -> new Row(this::carryOut));
    getChildren().addAll(words, found);
    setVisible(false);
  }

  public void open() {
    setVisible(true);
    words.clear();
    search();
    words.requestFocus();
  }

  /**
   * Asks for the number that a command goes by: its words stand there, and the number is chosen.
   */
  public void ask(Command command) {
    open();
    String number = command.amount().map(a -> a.words().apply(a.now().getAsInt())).orElse("");
    words.setText(command.titleWords() + " " + number);
    words.selectRange(words.getLength() - number.length(), words.getLength());
  }

  private void close() {
    setVisible(false);
    getScene().getRoot().requestFocus();
  }

  private void search() {
    String wanted = words.getText();
    List<Found> all =
        wanted.isBlank() ? commands.all().stream().map(Found::of).toList() : commands.find(wanted);
    found.getItems().setAll(all.stream().filter(f -> !f.command().isAnswer()).toList());
    found.getSelectionModel().selectFirst();
    found.scrollTo(0);
  }

  private void typed(KeyEvent e) {
    int now = found.getSelectionModel().getSelectedIndex();
    switch (e.getCode()) {
      case ESCAPE -> close();
      case ENTER -> carryOut();
      case UP -> select(now - 1);
      case DOWN -> select(now + 1);
      default -> {
        return;
      }
    }
    e.consume();
  }

  private void select(int row) {
    int wanted = Math.clamp(row, 0, Math.max(0, found.getItems().size() - 1));
    found.getSelectionModel().select(wanted);
    found.scrollTo(Math.max(0, wanted - ROWS + 1));
  }

  private void carryOut() {
    carryOut(found.getSelectionModel().getSelectedItem());
  }

  private void carryOut(Found chosen) {
    if (chosen != null && isPossible(chosen)) {
      close();
      chosen.carryOut();
    }
  }

  /** What lasts while its key is held has no other way to end. */
  private static boolean isPossible(Found chosen) {
    Command command = chosen.command();
    return !chosen.refused() && command.kind() != Kind.HOLD && command.enabled().getAsBoolean();
  }

  private final class Row extends ListCell<Found> {
    private final Label title = new Label();
    private final Label group = new Label();
    private final Label keys = new Label();
    private final HBox box;

    Row(Consumer<Found> onChosen) {
      // Before the list has the click: it would take the keys from the field, which closes this.
      addEventFilter(
          MouseEvent.MOUSE_PRESSED,
          e -> {
            onChosen.accept(getItem());
            e.consume();
          });
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      group.getStyleClass().addAll("soft", "small");
      keys.getStyleClass().add("key-name");
      box = new HBox(8, title, group, gap, keys);
      box.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    }

    @Override
    protected void updateItem(Found item, boolean isEmpty) {
      super.updateItem(item, isEmpty);
      setGraphic(isEmpty || item == null ? null : box);
      if (item != null && !isEmpty) {
        Command command = item.command();
        title.setText(item.title());
        group.setText(
            command.amount().map(a -> a.range() + ": type it").orElse(command.group().title()));
        keys.setText(commands.keysOf(command) + command.untilWhen());
        box.setDisable(!isPossible(item));
      }
    }
  }
}
