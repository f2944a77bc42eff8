package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Kind;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Found;
import flailbeat.app.control.FoundList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Finds a command by a part of its name, shows its key, and carries it out. */
public final class Finder extends FoundList<Found> {
  private static final double WIDTH = 520;
  private static final int ROWS = 10;

  private final Commands commands;

  public Finder(Commands commands) {
    super(
        "finder", "A part of what you want to do", "No command has this in its name.", WIDTH, ROWS);
    this.commands = commands;
  }

  /**
   * Asks for the number that a command goes by: its words stand there, and the number is chosen.
   */
  public void ask(Command command) {
    String number = command.amount().map(a -> a.words().apply(a.now().getAsInt())).orElse("");
    open(command.titleWords() + " " + number, number.length());
  }

  @Override
  protected List<Found> find(String wanted) {
    List<Found> all =
        wanted.isBlank() ? commands.all().stream().map(Found::of).toList() : commands.find(wanted);
    return all.stream().filter(f -> !f.command().isAnswer()).toList();
  }

  @Override
  protected void choose(Found chosen) {
    if (isPossible(chosen)) {
      close();
      chosen.carryOut();
    }
  }

  /** What lasts while its key is held has no other way to end. */
  private static boolean isPossible(Found chosen) {
    Command command = chosen.command();
    return !chosen.refused() && command.kind() != Kind.HOLD && command.enabled().getAsBoolean();
  }

  @Override
  protected Row<Found> row() {
    return new CommandRow();
  }

  private final class CommandRow implements Row<Found> {
    private final Label title = new Label();
    private final Label group = new Label();
    private final Label keys = new Label();
    private final HBox box;

    CommandRow() {
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      group.getStyleClass().addAll("soft", "small");
      keys.getStyleClass().add("key-name");
      box = new HBox(8, title, group, gap, keys);
      box.setAlignment(Pos.CENTER_LEFT);
    }

    @Override
    public Node box() {
      return box;
    }

    @Override
    public void show(Found item) {
      Command command = item.command();
      title.setText(item.title());
      group.setText(
          command.amount().map(a -> a.range() + ": type it").orElse(command.group().title()));
      keys.setText(commands.keysOf(command) + command.untilWhen());
      box.setDisable(!isPossible(item));
    }
  }
}
