package flailbeat.audio.midi;

/** A MIDI output: of the system, or simulated. For one thread at a time. */
public interface MidiOutput extends AutoCloseable {
  String name();

  /**
   * Opens it.
   *
   * @throws MidiOutputLost with the reason, when it is not there or is taken
   */
  void open() throws MidiOutputLost;

  /** Sends a channel message at once. */
  void send(int status, int data1, int data2);

  /** Whether it is still there. May take a while. */
  boolean isThere();

  @Override
  void close();
}
