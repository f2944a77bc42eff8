package flailbeat.core.edit.clips;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.Ids;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.model.sound.Instrument;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Clips in the hand, to be laid down again and again: as they lie to one another, over one or
 * several tracks. Immutable; it is no part of a song, and can be laid into any.
 *
 * @param parts at least one
 * @param span from where the first begins to where the last ends; each next laying begins so much
 *     later
 */
public record ClipPattern(List<Part> parts, long span) {
  /**
   * One of the clips.
   *
   * @param track by how many tracks it lies below the first, 0 or more
   * @param clip begins at tick 0 where the first does
   */
  public record Part(int track, Clip clip) {}

  public ClipPattern {
    parts = List.copyOf(parts);
    if (parts.isEmpty() || span < 1) {
      throw new IllegalArgumentException("There is no clip to lay down");
    }
  }

  /** The clips of some ids as they lie in a song; empty where it has none of them. */
  public static Optional<ClipPattern> of(Song song, Set<ClipId> ids) {
    List<Part> found = new ArrayList<>();
    int first = -1;
    long start = Long.MAX_VALUE;
    long end = 0;
    for (int i = 0; i < song.tracks().size(); i++) {
      for (Clip clip : song.tracks().get(i).clips()) {
        if (ids.contains(clip.id())) {
          first = first < 0 ? i : first;
          start = Math.min(start, clip.start());
          end = Math.max(end, clip.end());
          found.add(new Part(i - first, clip));
        }
      }
    }
    if (found.isEmpty()) {
      return Optional.empty();
    }
    long from = start;
    List<Part> parts =
        found.stream().map(p -> new Part(p.track(), p.clip().at(p.clip().start() - from))).toList();
    return Optional.of(new ClipPattern(parts, Math.max(1, end - from)));
  }

  /** All clips of a song, as they lie there; empty where it has none. */
  public static Optional<ClipPattern> of(Song song) {
    return of(
        song,
        song.tracks().stream()
            .flatMap(t -> t.clips().stream())
            .map(Clip::id)
            .collect(Collectors.toSet()));
  }

  /** A song of these clips and nothing else, from its start on. */
  public Song toSong(String title) {
    List<Track> tracks = new ArrayList<>();
    for (int i = 0; i <= lastTrack(); i++) {
      tracks.add(
          Track.empty(new TrackId(i + 1L), "Track " + (i + 1), Instrument.melodic(0), i % 9));
    }
    Song empty = Song.empty().withTitle(title).withTracks(tracks).withNextId(lastTrack() + 2L);
    return laidInto(empty, 0, 0, 1, false, Landing.OVER);
  }

  /** By how many tracks the last of its clips lies below the first. */
  public int lastTrack() {
    return parts.stream().mapToInt(Part::track).max().orElse(0);
  }

  /** How many of its clips find no track in a song of so many, laid from one on. */
  public int leftOut(int track, int tracks) {
    return (int) parts.stream().filter(p -> track + p.track() >= tracks).count();
  }

  /** The track nearest to a wanted one from which on all its clips find one, if there is any. */
  public int trackFor(int wanted, int tracks) {
    return Math.clamp(wanted, 0, Math.max(0, tracks - 1 - lastTrack()));
  }

  /**
   * How many times it can be laid one behind the other from a tick on, as far as a song reaches.
   */
  public int mostTimes(long tick) {
    long need = 1;
    for (Part part : parts) {
      need = Math.max(need, ClipMoves.lastTick(part.clip()));
    }
    long most = tick + need > Ticks.LAST ? 0 : (Ticks.LAST - need - tick) / span + 1;
    return (int) Math.min(most, Integer.MAX_VALUE);
  }

  /**
   * Lays it into a song, one behind the other.
   *
   * @param tick where the first laying begins
   * @param track the number of the track for its first clips; those that would lie below the last
   *     are left out
   * @param times 1 or more; no more than {@link #mostTimes}
   * @param linked whether all that is laid of a clip shares what is in it, also with the clip that
   *     it was taken from where that is on the track still as it was
   */
  public Song laidInto(
      Song song, long tick, int track, int times, boolean linked, Landing landing) {
    int count = Math.min(times, mostTimes(tick));
    if (count < 1) {
      return song;
    }
    Ids ids = new Ids(song.nextId());
    Map<Integer, List<Clip>> coming = new HashMap<>();
    Map<ClipId, Long> newLinks = new HashMap<>();
    for (Part part : parts) {
      int on = track + part.track();
      if (on >= 0 && on < song.tracks().size()) {
        List<Clip> all = copies(part.clip(), song.tracks().get(on), linked, count, ids, newLinks);
        for (int i = 0; i < count; i++) {
          Clip copy = all.get(i);
          coming
              .computeIfAbsent(on, x -> new ArrayList<>())
              .add(copy.at(tick + i * span + part.clip().start()));
        }
      }
    }
    List<Track> tracks = new ArrayList<>(song.tracks());
    coming.forEach(
        (on, clips) ->
            tracks.set(
                on, landing.on(withLinks(tracks.get(on), newLinks), clips, song.meters(), ids)));
    return ids.recordedIn(song.withTracks(tracks));
  }

  /** The clips that are laid of one, not yet in their places. */
  private static List<Clip> copies(
      Clip clip, Track on, boolean linked, int count, Ids ids, Map<ClipId, Long> newLinks) {
    Optional<Clip> there =
        linked ? on.clip(clip.id()).filter(c -> c.sharesWith(clip)) : Optional.empty();
    long link = ClipTraits.UNLINKED;
    if (linked) {
      link =
          there.filter(c -> c.traits().isLinked()).map(c -> c.traits().link()).orElseGet(ids::link);
    }
    if (there.isPresent()) {
      newLinks.put(clip.id(), link);
    }
    Clip shared = there.isPresent() || !linked ? clip : ClipEdits.withNewIds(clip, ids);
    List<Clip> result = new ArrayList<>(count);
    for (int i = 0; i < count; i++) {
      Clip copy = linked ? shared : ClipEdits.withNewIds(clip, ids);
      result.add(copy.withId(ids.clip()).withTraits(clip.traits().withLink(link)));
    }
    return result;
  }

  private static Track withLinks(Track track, Map<ClipId, Long> links) {
    boolean any = track.clips().stream().anyMatch(c -> links.containsKey(c.id()));
    return any
        ? track.withClips(
            track.clips().stream()
                .map(
                    c ->
                        links.containsKey(c.id())
                            ? c.withTraits(c.traits().withLink(links.get(c.id())))
                            : c)
                .toList())
        : track;
  }
}
