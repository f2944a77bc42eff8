package flailbeat.core.step;

import flailbeat.core.pitch.Pitch;
import java.util.Collection;
import java.util.Set;
import java.util.TreeSet;

/**
 * A note of a step.
 *
 * @param pitch 0 to 127
 * @param velocity 1 to 127
 */
public record Struck(int pitch, int velocity) {
  public Struck {
    Pitch.require(pitch);
    if (velocity < 1 || velocity > 127) {
      throw new IllegalArgumentException("A velocity goes from 1 to 127, not " + velocity);
    }
  }

  static Set<Integer> pitches(Collection<Struck> notes) {
    Set<Integer> result = new TreeSet<>();
    notes.forEach(n -> result.add(n.pitch()));
    return result;
  }
}
