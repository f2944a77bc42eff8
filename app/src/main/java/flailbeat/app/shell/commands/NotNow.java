package flailbeat.app.shell.commands;

import java.util.Optional;
import java.util.function.Function;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;

/**
 * Says beside a menu why what the mouse rests on cannot be done now. An item that is disabled has
 * no events of its own, so those of the menu's window are looked at.
 */
final class NotNow {
  private static final double BESIDE = 8;

  private final Tooltip tip = new Tooltip();
  private final Menu menu;
  private final Function<MenuItem, String> reason;
  private Optional<MenuItem> said = Optional.empty();

  /**
   * For the items of a menu.
   *
   * @param reason why an item cannot be done; empty where nothing is to be said
   */
  NotNow(Menu menu, Function<MenuItem, String> reason) {
    this.menu = menu;
    this.reason = reason;
    tip.setId("not-now");
    menu.setOnShown(e -> follow());
    menu.setOnHidden(e -> hide());
  }

  private void follow() {
    menu.getItems().stream()
        .map(MenuItem::getStyleableNode)
        .filter(n -> n != null && n.getScene() != null)
        .findFirst()
        .map(Node::getScene)
        .ifPresent(this::follow);
  }

  private void follow(Scene scene) {
    scene.setOnMouseMoved(this::moved);
    scene.setOnMouseExited(e -> hide());
  }

  private void moved(MouseEvent e) {
    Optional<MenuItem> over =
        menu.getItems().stream()
            .filter(i -> i.isDisable() && isAt(i.getStyleableNode(), e))
            .findFirst();
    if (over.equals(said)) {
      return;
    }
    hide();
    over.ifPresent(this::say);
  }

  private static boolean isAt(Node node, MouseEvent e) {
    return node != null && node.contains(node.sceneToLocal(e.getSceneX(), e.getSceneY()));
  }

  private void say(MenuItem item) {
    said = Optional.of(item);
    String text = reason.apply(item);
    if (!text.isEmpty()) {
      Bounds at = item.getStyleableNode().localToScreen(item.getStyleableNode().getLayoutBounds());
      tip.setText(text);
      tip.show(item.getStyleableNode(), at.getMaxX() + BESIDE, at.getMinY());
    }
  }

  private void hide() {
    said = Optional.empty();
    tip.hide();
  }
}
