package flailbeat.core.format.smf;

/**
 * Something in which a MIDI file departs from the standard.
 *
 * @param message one line for the person
 * @param offset where in the file, in bytes
 * @param loses whether something of it is lost thereby, or may be
 */
public record Damage(String message, long offset, boolean loses) {
  @Override
  public String toString() {
    return message + " (byte " + offset + ")";
  }
}
