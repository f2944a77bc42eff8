package flailbeat.app.shell.keys;

import flailbeat.app.command.Keystroke;
import flailbeat.app.control.Caret;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.keys.KeySign;
import flailbeat.core.keys.PhysicalKey;
import java.util.Optional;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * A key that went down, or is repeated by the system while it is held.
 *
 * @param nanos the moment at which the window heard of it, by the clock
 */
record KeyPress(KeyEvent event, KeyName name, Keystroke stroke, boolean repeat, long nanos) {
  Scene scene() {
    return (Scene) event.getSource();
  }

  /** The key's place on the person's keyboard, where that is known. */
  Optional<PhysicalKey> placeIn(KeyLayout layout) {
    return layout.placeOf(event.getCode().name(), event.getText());
  }

  KeySign sign() {
    return new KeySign(event.getCode().name(), event.getText());
  }

  boolean hasCommandModifier() {
    return event.isControlDown() || event.isAltDown() || event.isMetaDown();
  }

  boolean isTyping() {
    return isTyping(event);
  }

  /** Whether the caret stands in a field. */
  static boolean isTyping(KeyEvent e) {
    return Caret.standsIn(((Scene) e.getSource()).getFocusOwner());
  }

  /** Letters never reach a control: a click somewhere must not change who has them. */
  boolean isLetterKey() {
    KeyCode code = event.getCode();
    return !hasCommandModifier()
        && (code.isLetterKey() || code.isDigitKey() || code == KeyCode.SPACE);
  }
}
