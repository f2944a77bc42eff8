package flailbeat.audio.midi;

import flailbeat.core.time.Clock;
import java.util.ArrayList;
import java.util.List;

/** The MIDI input devices that there are. */
public final class MidiInputs {
  private final Clock clock;
  private final MidiMonitor monitor;

  /**
   * The inputs.
   *
   * @param monitor takes down what comes
   */
  public MidiInputs(Clock clock, MidiMonitor monitor) {
    this.clock = clock;
    this.monitor = monitor;
  }

  /** The system's, as they are plugged in now, and the simulated one. May take a while. */
  public List<MidiInput> all() {
    List<MidiInput> result = new ArrayList<>(SystemInput.all(clock, monitor));
    result.add(new SimulatedInput(clock, monitor));
    return result;
  }
}
