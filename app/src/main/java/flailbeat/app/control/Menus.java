package flailbeat.app.control;

import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;

/** Makes menus that never take the keyboard. */
public final class Menus {
  private Menus() {}

  /** A button that opens a menu. */
  public static MenuButton button(String id, String hint) {
    return dressed(new MenuButton(), id, hint);
  }

  /** Dresses a menu of one's own kind alike. */
  public static <M extends MenuButton> M dressed(M menu, String id, String hint) {
    menu.setId(id);
    menu.setFocusTraversable(false);
    Hints.on(menu, hint);
    return menu;
  }

  /** Something to choose. */
  public static MenuItem item(String text, Runnable action) {
    MenuItem item = new MenuItem(text);
    item.setOnAction(e -> action.run());
    return item;
  }
}
