package flailbeat.app.shell.commands;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Command.Kind;
import flailbeat.app.command.Commands;
import flailbeat.app.command.Group;
import flailbeat.app.command.Keystroke;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyCombination.Modifier;

/** The menu bar: every command by its group, with its key. */
public final class CommandMenus extends MenuBar {
  private final Commands commands;
  private final Consumer<Command> ask;

  /**
   * The menus.
   *
   * @param ask asks for the number that a command goes by, and carries it out
   */
  public CommandMenus(Commands commands, Consumer<Command> ask) {
    this.commands = commands;
    this.ask = ask;
    setId("menus");
    setFocusTraversable(false);
    setUseSystemMenuBar(true);
    setMinWidth(USE_PREF_SIZE);
    Map<Group, Menu> menus = new EnumMap<>(Group.class);
    for (Group group : Group.values()) {
      Menu menu = menu(group, commands.of(group).stream().filter(CommandMenus::fits).toList());
      menus.put(group, menu);
      group
          .whole()
          .ifPresentOrElse(
              whole -> menus.get(whole).getItems().add(menu), () -> getMenus().add(menu));
    }
    commands.onKeys(this::showKeys);
    showKeys();
  }

  /** What is held by a key cannot be held by a menu; questions have their keys on the deck. */
  private static boolean fits(Command command) {
    return command.kind() != Kind.HOLD && !command.isAnswer();
  }

  /** Carries a command out, once its number is asked where it goes by one. */
  public static void choose(Command command, Consumer<Command> ask) {
    if (command.amount().isPresent()) {
      ask.accept(command);
    } else {
      command.press().run();
    }
  }

  private Menu menu(Group group, List<Command> commands) {
    Menu menu = new Menu(group.title());
    menu.setId("menu-" + group.name().toLowerCase(java.util.Locale.ROOT));
    for (Command command : commands) {
      MenuItem item = new MenuItem();
      item.setId("menu-" + command.id());
      item.setOnAction(e -> choose(command, ask));
      item.setUserData(command.id());
      menu.getItems().add(item);
    }
    new NotNow(menu, this::whyNot);
    menu.setOnShowing(
        e -> {
          // A menu that opens within this one tells this one too.
          for (int i = 0; i < commands.size() && e.getTarget() == menu; i++) {
            menu.getItems().get(i).setDisable(!commands.get(i).isPossible());
            if (commands.get(i).amount().isPresent()) {
              showKeys(menu.getItems().get(i), commands.get(i));
            }
          }
        });
    return menu;
  }

  private String whyNot(MenuItem item) {
    return item.getUserData() instanceof String id
        ? "Not now: " + commands.inText(commands.get(id).need().otherwise()) + "."
        : "";
  }

  private void showKeys() {
    getMenus().forEach(this::showKeys);
  }

  private void showKeys(Menu menu) {
    for (MenuItem item : menu.getItems()) {
      if (item instanceof Menu part) {
        showKeys(part);
      } else {
        showKeys(item, commands.get((String) item.getUserData()));
      }
    }
  }

  private void showKeys(MenuItem item, Command command) {
    // A letter alone as an accelerator would be carried out while text is typed.
    List<Keystroke> safe = command.keys().own().stream().filter(k -> !isTyped(k)).toList();
    boolean beside = !safe.isEmpty() && command.where() == KeyContext.ANYWHERE;
    String keys = commands.keysOf(command);
    item.setAccelerator(beside ? accelerator(safe.get(0)) : null);
    String title = command.title() + (command.amount().isPresent() ? "\u2026" : "");
    item.setText(title + (beside || keys.isEmpty() ? "" : "  (" + keys + ")"));
  }

  private static boolean isTyped(Keystroke key) {
    return key.isPlain() && !key.code().isFunctionKey();
  }

  private static KeyCombination accelerator(Keystroke key) {
    Modifier[] modifiers =
        Stream.of(
                key.shortcut() ? KeyCombination.SHORTCUT_DOWN : null,
                key.alt() ? KeyCombination.ALT_DOWN : null,
                key.shift() ? KeyCombination.SHIFT_DOWN : null)
            .filter(m -> m != null)
            .toArray(Modifier[]::new);
    return new KeyCodeCombination(key.code(), modifiers);
  }
}
