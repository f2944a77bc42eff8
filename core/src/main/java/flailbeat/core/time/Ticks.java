package flailbeat.core.time;

/** Constants of score time: whole ticks, {@value #PPQ} to a quarter note. */
public final class Ticks {
  /** Pulses (ticks) per quarter note. */
  public static final int PPQ = 960;

  /** Ticks in a whole note. */
  public static final int WHOLE = 4 * PPQ;

  /** The last tick that a song may reach: over two million quarter notes. */
  public static final long LAST = 1L << 31;

  private Ticks() {}

  /**
   * Gives a tick back that lies in the song.
   *
   * @throws IllegalArgumentException for one before tick 0 or beyond {@link #LAST}
   */
  public static long require(long tick) {
    if (tick < 0 || tick > LAST) {
      throw new IllegalArgumentException("Tick " + tick + " is outside 0 to " + LAST);
    }
    return tick;
  }
}
