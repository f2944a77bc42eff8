package flailbeat.app.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.Region;

/**
 * Leads the focus through the controls of a window in the order of reading, with a ring round the
 * one that has it. No control takes the focus by a click, and none has it until one is led to.
 */
public final class ControlWalk {
  private static final double ROUND = 3;

  private final Parent root;
  private final Region ring = new Region();
  private final ReadOnlyBooleanWrapper on = new ReadOnlyBooleanWrapper();
  private Optional<Node> at = Optional.empty();

  /** Of a window that shows nothing yet. */
  public ControlWalk(Parent root) {
    this.root = root;
    ring.getStyleClass().add("focus-ring");
    ring.setId("focus-ring");
    ring.setManaged(false);
    ring.setMouseTransparent(true);
    ring.setVisible(false);
  }

  /** What is drawn round the control that has the focus, over all else. */
  public Node ring() {
    return ring;
  }

  /** Follows the focus of the window: where it goes elsewhere the walk is over. */
  public void install(Scene scene) {
    scene
        .focusOwnerProperty()
        .addListener(
            (property, before, now) -> {
              if (at.isPresent() && now != at.get()) {
                Node lost = at.get();
                end();
                if (lost.isDisabled() && !Caret.standsIn(now)) {
                  goOnFrom(lost);
                }
              }
            });
    scene.addPostLayoutPulseListener(this::showRing);
  }

  /** Whether a control has the keys. */
  public ReadOnlyBooleanProperty on() {
    return on.getReadOnlyProperty();
  }

  /** The control that has them. */
  public Optional<Node> current() {
    return at;
  }

  /** Begins with the first control. */
  public void begin() {
    List<Node> all = all();
    if (!all.isEmpty()) {
      goTo(all.getFirst());
    }
  }

  /** Goes on to the next control, or with -1 back to the one before; from the last to the first. */
  public void step(int by) {
    List<Node> all = all();
    if (all.isEmpty()) {
      leave();
      return;
    }
    Node from = at.orElse(root.getScene().getFocusOwner());
    int now = all.indexOf(from);
    int next = now < 0 ? 0 : Math.floorMod(now + by, all.size());
    goTo(all.get(next));
  }

  /** What was pressed may have nothing more to do: the next control has the keys then. */
  private void goOnFrom(Node lost) {
    List<Node> all = new ArrayList<>();
    collect(root, true, all);
    int from = all.indexOf(lost);
    for (int i = 1; from >= 0 && i < all.size(); i++) {
      Node next = all.get((from + i) % all.size());
      if (!next.isDisabled()) {
        goTo(next);
        return;
      }
    }
  }

  /** Gives the keys back. */
  public void leave() {
    if (at.isPresent()) {
      end();
      root.requestFocus();
    }
  }

  private void end() {
    at = Optional.empty();
    on.set(false);
    ring.setVisible(false);
  }

  private void goTo(Node node) {
    at = Optional.empty();
    show(node);
    node.requestFocus();
    if (node instanceof TextInputControl field) {
      // It has a caret, which says that it has the letters.
      field.selectAll();
      end();
    } else {
      at = Optional.of(node);
      on.set(true);
      showRing();
    }
  }

  private void showRing() {
    if (at.isEmpty()) {
      return;
    }
    Node node = at.get();
    if (node.isDisabled() && node.getScene() != null) {
      end();
      goOnFrom(node);
      return;
    }
    if (node.getScene() == null || !isThere(node)) {
      leave();
      return;
    }
    Bounds bounds = ring.getParent().sceneToLocal(node.localToScene(node.getLayoutBounds()));
    ring.resizeRelocate(
        bounds.getMinX() - ROUND,
        bounds.getMinY() - ROUND,
        bounds.getWidth() + 2 * ROUND,
        bounds.getHeight() + 2 * ROUND);
    ring.setVisible(true);
  }

  /** Scrolls what it lies in so that it is seen. */
  private static void show(Node node) {
    for (Node n = node.getParent(); n != null; n = n.getParent()) {
      if (n instanceof ScrollPane pane) {
        Nodes.bringIntoSight(pane, node);
      }
    }
  }

  /** All controls in sight, in the order of reading. */
  public List<Node> all() {
    List<Node> result = new ArrayList<>();
    collect(root, false, result);
    return result;
  }

  private static void collect(Node node, boolean disabledToo, List<Node> into) {
    if (!node.isVisible() || node.isDisabled() && !disabledToo) {
      return;
    }
    if (isControl(node)) {
      if (disabledToo || isThere(node)) {
        into.add(node);
      }
    } else if (node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(child -> collect(child, disabledToo, into));
    }
  }

  private static boolean isControl(Node node) {
    return node instanceof ButtonBase
        || node instanceof TextInputControl
        || node instanceof Slider
        || node instanceof ComboBoxBase<?>
        || node instanceof ListView<?>;
  }

  private static boolean isThere(Node node) {
    Bounds bounds = node.getLayoutBounds();
    if (bounds.getWidth() < 1 || bounds.getHeight() < 1) {
      return false;
    }
    for (Node n = node; n != null; n = n.getParent()) {
      if (!n.isVisible() || n.isDisabled()) {
        return false;
      }
    }
    return true;
  }

  /** Presses the control that has the keys, or opens it. */
  public void press() {
    at.ifPresent(ControlWalk::press);
  }

  private static void press(Node node) {
    switch (node) {
      case MenuButton menu -> menu.show();
      case ButtonBase button -> button.fire();
      case ComboBoxBase<?> box -> box.show();
      default -> {
        // A slider or a list has nothing to be pressed.
      }
    }
  }

  /** Moves a slider, or the cursor of a list; whether the control has anything to move. */
  public boolean move(int by) {
    Node node = at.orElse(root);
    if (node instanceof Slider slider) {
      slider.adjustValue(slider.getValue() + by * slider.getBlockIncrement());
      return true;
    }
    if (node instanceof ListView<?> list) {
      int row = Math.max(0, list.getSelectionModel().getSelectedIndex() + by);
      list.getSelectionModel().select(row);
      list.scrollTo(row);
      return true;
    }
    return false;
  }
}
