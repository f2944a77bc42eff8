package flailbeat.core.event;

import flailbeat.core.pitch.Pitch;

/** Something performed, stamped in nanoseconds of the {@link flailbeat.core.time.Clock}. */
public sealed interface Performed {
  long atNanos();

  /**
   * A note begins.
   *
   * @param velocity 1 to 127
   */
  record NoteOn(long atNanos, int pitch, int velocity) implements Performed {
    public NoteOn {
      Pitch.require(pitch);
      if (velocity < 1 || velocity > 127) {
        throw new IllegalArgumentException("A velocity goes from 1 to 127, not " + velocity);
      }
    }
  }

  /** A note ends. */
  record NoteOff(long atNanos, int pitch) implements Performed {
    public NoteOff {
      Pitch.require(pitch);
    }
  }
}
