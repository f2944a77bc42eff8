package flailbeat.core.playback;

import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/**
 * What of a song has a sound of its own: each of the first {@value #MOST} tracks, whatever its MIDI
 * channel, since there are only sixteen of those. A part is a track's index in the song.
 */
public final class Parts {
  /** How many tracks can sound. */
  public static final int MOST = 64;

  private Parts() {}

  /** The part of a track; empty for one beyond those that can sound. */
  public static OptionalInt of(Song song, Track track) {
    return IntStream.range(0, count(song))
        .filter(i -> song.tracks().get(i).id().equals(track.id()))
        .findFirst();
  }

  /** How many parts a song has. */
  public static int count(Song song) {
    return Math.min(MOST, song.tracks().size());
  }

  /** How many tracks of a song can't sound. */
  public static int silent(Song song) {
    return song.tracks().size() - count(song);
  }

  /**
   * The parts that what controllers do on a track is meant for: as in a MIDI file, all of its
   * channel that have its sound. A piano's two hands on two tracks have one pedal; but tracks that
   * share a channel only because there are no more have a sound each, and a pedal each.
   */
  static List<Integer> movedBy(Song song, Track track) {
    return IntStream.range(0, count(song))
        .filter(i -> song.tracks().get(i).channel() == track.channel())
        .filter(i -> song.tracks().get(i).instrument().equals(track.instrument()))
        .boxed()
        .toList();
  }
}
