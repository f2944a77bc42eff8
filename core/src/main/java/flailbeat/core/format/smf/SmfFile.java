package flailbeat.core.format.smf;

import flailbeat.core.model.carried.Payload;
import java.util.List;

/**
 * A MIDI file as it is written, without its end-of-track events.
 *
 * @param format 0 (one track), 1 (tracks side by side) or 2 (tracks that are patterns of their own)
 * @param ppq ticks to a quarter note, 1 to 32767
 * @param tracks in the file's order
 * @param others chunks of other kinds between them, in order
 */
public record SmfFile(int format, int ppq, List<SmfTrack> tracks, List<OtherChunk> others) {
  public SmfFile {
    tracks = List.copyOf(tracks);
    others = List.copyOf(others);
  }

  /** A file of tracks alone. */
  public SmfFile(int format, int ppq, List<SmfTrack> tracks) {
    this(format, ppq, tracks, List.of());
  }

  /** The same file with other tracks in the place of these. */
  SmfFile withTracks(List<SmfTrack> value) {
    return new SmfFile(format, ppq, value, others);
  }

  /**
   * A chunk of a kind that the standard does not know, which readers pass over.
   *
   * @param tag its kind, four characters
   * @param after how many tracks stand before it
   */
  public record OtherChunk(String tag, int after, Payload bytes) {}

  /**
   * One track.
   *
   * @param events in order of tick
   * @param endTick where its end-of-track event stands
   */
  public record SmfTrack(List<SmfEvent> events, long endTick) {}
}
