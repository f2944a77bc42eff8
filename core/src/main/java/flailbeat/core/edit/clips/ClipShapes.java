package flailbeat.core.edit.clips;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.Ids;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;

/** What is done to the stretches of clips: longer, shorter, looped, split, joined, taken away. */
public final class ClipShapes {
  /** No clip is made shorter by its edges. */
  public static final long SHORTEST = Clip.SHORTEST_PERIOD;

  private ClipShapes() {}

  /** Whether a clip that is made longer than its content begins anew, or is silent there. */
  public enum Beyond {
    LOOP,
    SILENCE
  }

  /**
   * Moves the ends of clips, up to their neighbours. Notes that begin beyond an end are kept and do
   * not sound until it is long enough again. One that becomes longer than what is in it begins anew
   * there, with the bars that its content fills as its period.
   */
  public static Song resizeEnd(Song song, Set<ClipId> ids, long ticks, Beyond beyond) {
    return change(
        song,
        ids,
        (track, clip) -> {
          long most = Math.max(clip.length(), room(track, clip));
          long length = Math.clamp(clip.length() + ticks, Math.min(SHORTEST, most), most);
          long period = period(clip, song.meters());
          boolean loops =
              beyond == Beyond.LOOP && !clip.loops() && !clip.isEmpty() && length > period;
          return loops ? clip.lasting(length, period) : clip.lasting(length, clip.period());
        });
  }

  /**
   * Gives a clip a length, up to its neighbour. What begins beyond its end is kept, and sounds
   * again once it is long enough.
   *
   * @param length in ticks, 1 or more
   */
  public static Song resize(Song song, ClipId id, long length) {
    return change(song, Set.of(id), (t, c) -> lasting(t, c, length, c.period()));
  }

  /**
   * Lets a clip loop, up to its neighbour.
   *
   * @param period after how many ticks it begins anew; {@link Clip#NEVER} for no longer
   */
  public static Song loop(Song song, ClipId id, long period, long length) {
    return change(song, Set.of(id), (t, c) -> lasting(t, c, length, period));
  }

  private static Clip lasting(Track track, Clip clip, long length, long period) {
    long most = Math.max(1, room(track, clip));
    Clip result = clip.lasting(Math.clamp(length, 1, most), period);
    return result.equals(clip) ? clip : result;
  }

  /** After how many ticks a clip would begin anew: its length, or all bars that it plays in. */
  private static long period(Clip clip, MeterMap meters) {
    long bars =
        meters.wholeBars(new TickRange(clip.start(), clip.start() + clip.contentEnd())).end()
            - clip.start();
    return Math.max(SHORTEST, clip.contentEnd() > clip.length() ? bars : clip.length());
  }

  private static long room(Track track, Clip clip) {
    long next = Ticks.LAST;
    for (Clip other : track.clips()) {
      next = other.start() > clip.start() ? Math.min(next, other.start()) : next;
    }
    return next - clip.start();
  }

  /**
   * Moves the starts of clips, up to their neighbours; what is in them stays where it sounds. What
   * began before a later start is gone. A loop becomes longer by whole rounds; where it is cut in
   * the middle of a round, its rounds become notes of their own. A clip shares its content no more.
   */
  public static Song resizeStart(Song song, Set<ClipId> ids, long ticks) {
    Ids fresh = new Ids(song.nextId());
    return fresh.recordedIn(
        change(
            song,
            ids,
            (track, clip) -> {
              long before = 0;
              for (Clip other : track.clips()) {
                before = other.end() <= clip.start() ? Math.max(before, other.end()) : before;
              }
              long latest = Math.max(clip.start(), clip.end() - SHORTEST);
              long start = Math.clamp(clip.start() + ticks, before, latest);
              if (start == clip.start()) {
                return clip;
              }
              Clip own = ClipEdits.own(clip, fresh);
              if (start > clip.start()) {
                return Landing.without(own, List.of(new TickRange(own.start(), start)), fresh)
                    .getFirst();
              }
              if (!own.loops()) {
                return own.over(new TickRange(start, own.end()));
              }
              long rounds = (own.start() - start) / own.period();
              long earlier = rounds * own.period();
              return own.at(own.start() - earlier).lasting(own.length() + earlier, own.period());
            }));
  }

  /** Splits clips in two where a tick lies within them. */
  public static Song split(Song song, Set<ClipId> ids, long tick) {
    return split(song, ids, clip -> List.of(tick));
  }

  /** Splits clips at every bar line within them. */
  public static Song splitAtBars(Song song, Set<ClipId> ids) {
    MeterMap meters = song.meters();
    return split(
        song,
        ids,
        clip -> {
          List<Long> lines = new ArrayList<>();
          for (long line = meters.barRangeAt(clip.start()).end();
              line < Math.min(clip.end(), Ticks.LAST);
              line = meters.barRangeAt(line).end()) {
            lines.add(line);
          }
          return lines;
        });
  }

  private interface Lines {
    List<Long> of(Clip clip);
  }

  private static Song split(Song song, Set<ClipId> ids, Lines lines) {
    Ids fresh = new Ids(song.nextId());
    return fresh.recordedIn(
        song.mapTracks(
            t -> {
              List<Clip> result = new ArrayList<>();
              for (Clip clip : t.clips()) {
                List<TickRange> at =
                    !ids.contains(clip.id())
                        ? List.of()
                        : lines.of(clip).stream()
                            .filter(tick -> tick > clip.start() && tick < clip.end())
                            .map(tick -> new TickRange(tick, tick))
                            .toList();
                result.addAll(at.isEmpty() ? List.of(clip) : Landing.without(clip, at, fresh));
              }
              return result.size() == t.clips().size() ? t : t.withClips(result);
            }));
  }

  /**
   * Joins clips that follow one another on a track, with what lies between them, into one; where a
   * clip that is not among them lies between, on either side of it.
   */
  public static Song join(Song song, Set<ClipId> ids) {
    Ids fresh = new Ids(song.nextId());
    return fresh.recordedIn(
        song.mapTracks(
            t -> {
              List<Clip> result = new ArrayList<>();
              boolean open = false;
              for (Clip clip : t.clips()) {
                boolean meant = ids.contains(clip.id());
                boolean joins = meant && open;
                result.add(joins ? ClipEdits.joined(result.removeLast(), clip, fresh) : clip);
                open = meant;
              }
              return result.size() == t.clips().size() ? t : t.withClips(result);
            }));
  }

  /**
   * Has two clips that follow one another on a track change places: the later begins where the
   * earlier did, and the earlier ends where the later did. Of one clip alone, it and the next.
   */
  public static Song swap(Song song, Set<ClipId> ids) {
    return song.mapTracks(
        t -> {
          List<Clip> clips = t.clips();
          List<Integer> meant = new ArrayList<>();
          for (int i = 0; i < clips.size(); i++) {
            if (ids.contains(clips.get(i).id())) {
              meant.add(i);
            }
          }
          int first = meant.isEmpty() ? -1 : meant.getFirst();
          boolean pair =
              meant.size() == 2 && meant.get(1) == first + 1
                  || meant.size() == 1 && first + 1 < clips.size();
          if (!pair) {
            return t;
          }
          Clip a = clips.get(first);
          Clip b = clips.get(first + 1);
          List<Clip> result = new ArrayList<>(clips);
          result.set(first, b.at(a.start()));
          result.set(first + 1, a.at(b.end() - a.length()));
          return t.withClips(result);
        });
  }

  /**
   * Takes clips away.
   *
   * @param closes whether what comes after them on their track comes as much earlier
   */
  public static Song delete(Song song, Set<ClipId> ids, boolean closes) {
    return song.mapTracks(
        t -> {
          Track left = ClipMoves.without(t, ids);
          if (left == t || !closes) {
            return left;
          }
          List<Clip> gone = t.clips().stream().filter(c -> ids.contains(c.id())).toList();
          List<Clip> result = new ArrayList<>();
          for (Clip clip : left.clips()) {
            long earlier =
                gone.stream().filter(g -> g.start() < clip.start()).mapToLong(Clip::length).sum();
            result.add(clip.at(clip.start() - earlier));
          }
          return left.withClips(result);
        });
  }

  /** Changes how clips are called and heard; what is in them stays as it is. */
  public static Song traits(Song song, Set<ClipId> ids, UnaryOperator<ClipTraits> change) {
    return change(
        song, ids, (t, c) -> c.withTraits(change.apply(c.traits()).withLink(c.traits().link())));
  }

  /** Writes how clips are transposed and how loud they are into their notes. */
  public static Song settle(Song song, Set<ClipId> ids) {
    Ids fresh = new Ids(song.nextId());
    return fresh.recordedIn(
        song.mapTracks(
            t -> {
              Set<ClipId> meant = new HashSet<>();
              t.clips().stream()
                  .filter(c -> ids.contains(c.id()) && c.traits().changesNotes())
                  .forEach(c -> meant.add(c.id()));
              Track open = ClipEdits.unlinked(t, meant, fresh);
              return meant.isEmpty()
                  ? t
                  : open.withClips(
                      open.clips().stream()
                          .map(c -> meant.contains(c.id()) ? c.settled() : c)
                          .toList());
            }));
  }

  /** Has clips share what is in them with no others any more. */
  public static Song unlink(Song song, Set<ClipId> ids) {
    Ids fresh = new Ids(song.nextId());
    return fresh.recordedIn(song.mapTracks(t -> ClipEdits.unlinked(t, ids, fresh)));
  }

  private static Song change(Song song, Set<ClipId> ids, BiFunction<Track, Clip, Clip> change) {
    return song.mapTracks(
        t -> {
          List<Clip> result = new ArrayList<>(t.clips());
          boolean same = true;
          for (int i = 0; i < result.size(); i++) {
            Clip clip = result.get(i);
            Clip changed = ids.contains(clip.id()) ? change.apply(t, clip) : clip;
            same &= changed == clip;
            result.set(i, changed);
          }
          return same ? t : t.withClips(result);
        });
  }
}
