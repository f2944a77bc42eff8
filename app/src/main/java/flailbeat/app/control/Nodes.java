package flailbeat.app.control;

import java.util.function.Predicate;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;

/** Where nodes lie within one another. */
public final class Nodes {
  private Nodes() {}

  /** Whether a node, or one that it lies in, is of a kind; none is of any. */
  public static boolean isWithin(Node node, Predicate<Node> kind) {
    for (Node each = node; each != null; each = each.getParent()) {
      if (kind.test(each)) {
        return true;
      }
    }
    return false;
  }

  /** Whether a node is another, or lies in it. */
  public static boolean isWithin(Node node, Node other) {
    return isWithin(node, n -> n == other);
  }

  /**
   * Has a pane draw what changes in it straight away. By itself it keeps a picture of all that it
   * shows, and whatever moves in it, a level or a playhead, has all of it drawn anew.
   */
  public static void drawDirectly(ScrollPane pane) {
    pane.skinProperty()
        .addListener(
            (property, before, now) -> {
              if (now != null) {
                pane.lookup(".viewport").setCache(false);
              }
            });
  }

  /** Scrolls so far that a node is in sight; nothing where it is, or lies elsewhere. */
  public static void bringIntoSight(ScrollPane pane, Node node) {
    Node content = pane.getContent();
    if (content == null || !isWithin(node, content)) {
      return;
    }
    Bounds all = content.getLayoutBounds();
    Bounds seen = pane.getViewportBounds();
    Bounds there = content.sceneToLocal(node.localToScene(node.getLayoutBounds()));
    pane.setVvalue(
        moved(
            pane.getVvalue(), there.getMinY(), there.getMaxY(), seen.getHeight(), all.getHeight()));
    pane.setHvalue(
        moved(pane.getHvalue(), there.getMinX(), there.getMaxX(), seen.getWidth(), all.getWidth()));
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
