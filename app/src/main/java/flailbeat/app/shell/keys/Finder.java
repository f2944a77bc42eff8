package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.Kind;
import flailbeat.app.command.CommandSearch;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Found;
import flailbeat.app.control.FoundList;
import flailbeat.core.session.person.CommandUse;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
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
  private final CommandSearch search;
  private final CommandUse use;
  private final Supplier<String> inHand;
  private final Label foot = new Label();
  private boolean areNearest;

  /**
   * A finder.
   *
   * @param use how often each command was chosen here
   * @param inHand what notes are in hand now, in words
   */
  public Finder(Commands commands, CommandUse use, Supplier<String> inHand) {
    super("finder", "What you want to do, or a key", "Nothing here is called that.", WIDTH, ROWS);
    this.commands = commands;
    this.use = use;
    this.inHand = inHand;
    search = new CommandSearch(commands, use::of);
    foot.setId("finder-foot");
    foot.setWrapText(true);
    foot.setMinHeight(Region.USE_PREF_SIZE);
    foot.getStyleClass().addAll("soft", "small");
    getChildren().add(foot);
    onSelected(this::explain);
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
    areNearest = false;
    if (wanted.isBlank()) {
      return commands.all().stream()
          .filter(c -> !c.isAnswer())
          .sorted(Comparator.comparingInt(c -> -use.of(c.id())))
          .map(Found::of)
          .toList();
    }
    List<Found> found = search.find(wanted).stream().filter(f -> !f.command().isAnswer()).toList();
    areNearest = found.isEmpty();
    return found.isEmpty() ? search.nearest(wanted) : found;
  }

  @Override
  protected boolean isSure() {
    return !areNearest;
  }

  @Override
  protected void onFound() {
    explain(selected());
  }

  /** What the row under the cursor would do now, or why it can do nothing; what was not found. */
  private void explain(Optional<Found> chosen) {
    Optional<String> notHere = search.notHere(words(), !areNearest);
    String about = chosen.map(this::about).orElse("");
    String nothing =
        areNearest && chosen.isEmpty()
            ? "Nothing is called that; what comes nearest is shown."
            : about;
    foot.setText(chosen.isPresent() && areNearest ? about : notHere.orElse(nothing));
    foot.setManaged(!foot.getText().isEmpty());
    foot.setVisible(!foot.getText().isEmpty());
  }

  private String about(Found found) {
    Command command = found.command();
    if (command.kind() == Kind.HOLD) {
      return "Hold its key: it lasts as long as that is down.";
    }
    if (!command.isPossible()) {
      return "Not now: " + commands.inText(command.need().otherwise()) + ".";
    }
    return command.need().ofHand() ? "It is done to " + inHand.get() + "." : "";
  }

  @Override
  protected void choose(Found chosen) {
    if (isPossible(chosen)) {
      close();
      use.chosen(chosen.command().id());
      chosen.carryOut();
    }
  }

  /** What lasts while its key is held has no other way to end. */
  private static boolean isPossible(Found chosen) {
    Command command = chosen.command();
    return !chosen.refused() && command.kind() != Kind.HOLD && command.isPossible();
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
