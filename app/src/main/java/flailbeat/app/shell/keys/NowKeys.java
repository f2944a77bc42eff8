package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Command.Kind;
import flailbeat.app.command.Commands;
import flailbeat.app.control.Buttons;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;

/** The few keys that matter in the state that the window is in, large; each is a button as well. */
final class NowKeys extends VBox {
  private static final int COLUMNS = 2;
  private static final double KEY = 130;
  private static final double ROW = 390;

  private static final List<String> RECORDING =
      List.of(
          "record",
          "sustain",
          "octave-down",
          "octave-up",
          "sweep",
          "drop-pass",
          "click",
          "all-off");

  private static final List<String> PLAYING_NOTES =
      List.of(
          "record",
          "play",
          "octave-down",
          "octave-up",
          "sustain",
          "velocity-up",
          "keep",
          "sound-choose",
          "quantize",
          "keys-commands",
          "keys-steps",
          "find-command");

  private static final List<String> COMMANDS =
      List.of(
          "keys-switch",
          "keys-steps",
          "play",
          "record",
          "note-next",
          "delete",
          "move-later",
          "move-up",
          "quantize",
          "undo",
          "map-large",
          "find-command");

  private static final List<String> ON_MAP =
      List.of(
          "clip-next",
          "play",
          "clip-linked",
          "duplicate",
          "move-later",
          "clip-longer",
          "clip-name",
          "clip-mute",
          "delete",
          "undo",
          "map-large",
          "find-command");

  private static final List<String> STEPS =
      List.of(
          "step-advance",
          "step-back",
          "step-remove",
          "step-repeat",
          "step-tie",
          "step-shorter",
          "step-longer",
          "step-dot",
          "step-play",
          "step-add",
          "keys-commands",
          "keys-switch");

  private final Commands commands;
  private final Consumer<Command> press;

  /**
   * Of a table.
   *
   * @param press carries a command out
   */
  NowKeys(Commands commands, Consumer<Command> press) {
    super(8);
    this.commands = commands;
    this.press = press;
    setId("now-keys");
  }

  /** The commands that matter; those whose keys are somebody else's there are left out. */
  static List<String> of(KeyContext here, boolean recording, boolean onMap) {
    if (recording) {
      return RECORDING;
    }
    if (onMap && here != KeyContext.STEPS) {
      return ON_MAP;
    }
    return switch (here) {
      case STEPS -> STEPS;
      case PLAY -> PLAYING_NOTES;
      default -> COMMANDS;
    };
  }

  void fill(String head, KeyContext here, boolean recording, boolean onMap) {
    Label title = new Label(head);
    title.getStyleClass().add("song-title");
    GridPane grid = new GridPane(12, 2);
    List<Command> shown =
        of(here, recording, onMap).stream()
            .map(commands::get)
            .filter(c -> !commands.keysOf(c, here).isEmpty() || commands.keysOf(c).isEmpty())
            .toList();
    int rows = (shown.size() + 1) / COLUMNS;
    for (int i = 0; i < shown.size(); i++) {
      grid.add(row(shown.get(i), here), i / rows, i % rows);
    }
    Label foot =
        new Label(
            commands.inText(
                "{keys-sheet} again: all the keys. {find-command}: find anything by what it is called. {keys-sheet-close}: put this away."));
    foot.getStyleClass().add("soft");
    getChildren().setAll(title, grid, foot);
  }

  private Button row(Command command, KeyContext here) {
    String keys = commands.keysOf(command, here);
    Label key = new Label(keys.isEmpty() ? "menu" : keys);
    key.getStyleClass().add("key-name");
    key.setMinWidth(KEY);
    Button row =
        Buttons.text(command.title() + command.untilWhen(), "", () -> press.accept(command));
    row.setGraphic(key);
    row.setContentDisplay(ContentDisplay.LEFT);
    row.getStyleClass().addAll("quiet", "now-key");
    row.setPrefWidth(ROW);
    row.setDisable(command.kind() == Kind.HOLD);
    row.setAccessibleText(command.title() + ", " + keys);
    return row;
  }
}
