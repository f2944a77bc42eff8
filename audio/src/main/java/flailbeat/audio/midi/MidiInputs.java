package flailbeat.audio.midi;

import flailbeat.core.time.Clock;
import java.util.ArrayList;
import java.util.List;

/** The MIDI input devices that there are. */
public final class MidiInputs {
  private final Clock clock;

  public MidiInputs(Clock clock) {
    this.clock = clock;
  }

  /** The system's, as they are plugged in now, and the simulated one. May take a while. */
  public List<MidiInput> all() {
    List<MidiInput> result = new ArrayList<>(SystemInput.all(clock));
    result.add(new SimulatedInput(clock));
    return result;
  }
}
