package flailbeat.app.shell.keys;

import javafx.application.Platform;
import javafx.collections.ListChangeListener;
import javafx.collections.WeakListChangeListener;
import javafx.scene.control.ContextMenu;
import javafx.stage.Window;

/**
 * Whether a menu is open, of whatever button or bar: keys are its own then. The key that closes one
 * comes to the window afterwards, and is the menu's as well.
 */
final class OpenMenus {
  private final ListChangeListener<Window> listener = this::changed;
  private int open;
  private boolean justClosed;

  OpenMenus() {
    Window.getWindows().addListener(new WeakListChangeListener<>(listener));
  }

  boolean isOpen() {
    return open > 0 || justClosed;
  }

  private void changed(ListChangeListener.Change<? extends Window> change) {
    while (change.next()) {
      open += (int) change.getAddedSubList().stream().filter(OpenMenus::isMenu).count();
      int closed = (int) change.getRemoved().stream().filter(OpenMenus::isMenu).count();
      open -= closed;
      if (closed > 0) {
        justClosed = true;
        Platform.runLater(() -> justClosed = false);
      }
    }
  }

  private static boolean isMenu(Window window) {
    return window instanceof ContextMenu;
  }
}
