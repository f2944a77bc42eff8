package flailbeat.app.control;

import java.util.function.Consumer;
import javafx.beans.value.ChangeListener;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Labeled;

/**
 * Texts that name commands in braces, shown with their keys. What keys there are is known once
 * something is in a window that has them.
 */
public final class KeyTexts {
  private KeyTexts() {}

  /** Says which keys commands have in a window. */
  public static void install(Scene scene, KeyNames names) {
    scene.getProperties().put(KeyNames.class, names);
  }

  /** Gives a control a text that may name commands. */
  public static void set(Labeled control, String text) {
    show(control, KeyTexts.class, text, control::setText);
  }

  /**
   * Shows a text that may name commands, now or once it is known which keys they have.
   *
   * @param purpose what it is of the node: of several texts for one purpose the last is shown
   */
  static void show(Node node, Object purpose, String text, Consumer<String> to) {
    if (text.indexOf('{') < 0) {
      node.getProperties().remove(purpose);
      to.accept(text);
      return;
    }
    KeyNames names = namesIn(node.getScene());
    if (names != null) {
      node.getProperties().remove(purpose);
      to.accept(names.inText(text));
    } else if (node.getProperties().put(purpose, text) == null) {
      node.sceneProperty().addListener(new OnceInScene(node, purpose, to));
    }
  }

  private static KeyNames namesIn(Scene scene) {
    return scene == null ? null : (KeyNames) scene.getProperties().get(KeyNames.class);
  }

  private record OnceInScene(Node node, Object purpose, Consumer<String> to)
      implements ChangeListener<Scene> {
    @Override
    public void changed(
        javafx.beans.value.ObservableValue<? extends Scene> property, Scene before, Scene scene) {
      KeyNames names = namesIn(scene);
      if (names != null) {
        node.sceneProperty().removeListener(this);
        if (node.getProperties().remove(purpose) instanceof String text) {
          to.accept(names.inText(text));
        }
      }
    }
  }
}
