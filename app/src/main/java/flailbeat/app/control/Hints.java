package flailbeat.app.control;

import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;

/**
 * Hints that come up where the mouse rests. Most never do: the tooltip of each is made only as the
 * mouse first comes over it, since making all of them took a fifth of the start.
 */
public final class Hints {
  private Hints() {}

  /** Gives something a hint, in the place of the one that it had. */
  public static void on(Node node, String text) {
    KeyTexts.show(node, Hints.class, text, node::setAccessibleHelp);
    Object before = node.getProperties().put(Hint.class, new Hint(node));
    if (before instanceof Hint hint) {
      hint.leave();
    }
  }

  /** The hint that something has; empty for none. */
  private static String of(Node node) {
    return node.getAccessibleHelp() == null ? "" : node.getAccessibleHelp();
  }

  private static final class Hint implements EventHandler<MouseEvent> {
    private final Node node;
    private Tooltip tooltip;

    Hint(Node node) {
      this.node = node;
      node.addEventHandler(MouseEvent.MOUSE_ENTERED, this);
    }

    @Override
    public void handle(MouseEvent e) {
      node.removeEventHandler(MouseEvent.MOUSE_ENTERED, this);
      tooltip = new Tooltip(of(node));
      Tooltip.install(node, tooltip);
    }

    void leave() {
      node.removeEventHandler(MouseEvent.MOUSE_ENTERED, this);
      if (tooltip != null) {
        Tooltip.uninstall(node, tooltip);
      }
    }
  }
}
