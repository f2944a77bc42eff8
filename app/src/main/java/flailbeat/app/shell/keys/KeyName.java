package flailbeat.app.shell.keys;

import java.util.Locale;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * What the system says of a key, which is all there is to know it by: a release is matched to its
 * press by this.
 *
 * @param text empty where the code is known
 */
record KeyName(KeyCode code, String text) {
  static KeyName of(KeyEvent e) {
    return new KeyName(
        e.getCode(), e.getCode() == KeyCode.UNDEFINED ? e.getText().toLowerCase(Locale.ROOT) : "");
  }
}
