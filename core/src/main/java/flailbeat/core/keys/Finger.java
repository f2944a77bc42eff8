package flailbeat.core.keys;

import java.util.List;

/** What holds a note down. */
public sealed interface Finger {
  /** A key of the computer keyboard. */
  record OnKey(PhysicalKey key) implements Finger {}

  /** The mouse on a drawn key. */
  record OnScreen() implements Finger {}

  /** Drawn keys that were latched, and stay down until they are latched off. */
  record Latched(List<Integer> pitches) implements Finger {
    public Latched {
      pitches = List.copyOf(pitches);
    }
  }

  /** A key of a MIDI input device. */
  record OnDevice(int pitch) implements Finger {}
}
