package flailbeat.app.shell;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Group;
import flailbeat.app.command.Command.Where;
import flailbeat.app.command.Commands;
import flailbeat.app.command.KeySheet;
import java.util.List;
import javafx.geometry.Orientation;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** All keys for whoever has them, in columns: over the window, or on paper. */
final class KeySheetPane extends VBox {
  private static final double COLUMN = 370;
  private static final double HEIGHT = 600;

  /** A group of more than this goes on in the next column. */
  private static final int ROWS = 12;

  private final Label title = new Label();
  private final FlowPane groups = new FlowPane(Orientation.VERTICAL, 24, 10);

  KeySheetPane() {
    title.getStyleClass().add("song-title");
    groups.setPrefWrapLength(HEIGHT);
    VBox.setVgrow(groups, Priority.ALWAYS);
    getChildren().addAll(title, groups);
  }

  /** Shows the keys that there are there. */
  void fill(String head, Commands commands, Where here) {
    title.setText(head);
    groups.getChildren().clear();
    for (Group group : Group.values()) {
      List<Command> list = KeySheet.of(commands, group, here);
      for (int from = 0; from < list.size(); from += ROWS) {
        List<Command> some = list.subList(from, Math.min(list.size(), from + ROWS));
        groups.getChildren().add(part(from == 0 ? group.title() : "", some, commands, here));
      }
    }
  }

  private static GridPane part(String name, List<Command> list, Commands commands, Where here) {
    GridPane grid = new GridPane(10, 1);
    grid.setPrefWidth(COLUMN);
    Label head = new Label(name);
    head.getStyleClass().add("group-label");
    grid.add(head, 0, 0, 2, 1);
    for (int i = 0; i < list.size(); i++) {
      Command command = list.get(i);
      Label keys = new Label(commands.keysOf(command, here));
      keys.getStyleClass().addAll("key-name", "small");
      keys.setMinWidth(118);
      Label what = new Label(command.title() + command.untilWhen());
      what.getStyleClass().add("small");
      grid.addRow(i + 1, keys, what);
    }
    return grid;
  }
}
