package flailbeat.app.shell.keys;

import javafx.scene.input.KeyEvent;

/**
 * Someone who may have a key. The router asks them in order, and the first that takes a key has it
 * until it comes up.
 */
interface KeyTaker {
  /** Who it is, for whoever reads a list of them. */
  String name();

  /** Takes a key that went down, or is repeated; false for one that is not its own. */
  boolean take(KeyPress press);

  /**
   * A key that it took comes up.
   *
   * @return whether nobody else shall see that
   */
  default boolean release(KeyName name, KeyEvent e, long nanos) {
    return false;
  }

  /** The window has lost the focus: no release will come of what it holds. */
  default void letGo(long nanos) {
    // Most hold nothing.
  }
}
