package flailbeat.core.pitch;

import flailbeat.core.work.InOrder;
import java.util.List;
import java.util.Optional;

/**
 * The key of a song over time.
 *
 * @param changes in order of tick; of several at one tick the last holds
 */
public record KeyMap(List<Change> changes) {
  /** No key is known. */
  public static final KeyMap NONE = new KeyMap(List.of());

  /** From a tick on a key holds. */
  public record Change(long tick, KeySignature key) {}

  public KeyMap {
    changes = List.copyOf(changes);
  }

  /** The key at a tick; empty before the first that is known. O(log n). */
  public Optional<KeySignature> at(long tick) {
    int after = InOrder.firstFailing(0, changes.size(), i -> changes.get(i).tick() <= tick);
    return after == 0 ? Optional.empty() : Optional.of(changes.get(after - 1).key());
  }

  /** The name of a pitch that stands at a tick, spelled by the key there; with sharps in none. */
  public String name(int pitch, long tick, OctaveNames octaves) {
    return at(tick).map(k -> k.name(pitch, octaves)).orElseGet(() -> Pitch.name(pitch, octaves));
  }

  /** The same without the octave. */
  public String className(int pitch, long tick) {
    return at(tick).map(k -> k.className(pitch)).orElseGet(() -> Pitch.className(pitch));
  }
}
