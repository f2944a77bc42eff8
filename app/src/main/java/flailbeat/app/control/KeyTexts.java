package flailbeat.app.control;

import java.lang.ref.WeakReference;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.value.ChangeListener;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Labeled;

/**
 * Texts that name commands in braces, shown with their keys. What keys there are is known once
 * something is in a window that has them; when a command has another key by then, its texts follow.
 */
public final class KeyTexts {
  private KeyTexts() {}

  /** Says which keys commands have in a window. */
  public static void install(Scene scene, KeyNames names) {
    scene.getProperties().put(KeyNames.class, new InScene(names));
  }

  /** Shows what commands' keys are by now. */
  public static void refresh(Scene scene) {
    if (scene.getProperties().get(KeyNames.class) instanceof InScene texts) {
      texts.refresh();
    }
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
    node.getProperties().remove(purpose);
    if (text.indexOf('{') < 0) {
      to.accept(text);
      return;
    }
    KeyText shown = new KeyText(node, purpose, text, to);
    node.getProperties().put(purpose, shown);
    if (node.getScene() != null) {
      shown.enter(node.getScene());
    } else {
      OnceInScene waiting = new OnceInScene(node, purpose);
      if (node.getProperties().putIfAbsent(waiting, waiting) == null) {
        node.sceneProperty().addListener(waiting);
      }
    }
  }

  /** The texts of a window; those of what is gone are forgotten with it. */
  private static final class InScene {
    private final KeyNames names;
    private final List<WeakReference<KeyText>> texts = new ArrayList<>();

    InScene(KeyNames names) {
      this.names = names;
    }

    void add(KeyText text) {
      if (Integer.bitCount(texts.size()) == 1) {
        texts.removeIf(t -> t.get() == null || !t.get().isShown());
      }
      texts.add(new WeakReference<>(text));
      text.say(names);
    }

    void refresh() {
      texts.removeIf(t -> t.get() == null || !t.get().isShown());
      texts.forEach(t -> Optional.ofNullable(t.get()).ifPresent(text -> text.say(names)));
    }
  }

  private record KeyText(Node node, Object purpose, String text, Consumer<String> to) {
    boolean isShown() {
      return node.getProperties().get(purpose) == this;
    }

    void say(KeyNames names) {
      to.accept(names.inText(text));
    }

    void enter(Scene scene) {
      if (scene.getProperties().get(KeyNames.class) instanceof InScene texts) {
        texts.add(this);
      }
    }
  }

  private record OnceInScene(Node node, Object purpose) implements ChangeListener<Scene> {
    @Override
    public void changed(
        javafx.beans.value.ObservableValue<? extends Scene> property, Scene before, Scene scene) {
      if (scene != null && scene.getProperties().containsKey(KeyNames.class)) {
        node.sceneProperty().removeListener(this);
        node.getProperties().remove(this);
        if (node.getProperties().get(purpose) instanceof KeyText text) {
          text.enter(scene);
        }
      }
    }
  }
}
