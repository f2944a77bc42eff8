package flailbeat.audio.midi;

/** A MIDI output cannot be had; the message says why. */
public final class MidiOutputLost extends Exception {
  private static final long serialVersionUID = 1;

  public MidiOutputLost(String message, Throwable cause) {
    super(message, cause);
  }
}
