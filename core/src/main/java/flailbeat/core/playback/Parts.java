package flailbeat.core.playback;

import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/**
 * What of a song has a sound of its own: {@value #MOST} tracks, whatever their MIDI channels, since
 * there are only sixteen of those. A track keeps its part as long as it is there, wherever it
 * stands, so that what sounds goes on when others come, go or change places. Immutable.
 */
public final class Parts {
  /** How many tracks can sound. */
  public static final int MOST = 64;

  private final Map<TrackId, Integer> parts;

  private Parts(Map<TrackId, Integer> parts) {
    this.parts = parts;
  }

  /** The parts of a song: its tracks in order, as far as there are parts. */
  public static Parts of(Song song) {
    return new Parts(Map.of()).following(song);
  }

  /** The parts of a song that came of another: tracks that are there still keep theirs. */
  public Parts following(Song song) {
    if (isOf(song)) {
      return this;
    }
    Map<TrackId, Integer> result = new HashMap<>();
    boolean[] taken = new boolean[MOST];
    for (Track track : song.tracks()) {
      Integer part = parts.get(track.id());
      if (part != null) {
        result.put(track.id(), part);
        taken[part] = true;
      }
    }
    int free = 0;
    for (Track track : song.tracks()) {
      while (free < MOST && taken[free]) {
        free++;
      }
      if (free < MOST && !result.containsKey(track.id())) {
        result.put(track.id(), free);
        taken[free] = true;
      }
    }
    return new Parts(Map.copyOf(result));
  }

  private boolean isOf(Song song) {
    return parts.size() == Math.min(MOST, song.tracks().size())
        && song.tracks().stream().limit(MOST).allMatch(t -> parts.containsKey(t.id()));
  }

  /**
   * The parts of a song that is heard beside this one: such as nothing of this one has, as far as
   * there are any.
   */
  public Parts beside(Song other) {
    Map<TrackId, Integer> result = new HashMap<>();
    List<Integer> free =
        IntStream.range(0, MOST)
            .boxed()
            .sorted(
                Comparator.<Integer, Boolean>comparing(parts::containsValue)
                    .thenComparing(Comparator.reverseOrder()))
            .toList();
    for (int i = 0; i < Math.min(MOST, other.tracks().size()); i++) {
      result.put(other.tracks().get(i).id(), free.get(i));
    }
    return new Parts(Map.copyOf(result));
  }

  /** The part of a track; empty for one beyond those that can sound. */
  public OptionalInt of(Track track) {
    Integer part = parts.get(track.id());
    return part == null ? OptionalInt.empty() : OptionalInt.of(part);
  }

  /** How many tracks of a song can't sound. */
  public static int silent(Song song) {
    return Math.max(0, song.tracks().size() - MOST);
  }

  /**
   * The parts that what controllers do on a track is meant for: as in a MIDI file, all of its
   * channel that have its sound. A piano's two hands on two tracks have one pedal; but tracks that
   * share a channel only because there are no more have a sound each, and a pedal each.
   */
  List<Integer> movedBy(Song song, Track track) {
    return song.tracks().stream()
        .filter(t -> t.channel() == track.channel())
        .filter(t -> t.instrument().equals(track.instrument()))
        .flatMapToInt(t -> of(t).stream())
        .boxed()
        .toList();
  }
}
