package flailbeat.core.playback;

import flailbeat.core.time.Pulses;

/**
 * Live notes that are struck again and again for as long as they stand here. Immutable; the arrays
 * are not to be written to.
 *
 * @param inSongTime whether the pulses are in song time, or in that of the clock
 * @param notes packed note-on messages with their parts, as in {@link PlaybackPlan}
 * @param firstPulses the unrolled time of the first pulse at which each note is struck
 */
public record Repeats(Pulses pulses, boolean inSongTime, int[] notes, long[] firstPulses) {
  /** Nothing is repeated. */
  public static final Repeats NONE = new Repeats(Pulses.NONE, false, new int[0], new long[0]);

  /** How much of the way to the next pulse a note lasts. */
  public static final double GATE = 0.5;
}
