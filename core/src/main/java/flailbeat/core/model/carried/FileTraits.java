package flailbeat.core.model.carried;

import flailbeat.core.time.Ticks;

/**
 * What a MIDI file says of a track beside its events, so that it comes out as it came in.
 *
 * @param statesProgram whether the program changes among its controllers say what it plays, if
 *     anything does: then none is written at its start
 * @param endTick where the track ends, 0 to {@link Ticks#LAST}; 0 for with its last event
 */
public record FileTraits(boolean statesProgram, long endTick) {
  /**
   * A part that was made here: its instrument is written at its start, and it ends with its events.
   */
  public static final FileTraits NONE = new FileTraits(false, 0);

  public FileTraits {
    Ticks.require(endTick);
  }
}
