package flailbeat.app.shell;

import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/**
 * A key that carries out a command.
 *
 * @param keys the key with its modifiers
 * @param scope whether it needs the letter keys to belong to commands
 * @param repeats whether holding it goes on doing it
 */
record Shortcut(KeyCombination keys, Scope scope, boolean repeats, Runnable action) {
  /** When a shortcut works. */
  enum Scope {
    ALWAYS,
    COMMANDS
  }

  static Shortcut always(String keys, Runnable action) {
    return new Shortcut(KeyCombination.valueOf(keys), Scope.ALWAYS, false, action);
  }

  static Shortcut command(String keys, Runnable action) {
    return new Shortcut(KeyCombination.valueOf(keys), Scope.COMMANDS, false, action);
  }

  Shortcut repeating() {
    return new Shortcut(keys, scope, true, action);
  }

  boolean matches(KeyEvent event, boolean lettersAreCommands) {
    return keys.match(event) && (scope == Scope.ALWAYS || lettersAreCommands);
  }

  /** Whether a text field with the caret would want this key for itself. */
  static boolean isTextEditing(KeyEvent event) {
    if (!event.isShortcutDown()) {
      return true;
    }
    KeyCode code = event.getCode();
    return code == KeyCode.A
        || code == KeyCode.C
        || code == KeyCode.V
        || code == KeyCode.X
        || code == KeyCode.Z
        || code.isArrowKey();
  }
}
