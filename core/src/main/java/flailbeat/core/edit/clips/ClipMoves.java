package flailbeat.core.edit.clips;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.Ids;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Whole clips moved and copied. {@link Landing} says what becomes of those where they come to lie.
 */
public final class ClipMoves {
  private ClipMoves() {}

  /**
   * How far clips can be moved together.
   *
   * @param back how many ticks towards the song's start, 0 or more, as far as what is in them;
   *     {@code on} towards its end
   * @param up how many tracks up the song's list, 0 or more; {@code down} down
   */
  public record Room(long back, long on, int up, int down) {
    /** As near to a wanted move in time as there is room. */
    public long ticks(long wanted) {
      return Math.clamp(wanted, -back, on);
    }

    /** As near to a wanted move over tracks as there is room. */
    public int tracks(int wanted) {
      return Math.clamp(wanted, -up, down);
    }
  }

  /** How far clips of a song can be moved together. */
  public static Room room(Song song, Set<ClipId> ids) {
    long back = Long.MAX_VALUE;
    long on = Long.MAX_VALUE;
    int up = Integer.MAX_VALUE;
    int down = 0;
    boolean found = false;
    for (int i = 0; i < song.tracks().size(); i++) {
      for (Clip clip : song.tracks().get(i).clips()) {
        if (ids.contains(clip.id())) {
          found = true;
          back = Math.min(back, clip.start() + silentStart(clip));
          on = Math.min(on, Ticks.LAST - clip.start() - lastTick(clip));
          up = Math.min(up, i);
          down = i;
        }
      }
    }
    return found
        ? new Room(back, Math.max(0, on), up, song.tracks().size() - 1 - down)
        : new Room(0, 0, 0, 0);
  }

  /** How long nothing is in a clip from its start on, in any version: so much of it can go. */
  private static long silentStart(Clip clip) {
    if (clip.loops() || clip.isEmpty()) {
      return 0;
    }
    long first = begins(clip.content());
    for (Take take : clip.takes().others()) {
      first = Math.min(first, begins(take.content()));
    }
    return Math.clamp(first, 0, Math.max(0, clip.length() - 1));
  }

  private static long begins(Content content) {
    long note = content.notes().isEmpty() ? Long.MAX_VALUE : content.notes().getFirst().onset();
    return content.controls().isEmpty()
        ? note
        : Math.min(note, content.controls().getFirst().tick());
  }

  /** A clip moved in time; what would lie before the song's start, where nothing is, goes. */
  private static Clip moved(Clip clip, long by, Ids ids) {
    long before = -(clip.start() + by);
    if (before <= 0) {
      return clip.at(clip.start() + by);
    }
    Clip own = ClipEdits.own(clip, ids);
    return own.over(new TickRange(own.start() + before, own.end())).at(0);
  }

  /** How many ticks of the song a clip needs for what is in it. */
  static long lastTick(Clip clip) {
    long end = clip.content().end();
    for (Take take : clip.takes().others()) {
      end = Math.max(end, take.content().end());
    }
    return Math.max(end, 1);
  }

  /** The same, laid over what is there. */
  public static Song move(Song song, Set<ClipId> clips, long ticks, int tracks) {
    return move(song, clips, ticks, tracks, Landing.OVER);
  }

  /**
   * Moves clips together, no farther than the song reaches and no farther than there are tracks.
   * Where nothing is at their start they can go on beyond the song's, which cuts that away. One
   * that leaves the track on which others share its content shares it no more.
   *
   * @param tracks by so many tracks down the song's list, or up where less than 0
   */
  public static Song move(Song song, Set<ClipId> clips, long ticks, int tracks, Landing landing) {
    Room room = room(song, clips);
    long by = room.ticks(ticks);
    int down = room.tracks(tracks);
    if (by == 0 && down == 0) {
      return song;
    }
    Ids ids = new Ids(song.nextId());
    Map<Integer, List<Clip>> coming = new HashMap<>();
    List<Track> left = new ArrayList<>(song.tracks().size());
    for (int i = 0; i < song.tracks().size(); i++) {
      Track track = song.tracks().get(i);
      Track open = down == 0 ? track : ClipEdits.unlinked(track, leaving(track, clips), ids);
      for (Clip clip : open.clips()) {
        if (clips.contains(clip.id())) {
          coming.computeIfAbsent(i + down, x -> new ArrayList<>()).add(moved(clip, by, ids));
        }
      }
      left.add(without(open, clips));
    }
    coming.forEach((i, come) -> left.set(i, landing.on(left.get(i), come, song.meters(), ids)));
    return ids.recordedIn(song.withTracks(left));
  }

  /** Those whose content others share that stay. */
  private static Set<ClipId> leaving(Track track, Set<ClipId> clips) {
    Set<ClipId> result = new HashSet<>();
    for (Clip clip : track.clips()) {
      boolean some =
          clips.contains(clip.id())
              && track.links().all(clip).stream().anyMatch(c -> !clips.contains(c.id()));
      if (some) {
        result.add(clip.id());
      }
    }
    return result;
  }

  /** A track without some clips. */
  static Track without(Track track, Set<ClipId> gone) {
    List<Clip> left = track.clips().stream().filter(c -> !gone.contains(c.id())).toList();
    return left.size() == track.clips().size() ? track : track.withClips(left);
  }

  /** The same, laid over what is there, with content of their own. */
  public static Song copy(Song song, Set<ClipId> clips, long ticks, int tracks) {
    return copy(song, clips, ticks, tracks, false, Landing.OVER);
  }

  /**
   * Lays copies of clips elsewhere, under new ids, as {@link #move} would move them.
   *
   * @param linked whether they share what is in them with those that they are copies of
   */
  public static Song copy(
      Song song, Set<ClipId> clips, long ticks, int tracks, boolean linked, Landing landing) {
    Room room = room(song, clips);
    long by = Math.max(room.ticks(ticks), -start(song, clips));
    int down = room.tracks(tracks);
    if (by == 0 && down == 0) {
      return song;
    }
    return ClipPattern.of(song, clips)
        .map(
            p ->
                p.laidInto(
                    song, start(song, clips) + by, first(song, clips) + down, 1, linked, landing))
        .orElse(song);
  }

  /** Where the first of some clips begins; 0 for none. */
  public static long start(Song song, Set<ClipId> clips) {
    return song.tracks().stream()
        .flatMap(t -> t.clips().stream())
        .filter(c -> clips.contains(c.id()))
        .mapToLong(Clip::start)
        .min()
        .orElse(0);
  }

  /** The number of the first track that has any of them; 0 for none. */
  public static int first(Song song, Set<ClipId> clips) {
    for (int i = 0; i < song.tracks().size(); i++) {
      if (song.tracks().get(i).clips().stream().anyMatch(c -> clips.contains(c.id()))) {
        return i;
      }
    }
    return 0;
  }
}
