package flailbeat.core.edit.clips;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.HeldControls;
import flailbeat.core.edit.Ids;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.Track;
import flailbeat.core.time.MeterMap;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * What becomes of clips where others come to lie: the one rule. Those that come are laid over them
 * and what lies under is cut away, or pushes on.
 *
 * <ul>
 *   <li>What is left of a clip keeps its id in its first piece. A loop that is cut in the middle of
 *       a round goes on as notes of its own. A clip that shares its content shares it still where
 *       it is but shortened; any other piece has what is in it for itself.
 *   <li>After a clip that is laid over others, controllers hold what they held there before.
 *   <li>What is pushed on begins where the clip before it ends, as far as it must; a clip that is
 *       met in its middle is cut there, and its rest is pushed on.
 * </ul>
 */
public enum Landing {
  /** They are laid over what is there. */
  OVER,
  /** What is there gives way to the right. */
  PUSH;

  /**
   * A track with clips come to it.
   *
   * @param coming apart, in any order; the track has none of their ids
   * @throws IllegalArgumentException where something would be pushed beyond the last tick
   */
  public Track on(Track track, List<Clip> coming, MeterMap meters, Ids ids) {
    if (coming.isEmpty()) {
      return track;
    }
    return this == OVER ? laidOver(track, coming, meters, ids) : pushed(track, coming, ids);
  }

  private static Track laidOver(Track track, List<Clip> coming, MeterMap meters, Ids ids) {
    List<TickRange> covered =
        coming.stream()
            .map(Clip::range)
            .sorted(Comparator.comparingLong(TickRange::start))
            .toList();
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

  private static Track pushed(Track track, List<Clip> coming, Ids ids) {
    List<Clip> cut = new ArrayList<>();
    for (Clip clip : track.clips()) {
      List<TickRange> at =
          coming.stream()
              .map(Clip::start)
              .filter(t -> t > clip.start() && t < clip.end())
              .sorted()
              .map(t -> new TickRange(t, t))
              .toList();
      cut.addAll(at.isEmpty() ? List.of(clip) : without(clip, at, ids));
    }
    Set<Clip> fixed = new HashSet<>(coming);
    List<Clip> all = new ArrayList<>(coming);
    all.addAll(cut);
    // Of two that begin together the one that comes is first.
    all.sort(Comparator.comparingLong(Clip::start).thenComparing(c -> fixed.contains(c) ? 0 : 1));
    List<Clip> result = new ArrayList<>();
    long free = 0;
    for (Clip clip : all) {
      if (fixed.contains(clip)) {
        result.add(clip);
        continue;
      }
      long start = pastAll(Math.max(clip.start(), free), clip.length(), coming);
      if (start > Ticks.LAST) {
        throw new IllegalArgumentException("There is no room to push clips on");
      }
      result.add(clip.at(start));
      free = start + clip.length();
    }
    result.sort(Comparator.comparingLong(Clip::start));
    return track.withClips(result);
  }

  /** The first tick from one on at which so much has room between those that come. */
  private static long pastAll(long from, long length, List<Clip> coming) {
    long start = from;
    boolean again = true;
    while (again) {
      again = false;
      for (Clip other : coming) {
        if (start < other.end() && other.start() < start + length) {
          start = other.end();
          again = true;
        }
      }
    }
    return start;
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
   * What is left of a clip where stretches of it are cut away.
   *
   * @param covered in order and apart; one of no length splits it and takes nothing
   */
  static List<Clip> without(Clip clip, List<TickRange> covered, Ids ids) {
    List<Clip> result = new ArrayList<>();
    long from = clip.start();
    for (TickRange range : covered) {
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
    boolean again = !pieces.isEmpty();
    Clip piece;
    if (clip.traits().isLinked() && !again && from == clip.start()) {
      piece = clip.lasting(to - from, clip.period());
    } else {
      Clip own = ClipEdits.own(clip, ids);
      piece = own.loops() ? pieceOfLoop(own, from, to, again, ids) : own.part(from, to);
    }
    pieces.add(again ? piece.withId(ids.clip()) : piece.withId(clip.id()));
  }

  /** From the start of a round it goes on as a loop; else its rounds become notes of their own. */
  private static Clip pieceOfLoop(Clip clip, long from, long to, boolean again, Ids ids) {
    if ((from - clip.start()) % clip.period() == 0) {
      Clip loop = clip.lasting(to - from, clip.period()).at(from);
      return again ? ClipEdits.withNewIds(loop, ids) : loop;
    }
    Clip piece = ClipEdits.writtenOut(clip, ids).part(from, to);
    return again ? ClipEdits.withNewIds(piece, ids) : piece;
  }
}
