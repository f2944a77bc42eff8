package flailbeat.app.shell;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Group;
import flailbeat.app.command.Command.Where;
import flailbeat.app.command.Commands;
import flailbeat.app.command.KeySheet;
import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Orientation;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/** All keys for whoever has them now, on one sheet over the window; a click or its key ends it. */
final class KeysOverlay extends VBox {
  private static final double COLUMN = 370;

  /** A group of more than this goes on in the next column. */
  private static final int ROWS = 12;

  private final Commands commands;
  private final Supplier<Where> where;
  private Where filled;
  private final Label title = new Label();
  private final FlowPane groups = new FlowPane(Orientation.VERTICAL, 24, 10);

  KeysOverlay(Commands commands, Supplier<Where> where) {
    this.commands = commands;
    this.where = where;
    getStyleClass().add("overlay");
    setId("keys-sheet");
    title.getStyleClass().add("song-title");
    groups.setPrefWrapLength(600);
    VBox.setVgrow(groups, javafx.scene.layout.Priority.ALWAYS);
    getChildren().addAll(title, groups);
    setOnMouseClicked(e -> close());
    setMaxHeight(USE_PREF_SIZE);
    setVisible(false);
  }

  void toggle() {
    if (isVisible()) {
      close();
    } else {
      fill(where.get());
      setVisible(true);
    }
  }

  void close() {
    setVisible(false);
  }

  /** Shows the keys of whoever has them by now. */
  void refresh() {
    if (isVisible() && where.get() != filled) {
      fill(where.get());
    }
  }

  private void fill(Where here) {
    filled = here;
    title.setText(
        "The keys, with %s (%s puts it away)"
            .formatted(here.title(), commands.of("keys-sheet-close")));
    groups.getChildren().clear();
    for (Group group : Group.values()) {
      List<Command> list = KeySheet.of(commands, group, here);
      for (int from = 0; from < list.size(); from += ROWS) {
        List<Command> some = list.subList(from, Math.min(list.size(), from + ROWS));
        groups.getChildren().add(part(from == 0 ? group.title() : "", some, here));
      }
    }
  }

  private static GridPane part(String name, List<Command> list, Where here) {
    GridPane grid = new GridPane(10, 1);
    grid.setPrefWidth(COLUMN);
    Label head = new Label(name);
    head.getStyleClass().add("group-label");
    grid.add(head, 0, 0, 2, 1);
    for (int i = 0; i < list.size(); i++) {
      Command command = list.get(i);
      Label keys = new Label(KeySheet.keys(command, here));
      keys.getStyleClass().addAll("key-name", "small");
      keys.setMinWidth(118);
      Label what = new Label(command.title() + command.untilWhen());
      what.getStyleClass().add("small");
      grid.addRow(i + 1, keys, what);
    }
    return grid;
  }
}
