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
}
