package flailbeat.audio.midi;

/** A MIDI input device that does not open, or has gone; its message is for the person. */
public final class MidiInputLost extends Exception {
  private static final long serialVersionUID = 1;

  MidiInputLost(String message, Throwable cause) {
    super(message, cause);
  }
}
