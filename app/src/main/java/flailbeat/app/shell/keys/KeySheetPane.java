package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Command.Kind;
import flailbeat.app.command.CommandSearch;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Group;
import flailbeat.app.command.KeySheet;
import flailbeat.app.command.MouseGesture;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.geometry.Orientation;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.transform.Scale;

/** All keys for whoever has them, in columns: over the window, or on paper. */
public final class KeySheetPane extends VBox {
  private static final double COLUMN = 318;
  private static final double HEIGHT = 600;
  private static final double LEAST_SCALE = 0.5;
  private static final double STEP = 0.05;

  /** A group may go on in the next column after each so many. */
  private static final int ROWS = 4;

  private final Consumer<Command> press;
  private final Label title = new Label();
  private final FlowPane groups = new FlowPane(Orientation.VERTICAL, 16, 1);

  /** On paper. */
  public KeySheetPane() {
    this(command -> {});
  }

  /**
   * Over the window.
   *
   * @param press carries a command out whose row was pressed
   */
  public KeySheetPane(Consumer<Command> press) {
    this.press = press;
    title.getStyleClass().add("song-title");
    groups.setPrefWrapLength(HEIGHT);
    VBox.setVgrow(groups, Priority.ALWAYS);
    getChildren().addAll(title, groups);
  }

  /** Takes the largest size at which all of it has room. */
  void fit(double width, double height) {
    double scale = 1;
    while (!fits(width / scale, height / scale) && scale > LEAST_SCALE) {
      scale -= STEP;
    }
    getTransforms().setAll(new Scale(scale, scale));
  }

  private boolean fits(double width, double height) {
    applyCss();
    groups.setPrefWrapLength(Math.floor(height - title.prefHeight(-1)) - 1);
    return prefWidth(-1) <= width && prefHeight(-1) <= height;
  }

  /** What is in sight, for which keys are shown. */
  public enum InSight {
    BENCH,
    MAP,
    /** Either, as on paper. */
    ANY
  }

  /** Shows the keys that there are there, and what the mouse does. */
  public void fill(String head, Commands commands, KeyContext here, InSight inSight) {
    fill(head, commands, here, inSight, "");
  }

  /**
   * As above.
   *
   * @param words only what is found by them is shown; all for none
   */
  void fill(String head, Commands commands, KeyContext here, InSight inSight, String words) {
    Set<String> found =
        new CommandSearch(commands, id -> 0)
            .find(words).stream().map(f -> f.command().id()).collect(Collectors.toSet());
    title.setText(head);
    groups.getChildren().clear();
    for (Group group : Group.values()) {
      if (group.whole().isPresent()) {
        continue;
      }
      List<Command> list =
          Stream.of(Group.values())
              .filter(g -> g == group || g.whole().filter(group::equals).isPresent())
              .filter(g -> !isElsewhere(g, inSight))
              .flatMap(g -> KeySheet.of(commands, g, here).stream())
              .filter(c -> words.isBlank() || found.contains(c.id()))
              .toList();
      for (int from = 0; from < list.size(); from += ROWS) {
        List<Command> some = list.subList(from, Math.min(list.size(), from + ROWS));
        groups.getChildren().add(part(from == 0 ? group.title() : "", some, commands, here));
      }
    }
    if (!words.isBlank()) {
      return;
    }
    if (inSight != InSight.MAP) {
      addMouse("The mouse on the bench", MouseGesture.ALL);
    }
    if (inSight != InSight.BENCH) {
      addMouse("The mouse on the large map", MouseGesture.ON_MAP);
    }
  }

  /** What the other of the two alone is for would take the room of what matters here. */
  private static boolean isElsewhere(Group group, InSight inSight) {
    return switch (group) {
      case MAP, CLIP_CHOICE, CLIP_LAYING, CLIP_PLACES, CLIP_SHAPES -> inSight == InSight.BENCH;
      case MOUSE, LANES, CURVES, VELOCITY -> inSight == InSight.MAP;
      default -> false;
    };
  }

  private void addMouse(String title, List<MouseGesture> all) {
    for (int from = 0; from < all.size(); from += ROWS) {
      String name = from == 0 ? title : "";
      groups.getChildren().add(mouse(name, all.subList(from, Math.min(all.size(), from + ROWS))));
    }
  }

  private static GridPane mouse(String name, List<MouseGesture> list) {
    GridPane grid = headed(name);
    for (int i = 0; i < list.size(); i++) {
      row(grid, i + 1, list.get(i).how(), list.get(i).what());
    }
    return grid;
  }

  private static GridPane headed(String name) {
    GridPane grid = new GridPane(8, 0);
    grid.setPrefWidth(COLUMN);
    if (!name.isEmpty()) {
      Label head = new Label(name);
      head.getStyleClass().add("group-label");
      head.setPadding(new Insets(6, 0, 0, 0));
      grid.add(head, 0, 0, 2, 1);
    }
    return grid;
  }

  /** What lasts while its key is held has no other way to end. */
  private void pressed(Command command, MouseEvent e) {
    if (command.kind() != Kind.HOLD) {
      e.consume();
      press.accept(command);
    }
  }

  private static List<Label> row(GridPane grid, int at, String keys, String what) {
    Label how = new Label(keys);
    how.getStyleClass().addAll("key-name", "small");
    how.setMinWidth(104);
    Label does = new Label(what);
    does.getStyleClass().add("small");
    grid.addRow(at, how, does);
    return List.of(how, does);
  }

  private GridPane part(String name, List<Command> list, Commands commands, KeyContext here) {
    GridPane grid = headed(name);
    for (int i = 0; i < list.size(); i++) {
      Command command = list.get(i);
      String does = command.title() + command.untilWhen();
      for (Label each : row(grid, i + 1, commands.keysOf(command, here), does)) {
        each.setOnMouseClicked(e -> pressed(command, e));
      }
    }
    return grid;
  }
}
