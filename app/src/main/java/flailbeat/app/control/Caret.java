package flailbeat.app.control;

import javafx.scene.Node;
import javafx.scene.control.TextInputControl;

/** Where letters go by themselves: whoever has to know asks here. */
public final class Caret {
  private Caret() {}

  /** Whether what has the focus is a field with a caret, which takes letters for its own. */
  public static boolean standsIn(Node focused) {
    return focused instanceof TextInputControl;
  }
}
