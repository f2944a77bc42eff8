package flailbeat.core.harmony;

import flailbeat.core.time.TickRange;
import java.util.List;

/**
 * A chord that holds for a while.
 *
 * @param readings what it may be called, the likeliest first; none where no chord is heard
 * @param byHand whether a person said so
 */
public record ChordSpan(TickRange range, List<ChordReading> readings, boolean byHand) {
  public ChordSpan {
    readings = List.copyOf(readings);
  }

  /** Whether there is a chord. */
  public boolean hasChord() {
    return !readings.isEmpty();
  }

  /** The likeliest. */
  public Chord chord() {
    return readings.getFirst().chord();
  }

  /** How likely that is, 0 to 1. */
  public double share() {
    return readings.getFirst().share();
  }

  ChordSpan over(TickRange other) {
    return new ChordSpan(other, readings, byHand);
  }
}
