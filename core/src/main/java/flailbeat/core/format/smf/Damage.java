package flailbeat.core.format.smf;

/**
 * Something wrong with a MIDI file.
 *
 * @param message one line for the person
 * @param offset where in the file, in bytes
 */
public record Damage(String message, long offset) {
  @Override
  public String toString() {
    return message + " (byte " + offset + ")";
  }
}
