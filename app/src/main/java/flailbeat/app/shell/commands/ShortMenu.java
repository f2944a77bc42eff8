package flailbeat.app.shell.commands;

import flailbeat.app.command.Command;
import flailbeat.app.command.Commands;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.ContextMenuEvent;

/** The short menu of the right button: some commands, each with its key. */
public final class ShortMenu {
  /** What can be done to a clip; an empty id draws a line. */
  private static final List<String> ON_CLIP =
      List.of(
          "clip-name",
          "clip-mute",
          "clip-in-hand",
          "clip-linked",
          "clip-unlink",
          "clip-repeat",
          "",
          "split-mouse",
          "clip-split-bars",
          "clip-join",
          "clip-swap",
          "",
          "clip-to-start",
          "clip-on-bar",
          "clip-shelve",
          "",
          "cut",
          "copy",
          "delete",
          "clip-delete-close");

  /** What can be done where there is none. */
  private static final List<String> ELSEWHERE =
      List.of(
          "paste",
          "clip-empty",
          "",
          "clip-select-all",
          "clip-select-track",
          "clip-select-after",
          "",
          "track-add",
          "fit",
          "map-large");

  /** What can be done to a track. */
  private static final List<String> ON_TRACK =
      List.of(
          "track-rename",
          "sound-choose",
          "track-strip",
          "track-color",
          "",
          "track-arm",
          "mute",
          "solo",
          "solo-alone",
          "",
          "track-duplicate",
          "track-duplicate-empty",
          "track-remove",
          "",
          "track-earlier",
          "track-later",
          "track-group",
          "track-ungroup",
          "track-fold",
          "",
          "track-add",
          "track-add-kit",
          "track-list");

  private final Commands commands;
  private final Consumer<Command> ask;

  /**
   * The menu.
   *
   * @param ask asks for the number that a command goes by, and carries it out
   */
  public ShortMenu(Commands commands, Consumer<Command> ask) {
    this.commands = commands;
    this.ask = ask;
  }

  /** Shows what can be done to clips, or where there is none. */
  public void show(ContextMenuEvent e, boolean onClip) {
    show(e, onClip ? ON_CLIP : ELSEWHERE);
  }

  /** Shows what can be done to the chosen track. */
  public void showTrack(ContextMenuEvent e) {
    show(e, ON_TRACK);
  }

  private void show(ContextMenuEvent e, List<String> ids) {
    ContextMenu menu = new ContextMenu();
    menu.setId("short-menu");
    for (String id : ids) {
      if (id.isEmpty()) {
        menu.getItems().add(new SeparatorMenuItem());
      } else {
        menu.getItems().add(item(commands.get(id)));
      }
    }
    menu.show((Node) e.getSource(), e.getScreenX(), e.getScreenY());
    e.consume();
  }

  private MenuItem item(Command command) {
    String keys = commands.keysOf(command);
    String more = command.amount().isPresent() ? "\u2026" : "";
    MenuItem item =
        new MenuItem(command.title() + more + (keys.isEmpty() ? "" : "  (" + keys + ")"));
    item.setId("short-" + command.id());
    item.setDisable(!command.isPossible());
    item.setOnAction(e -> CommandMenus.choose(command, ask));
    return item;
  }
}
