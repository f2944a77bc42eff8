package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.ClipTraits;
import flailbeat.core.model.Content;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Layout;
import flailbeat.core.model.Links;
import flailbeat.core.model.Note;
import flailbeat.core.model.Song;
import flailbeat.core.model.Take;
import flailbeat.core.model.Takes;
import flailbeat.core.model.Track;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.Stream;

/**
 * Where clips stand, and what belongs to which of them.
 *
 * <ul>
 *   <li>A note or control point belongs to the clip in which it begins. One that is moved out goes
 *       to the clip that is there or, where none is, to a new clip of that bar.
 *   <li>A clip keeps its length unless the person moves its end, or something new that is entered
 *       or recorded begins beyond it where no other clip lies. Then it grows by bars, up to its
 *       neighbour; but one that loops, has takes, shares its content with others or keeps something
 *       beyond its end does not: a new clip is made. {@link Placing} decides this, and nothing else
 *       does.
 *   <li>What comes to stand in a later round of a loop stands at that place in every round, and
 *       what comes to stand in one of the clips that share their content ({@link
 *       flailbeat.core.model.Links}) stands in all of them. What is entered over several rounds,
 *       and an edit of a stretch, as recording is, first write the loops that they meet out: their
 *       rounds become notes of their own, under new ids. So do clips that share their content,
 *       where several of them are met; a loop that is written out shares it no more.
 *   <li>Clips that overlap in a file become one: with what sounded in any of them, and with all
 *       that did not sound as takes. Clips that are moved are laid over others: {@code edit.clips}.
 * </ul>
 */
public final class ClipEdits {
  private ClipEdits() {}

  /**
   * Puts notes and control points, in song time, in place of those that have their ids, and finds a
   * clip for each; ids that none has are passed over. A note that would come to begin where another
   * of its pitch begins stays as it is.
   */
  public static Song put(Song song, Collection<Note> notes, Collection<ControlPoint> controls) {
    if (notes.isEmpty() && controls.isEmpty()) {
      return song;
    }
    Ids ids = new Ids(song.nextId());
    ById<Note> changed = ById.of(notes);
    ById<ControlPoint> moved = ById.of(controls);
    return ids.recordedIn(
        song.mapTracks(
            t -> new Placing(t, song.meters(), ids).put(OnePitch.free(t, changed), moved).track()));
  }

  /** A track with control points entered, in song time, each in a clip. */
  public static Track withControls(
      Track track, Collection<ControlPoint> added, MeterMap meters, Ids ids) {
    return new Placing(track, meters, ids).enter(List.of(), added).track();
  }

  /** Adds an empty clip over a range of a track; nothing where there is one already. */
  public static Song addEmpty(Song song, TrackId track, TickRange range) {
    return onTrack(
        song,
        track,
        (t, ids) -> {
          boolean taken = t.clips().stream().anyMatch(c -> c.range().overlaps(range));
          if (taken || range.length() == 0) {
            return t;
          }
          List<Clip> clips = new ArrayList<>(t.clips());
          clips.add(Clip.of(ids.clip(), range, List.of()));
          clips.sort(Comparator.comparingLong(Clip::start));
          return t.withClips(clips);
        });
  }

  /**
   * Clips in order and apart, as a file may not have them: those that overlap become one. Clips
   * that are moved are laid over others instead, by {@code edit.clips}.
   */
  public static List<Clip> withoutOverlaps(List<Clip> clips, Ids ids) {
    List<Clip> result = new ArrayList<>();
    for (Clip clip : clips.stream().sorted(Comparator.comparingLong(Clip::start)).toList()) {
      boolean overlaps = !result.isEmpty() && result.getLast().end() > clip.start();
      result.add(overlaps ? joined(result.removeLast(), clip, ids) : clip);
    }
    return result;
  }

  /** Two clips as one, the first of which starts no later. */
  public static Clip joined(Clip first, Clip second, Ids ids) {
    Clip a = writtenOut(own(first, ids), ids).settled();
    Clip b = writtenOut(own(second, ids), ids).settled();
    long later = b.start() - a.start();
    List<Take> others = new ArrayList<>(a.takes().others());
    int number = a.takes().last();
    for (Take take : b.takes().others()) {
      others.add(new Take(++number, take.content().shifted(later)));
    }
    for (Clip clip : List.of(a, b)) {
      Content rest = clip.content().part(new TickRange(clip.length(), Clip.NEVER));
      if (!rest.isEmpty()) {
        others.add(new Take(++number, rest.shifted(clip.start() - a.start())));
      }
    }
    Content added = written(b, b.content(), ids).shifted(later);
    return new Clip(
        a.id(),
        a.start(),
        a.range().span(b.range()).length(),
        Clip.NEVER,
        written(a, a.content(), ids).with(added.notes(), added.controls()),
        new Takes(a.takes().active(), others),
        a.traits());
  }

  /** A track with the loops that a stretch meets written out: rounds become notes of their own. */
  public static Track writtenOut(Track track, TickRange range, Ids ids) {
    boolean loops = track.clips().stream().anyMatch(c -> c.loops() && c.range().overlaps(range));
    Links links = track.links();
    if (!loops && links.isEmpty()) {
      return track;
    }
    Set<ClipId> met = new HashSet<>();
    Map<Long, Integer> sharing = new HashMap<>();
    for (Clip clip : track.clips()) {
      if (clip.range().overlaps(range)) {
        if (clip.loops()) {
          met.add(clip.id());
        }
        if (clip.traits().isLinked()) {
          sharing.merge(clip.traits().link(), 1, Integer::sum);
        }
      }
    }
    for (Clip clip : track.clips()) {
      if (clip.range().overlaps(range) && sharing.getOrDefault(clip.traits().link(), 0) > 1) {
        met.add(clip.id());
      }
    }
    return writtenOut(track, met, ids);
  }

  /** The same, and none of the clips that are met shares what is in it any more. */
  static Track writtenOutWhole(Track track, TickRange range, Ids ids) {
    Set<ClipId> met = new HashSet<>();
    track.clips().stream()
        .filter(c -> c.range().overlaps(range))
        .filter(c -> c.loops() || c.traits().isLinked())
        .forEach(c -> met.add(c.id()));
    return writtenOut(track, met, ids);
  }

  /** A track with some clips written out, which share what is in them with no others any more. */
  static Track writtenOut(Track track, Set<ClipId> met, Ids ids) {
    if (met.isEmpty()) {
      return track;
    }
    Track open = unlinked(track, met, ids);
    return open.withClips(
        open.clips().stream().map(c -> met.contains(c.id()) ? writtenOut(c, ids) : c).toList());
  }

  /**
   * A track with some clips sharing what is in them with no others any more. What is in them gets
   * new ids but, where none is left that shares it, in the one that spoke for all.
   */
  public static Track unlinked(Track track, Set<ClipId> some, Ids ids) {
    Links links = track.links();
    if (links.isEmpty()
        || track.clips().stream().noneMatch(c -> some.contains(c.id()) && c.traits().isLinked())) {
      return track;
    }
    List<Clip> result = new ArrayList<>(track.clips());
    result.replaceAll(
        c -> {
          if (!some.contains(c.id()) || !c.traits().isLinked()) {
            return c;
          }
          boolean none = links.all(c).stream().allMatch(o -> some.contains(o.id()));
          boolean keepsIds = none && !links.follows(c);
          return keepsIds ? c.withTraits(c.traits().withLink(ClipTraits.UNLINKED)) : own(c, ids);
        });
    return track.withClips(result);
  }

  /** A clip that shares what is in it with no other: where it did, under new ids. */
  public static Clip own(Clip clip, Ids ids) {
    return clip.traits().isLinked()
        ? withNewIds(clip, ids).withTraits(clip.traits().withLink(ClipTraits.UNLINKED))
        : clip;
  }

  /** The same with new ids for all that is in it. */
  public static Clip withNewIds(Clip clip, Ids ids) {
    List<Take> others =
        clip.takes().others().stream()
            .map(t -> new Take(t.number(), withNewIds(t.content(), ids)))
            .toList();
    return clip.hearing(withNewIds(clip.content(), ids), new Takes(clip.takes().active(), others));
  }

  private static Content withNewIds(Content content, Ids ids) {
    return Content.of(
        content.notes().stream().map(n -> n.withId(ids.note())).toList(),
        content.controls().stream()
            .map(p -> new ControlPoint(ids.control(), p.tick(), p.control()))
            .toList());
  }

  /**
   * A track with those loops written out of which what is entered meets several rounds: in one it
   * would come to stand on itself; likewise of clips that share what is in them.
   *
   * @param ticks where something is entered, or taken away for it
   */
  static Track writtenOutAcross(Track track, Collection<Long> ticks, Ids ids) {
    Map<Long, Set<Long>> rounds = new HashMap<>();
    Map<Long, Set<ClipId>> met = new HashMap<>();
    if (track.clips().stream().anyMatch(c -> c.loops() || c.traits().isLinked())) {
      for (long tick : ticks) {
        track
            .clipAt(tick)
            .filter(c -> c.loops() || c.traits().isLinked())
            .ifPresent(
                c -> {
                  long content = c.traits().isLinked() ? -c.traits().link() : c.id().value();
                  rounds.computeIfAbsent(content, x -> new HashSet<>()).add(roundStart(c, tick));
                  met.computeIfAbsent(content, x -> new HashSet<>()).add(c.id());
                });
      }
    }
    Set<ClipId> several = new HashSet<>();
    rounds.forEach(
        (content, starts) -> {
          if (starts.size() > 1) {
            several.addAll(met.get(content));
          }
        });
    return writtenOut(track, several, ids);
  }

  private static long roundStart(Clip clip, long tick) {
    return tick - clip.ownTick(tick);
  }

  /** A clip with its loop written out; later rounds get new ids. */
  public static Clip writtenOut(Clip clip, Ids ids) {
    if (!clip.loops()) {
      return clip;
    }
    List<Take> others = new ArrayList<>();
    for (Take take : clip.takes().others()) {
      others.add(new Take(take.number(), written(clip, take.content(), ids)));
    }
    int number = clip.takes().last();
    for (Content silent : silent(clip)) {
      others.add(new Take(++number, silent));
    }
    return new Clip(
        clip.id(),
        clip.start(),
        clip.length(),
        Clip.NEVER,
        written(clip, clip.content(), ids),
        new Takes(clip.takes().active(), others),
        clip.traits());
  }

  /** What of any version of a clip begins where it does not sound. */
  private static List<Content> silent(Clip clip) {
    List<Content> result = new ArrayList<>();
    Stream.concat(Stream.of(clip.content()), clip.takes().others().stream().map(Take::content))
        .map(c -> c.part(new TickRange(clip.contentLength(), Clip.NEVER)))
        .filter(c -> !c.isEmpty())
        .forEach(result::add);
    return result;
  }

  /**
   * A clip as it is laid out, every round of it: what is of a later round than the first gets a new
   * id, and so does what is set where a round ends before its content does.
   */
  private static Content written(Clip clip, Content content, Ids ids) {
    List<Note> notes = new ArrayList<>();
    List<ControlPoint> controls = new ArrayList<>();
    // How it is heard goes on being said of the clip, and is not written into its notes.
    clip.withContent(content)
        .withTraits(ClipTraits.NONE)
        .layOut(
            clip.range(),
            new Layout.WithControls() {
              @Override
              public void note(Note note, Clip of, int round) {
                notes.add(round > 0 ? note.withId(ids.note()) : note);
              }

              @Override
              public void control(ControlPoint point, Clip of, int round) {
                if (round > 0) {
                  closing(point, of, round);
                } else {
                  controls.add(point);
                }
              }

              @Override
              public void closing(ControlPoint point, Clip of, int round) {
                controls.add(new ControlPoint(ids.control(), point.tick(), point.control()));
              }
            });
    return Content.of(notes, controls).shifted(-clip.start());
  }

  /** Edits a track with ids at hand. */
  public static Song onTrack(Song song, TrackId id, BiFunction<Track, Ids, Track> change) {
    Ids ids = new Ids(song.nextId());
    Song changed = song.withTrack(id, t -> change.apply(t, ids));
    return changed == song ? song : ids.recordedIn(changed);
  }
}
