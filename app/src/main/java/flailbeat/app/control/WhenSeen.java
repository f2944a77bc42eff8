package flailbeat.app.control;

import java.util.List;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;
import javafx.scene.layout.Pane;

/**
 * What is hidden stays empty until it is to be seen for the first time. The toolkit styles and
 * skins also what is not visible, before it shows the window: a third of the nodes, which nobody
 * may ever open.
 */
public final class WhenSeen {
  private WhenSeen() {}

  /** Empties those that are hidden; each has its children back, for good, when it is shown. */
  public static void fill(List<? extends Node> nodes) {
    for (Node node : nodes) {
      if (node instanceof Pane pane && !pane.isVisible()) {
        empty(pane);
      }
    }
  }

  private static void empty(Pane pane) {
    List<Node> children = List.copyOf(pane.getChildren());
    pane.getChildren().clear();
    pane.visibleProperty()
        .addListener(
            new ChangeListener<Boolean>() {
              @Override
              public void changed(
                  ObservableValue<? extends Boolean> visible, Boolean before, Boolean now) {
                visible.removeListener(this);
                pane.getChildren().addAll(children);
              }
            });
  }
}
