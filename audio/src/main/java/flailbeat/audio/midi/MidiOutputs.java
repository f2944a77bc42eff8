package flailbeat.audio.midi;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The MIDI outputs that there are. */
public interface MidiOutputs {
  /** All, as they are plugged in now. May take a while. */
  List<MidiOutput> all();

  /** The one of a name, if it is there. May take a while. */
  default Optional<MidiOutput> named(String name) {
    return all().stream().filter(o -> o.name().equals(name)).findFirst();
  }

  /** The system's, and one that is simulated. */
  static MidiOutputs ofSystem() {
    SimulatedOutput simulated = new SimulatedOutput();
    return () -> {
      List<MidiOutput> result = new ArrayList<>(SystemOutput.all());
      result.add(simulated);
      return result;
    };
  }
}
