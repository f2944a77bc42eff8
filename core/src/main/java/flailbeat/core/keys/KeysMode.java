package flailbeat.core.keys;

/** Who owns the letter keys. */
public enum KeysMode {
  /** Letters are shortcuts. */
  COMMANDS,
  /** Letters are notes. */
  PLAY,
  /** Letters are notes that are entered a step at a time. */
  STEPS;

  /** Whether letters are notes. */
  public boolean playsNotes() {
    return this != COMMANDS;
  }
}
