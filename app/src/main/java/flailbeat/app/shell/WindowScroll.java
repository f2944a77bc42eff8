package flailbeat.app.shell;

import flailbeat.app.control.Nodes;
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
    Nodes.drawDirectly(this);
    getStyleClass().add("window-scroll");
    sceneProperty()
        .flatMap(s -> s.focusOwnerProperty())
        .addListener((property, before, now) -> Nodes.bringIntoSight(this, now));
  }
}
