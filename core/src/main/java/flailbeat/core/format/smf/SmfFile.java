package flailbeat.core.format.smf;

import java.util.List;

/**
 * A MIDI file as it is written, without its end-of-track events.
 *
 * @param format 0 (one track), 1 (tracks side by side) or 2 (tracks that are patterns of their own)
 * @param ppq ticks to a quarter note, 1 to 32767
 * @param tracks in the file's order
 */
public record SmfFile(int format, int ppq, List<SmfTrack> tracks) {
  public SmfFile {
    tracks = List.copyOf(tracks);
  }

  /**
   * One track.
   *
   * @param events in order of tick
   * @param endTick where its end-of-track event stands
   */
  public record SmfTrack(List<SmfEvent> events, long endTick) {}
}
