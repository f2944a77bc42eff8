package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/** Whole bars before the first note of some tracks, and those tracks without them. */
public final class SilentStart {
  private SilentStart() {}

  /**
   * How long it is, in ticks. What is in any take counts. A clip that loops, or that has
   * controllers alone, stays whole.
   */
  public static long of(Song song, List<Track> tracks) {
    MeterMap meters = song.meters();
    long result = Long.MAX_VALUE;
    for (Track track : tracks) {
      for (Clip clip : track.clips()) {
        long first = firstNote(clip);
        boolean whole = clip.loops() && first < Long.MAX_VALUE || first >= clip.end();
        if (!clip.isEmpty()) {
          long from = whole ? clip.start() : first;
          result = Math.min(result, meters.barRangeAt(from).start());
        }
      }
    }
    return result == Long.MAX_VALUE ? 0 : result;
  }

  private static long firstNote(Clip clip) {
    return contents(clip)
        .filter(c -> !c.notes().isEmpty())
        .mapToLong(c -> clip.start() + c.notes().getFirst().onset())
        .min()
        .orElse(Long.MAX_VALUE);
  }

  private static Stream<Content> contents(Clip clip) {
    return Stream.concat(
        Stream.of(clip.content()), clip.takes().others().stream().map(Take::content));
  }

  /**
   * All of some tracks so much earlier, with their lyrics and what else files brought; what
   * controllers were set to before holds from the start. Empty clips that lie before it go. O(1)
   * for each clip that begins after it.
   *
   * @param ticks as {@link #of} gives it, or less
   * @param withSong whether tempos, meters and markers come earlier as well
   */
  public static Song trim(Song song, Set<TrackId> tracks, long ticks, boolean withSong) {
    if (ticks <= 0) {
      return song;
    }
    TimeShift shift = TimeShift.closing(new TickRange(0, ticks));
    Ids ids = new Ids(song.nextId());
    Song trimmed = song.mapTracks(t -> tracks.contains(t.id()) ? shift.applyTo(t, ids) : t);
    return ids.recordedIn(withSong ? shift.withoutTracks(trimmed) : trimmed);
  }
}
