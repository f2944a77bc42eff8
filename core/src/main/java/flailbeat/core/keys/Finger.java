package flailbeat.core.keys;

/** What holds a note down. */
public sealed interface Finger {
  /** A key of the computer keyboard. */
  record OnKey(PhysicalKey key) implements Finger {}

  /** The mouse on a drawn key. */
  record OnScreen() implements Finger {}
}
