package flailbeat.app.shell;

import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;

/**
 * The rows of the window, which can be scrolled where a small screen or large texts leave no room
 * for them; else it is not seen. Whatever has the keys is brought into sight.
 */
final class WindowScroll extends ScrollPane {
  WindowScroll(WindowColumn column) {
    super(column);
    setFitToWidth(true);
    setFitToHeight(true);
    setFocusTraversable(false);
    getStyleClass().add("window-scroll");
    sceneProperty()
        .flatMap(s -> s.focusOwnerProperty())
        .addListener((property, before, now) -> bringIntoSight(now));
  }

  private void bringIntoSight(Node node) {
    if (node == null || !isWithin(node)) {
      return;
    }
    Bounds content = getContent().getLayoutBounds();
    Bounds view = getViewportBounds();
    Bounds there = getContent().sceneToLocal(node.localToScene(node.getLayoutBounds()));
    setVvalue(
        moved(
            getVvalue(), there.getMinY(), there.getMaxY(), view.getHeight(), content.getHeight()));
    setHvalue(
        moved(getHvalue(), there.getMinX(), there.getMaxX(), view.getWidth(), content.getWidth()));
  }

  private boolean isWithin(Node node) {
    for (Node each = node; each != null; each = each.getParent()) {
      if (each == getContent()) {
        return true;
      }
    }
    return false;
  }

  /** Where to scroll to, 0 to 1, so that a stretch is in sight; as it is where it is. */
  private static double moved(double now, double from, double to, double seen, double all) {
    double hidden = all - seen;
    if (hidden <= 0) {
      return now;
    }
    double first = now * hidden;
    double wanted = from < first ? from : to > first + seen ? to - seen : first;
    return Math.clamp(wanted / hidden, 0, 1);
  }
}
