package flailbeat.core.keys;

/** Who owns the letter keys. */
public enum KeysMode {
  /** Letters are shortcuts. */
  COMMANDS,
  /** Letters are notes. */
  PLAY
}
