package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Whole clips moved, copied and split. One rule says what becomes of others where they come to lie:
 * they are laid over them, and what lies under is cut away. What is left of a clip keeps its id in
 * its first piece; a loop that is cut in the middle of a round goes on as notes of its own. After
 * the clip that lies over them, controllers hold what they held there before.
 */
public final class ClipMoves {
  private ClipMoves() {}

  /**
   * Moves clips together, no farther than the song reaches and no farther than there are tracks.
   *
   * @param tracks by so many tracks down the song's list, or up where less than 0
   */
  public static Song move(Song song, Set<ClipId> clips, long ticks, int tracks) {
    Carried carried = Carried.of(song, clips, ticks, tracks);
    if (carried.isNothing()) {
      return song;
    }
    Ids ids = new Ids(song.nextId());
    return ids.recordedIn(carried.laidInto(song, clips, ids, false));
  }

  /** Lays copies of clips elsewhere, under new ids, as {@link #move} would move them. */
  public static Song copy(Song song, Set<ClipId> clips, long ticks, int tracks) {
    Carried carried = Carried.of(song, clips, ticks, tracks);
    if (carried.isNothing()) {
      return song;
    }
    Ids ids = new Ids(song.nextId());
    return ids.recordedIn(carried.laidInto(song, Set.of(), ids, true));
  }

  /** Splits clips in two where a tick lies within them. */
  public static Song split(Song song, Set<ClipId> clips, long tick) {
    Ids ids = new Ids(song.nextId());
    return ids.recordedIn(
        song.mapTracks(
            t -> {
              List<Clip> result = new ArrayList<>();
              for (Clip clip : t.clips()) {
                boolean within = tick > clip.start() && tick < clip.end();
                result.addAll(
                    within && clips.contains(clip.id())
                        ? without(clip, List.of(new TickRange(tick, tick)), ids)
                        : List.of(clip));
              }
              return result.size() == t.clips().size() ? t : t.withClips(result);
            }));
  }

  /** Clips in the hand, as far as they can be moved. */
  private record Carried(Map<Integer, List<Clip>> byTrack, long ticks, int tracks) {
    static Carried of(Song song, Set<ClipId> ids, long ticks, int tracks) {
      Map<Integer, List<Clip>> found = new HashMap<>();
      long back = Long.MAX_VALUE;
      long on = Long.MAX_VALUE;
      int up = Integer.MAX_VALUE;
      int down = 0;
      for (int i = 0; i < song.tracks().size(); i++) {
        for (Clip clip : song.tracks().get(i).clips()) {
          if (ids.contains(clip.id())) {
            found.computeIfAbsent(i, x -> new ArrayList<>()).add(clip);
            back = Math.min(back, clip.start());
            on = Math.min(on, Ticks.LAST - lastTick(clip));
            up = Math.min(up, i);
            down = i;
          }
        }
      }
      return found.isEmpty()
          ? new Carried(found, 0, 0)
          : new Carried(
              found,
              Math.clamp(ticks, -back, Math.max(0, on)),
              Math.clamp(tracks, -up, song.tracks().size() - 1 - down));
    }

    /** The last tick that a clip needs in the song. */
    private static long lastTick(Clip clip) {
      long end = clip.content().end();
      for (Take take : clip.takes().others()) {
        end = Math.max(end, take.content().end());
      }
      return clip.start() + Math.max(end, 1);
    }

    boolean isNothing() {
      return byTrack.isEmpty() || ticks == 0 && tracks == 0;
    }

    Song laidInto(Song song, Set<ClipId> leaving, Ids ids, boolean fresh) {
      List<Track> result = new ArrayList<>(song.tracks().size());
      for (int i = 0; i < song.tracks().size(); i++) {
        Track rest = withoutClips(song.tracks().get(i), leaving);
        List<Clip> coming = new ArrayList<>();
        for (Clip clip : byTrack.getOrDefault(i - tracks, List.of())) {
          Clip there = clip.at(clip.start() + ticks);
          coming.add(fresh ? underNewIds(there, ids) : there);
        }
        result.add(coming.isEmpty() ? rest : laidOver(rest, coming, song.meters(), ids));
      }
      return song.withTracks(result);
    }
  }

  private static Track withoutClips(Track track, Set<ClipId> gone) {
    List<Clip> left = track.clips().stream().filter(c -> !gone.contains(c.id())).toList();
    return left.size() == track.clips().size() ? track : track.withClips(left);
  }

  private static Clip underNewIds(Clip clip, Ids ids) {
    List<Take> others =
        clip.takes().others().stream()
            .map(t -> new Take(t.number(), underNewIds(t.content(), ids)))
            .toList();
    return clip.withId(ids.clip())
        .hearing(underNewIds(clip.content(), ids), new Takes(clip.takes().active(), others));
  }

  private static Content underNewIds(Content content, Ids ids) {
    return Content.of(
        content.notes().stream().map(n -> n.withId(ids.note())).toList(),
        content.controls().stream()
            .map(p -> new ControlPoint(ids.control(), p.tick(), p.control()))
            .toList());
  }

  /** A track with clips laid over what it has. */
  static Track laidOver(Track track, List<Clip> coming, MeterMap meters, Ids ids) {
    List<TickRange> covered = coming.stream().map(Clip::range).toList();
    List<Clip> result = new ArrayList<>(coming);
    for (Clip clip : track.clips()) {
      boolean free = covered.stream().noneMatch(r -> r.overlaps(clip.range()));
      result.addAll(free ? List.of(clip) : without(clip, covered, ids));
    }
    result.sort(Comparator.comparingLong(Clip::start));
    Track laid = track.withClips(result);
    for (Clip clip : coming) {
      laid = holding(track, laid, clip, meters, ids);
    }
    return laid;
  }

  /** Sets controllers again after a clip, as far as it lies over what set them. */
  private static Track holding(Track before, Track laid, Clip over, MeterMap meters, Ids ids) {
    TickRange range = over.range();
    boolean goesOn = before.clipAt(range.end()).filter(c -> c.start() < range.end()).isPresent();
    boolean began = before.clipAt(range.start()).filter(c -> c.start() < range.start()).isPresent();
    if (!goesOn && !began) {
      return laid;
    }
    List<NewControl> own =
        over.placed().controls().stream().map(p -> new NewControl(p.tick(), p.control())).toList();
    List<NewControl> set = new ArrayList<>();
    for (NewControl each : HeldControls.around(before, laid, range, c -> true, own)) {
      if (each.tick() == range.start() && began) {
        // What is let go there is let go by what went before.
        set.add(new NewControl(range.start() - 1, each.control()));
      } else if (each.tick() >= range.end() - 1 && goesOn) {
        set.add(new NewControl(range.end(), each.control()));
      }
    }
    return set.isEmpty()
        ? laid
        : ClipEdits.withControls(laid, SongEdits.named(set, ids), meters, ids);
  }

  /**
   * What is left of a clip where stretches of it are cut away, in order.
   *
   * @param covered in order and apart; one of no length splits it and takes nothing
   */
  private static List<Clip> without(Clip clip, List<TickRange> covered, Ids ids) {
    List<Clip> result = new ArrayList<>();
    long from = clip.start();
    for (TickRange range :
        covered.stream().sorted(Comparator.comparingLong(TickRange::start)).toList()) {
      if (range.start() > from && range.start() < clip.end()) {
        add(result, clip, from, range.start(), ids);
      }
      from = Math.max(from, Math.min(range.end(), clip.end()));
    }
    if (from < clip.end()) {
      add(result, clip, from, clip.end(), ids);
    }
    return result;
  }

  /** Adds a piece of a clip: the first of them keeps its id. */
  private static void add(List<Clip> pieces, Clip clip, long from, long to, Ids ids) {
    Clip piece =
        clip.loops() ? pieceOfLoop(clip, from, to, !pieces.isEmpty(), ids) : clip.part(from, to);
    pieces.add(pieces.isEmpty() ? piece.withId(clip.id()) : piece.withId(ids.clip()));
  }

  /** From the start of a round it goes on as a loop; else its rounds become notes of their own. */
  private static Clip pieceOfLoop(Clip clip, long from, long to, boolean again, Ids ids) {
    if ((from - clip.start()) % clip.period() == 0) {
      Clip loop = clip.lasting(to - from, clip.period()).at(from);
      return again ? underNewIds(loop, ids) : loop;
    }
    Clip piece = ClipEdits.writtenOut(clip, ids).part(from, to);
    return again ? underNewIds(piece, ids) : piece;
  }
}
