package flailbeat.audio.midi;

import flailbeat.core.event.Performed;
import java.util.function.Consumer;

/** A device that is played on. */
public interface MidiInput {
  /** The name that people see. */
  String name();

  /**
   * Begins to listen. What is played comes on a thread of the device's own, stamped with the moment
   * at which it arrived.
   *
   * @throws MidiInputLost when it does not open
   */
  void open(Consumer<Performed> listener) throws MidiInputLost;

  /** Whether it is still there. */
  boolean isThere();

  /** Leaves off listening. */
  void close();
}
