package flailbeat.core.model.sound;

import java.util.BitSet;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Which pitches a sound has, and what they are called where they have names of their own.
 *
 * @param pitches those that give a sound; not to be changed
 * @param names by pitch, as a kit of the person's own calls its drums
 */
public record SoundedKeys(BitSet pitches, Map<Integer, String> names) {
  /** All of them, with no names: what is not known yet is not said to be silent. */
  public static final SoundedKeys ALL = new SoundedKeys(all(), Map.of());

  private static BitSet all() {
    BitSet result = new BitSet();
    result.set(0, 128);
    return result;
  }

  public boolean sounds(int pitch) {
    return pitches.get(pitch);
  }

  public Optional<String> name(int pitch) {
    return Optional.ofNullable(names.get(pitch));
  }

  /** The lowest that sounds; empty where none does. */
  public OptionalInt lowest() {
    return pitches.isEmpty() ? OptionalInt.empty() : OptionalInt.of(pitches.nextSetBit(0));
  }

  /** The highest that sounds; empty where none does. */
  public OptionalInt highest() {
    return pitches.isEmpty() ? OptionalInt.empty() : OptionalInt.of(pitches.length() - 1);
  }
}
