package flailbeat.audio.midi;

/**
 * A MIDI port that is not there: what is sent to it is heard by nobody, and can be looked at in the
 * monitor. It can be unplugged.
 */
public final class SimulatedOutput implements MidiOutput {
  /** What it is called. */
  public static final String NAME = "Simulated port";

  private volatile boolean pluggedIn = true;

  @Override
  public String name() {
    return NAME;
  }

  @Override
  public void open() throws MidiOutputLost {
    if (!pluggedIn) {
      throw new MidiOutputLost("The simulated port is unplugged", null);
    }
  }

  @Override
  public void send(int status, int data1, int data2) {
    // The monitor has seen it.
  }

  /** Pulls the plug, or puts it in again. */
  public void plug(boolean in) {
    pluggedIn = in;
  }

  @Override
  public boolean isThere() {
    return pluggedIn;
  }

  @Override
  public void close() {
    // Nothing was opened.
  }
}
