package flailbeat.core.edit;

import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Layout;
import flailbeat.core.model.Note;
import flailbeat.core.model.Sequence;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Predicate;

/**
 * What controllers hold where points of theirs are taken away or others come in their place:
 * outside that stretch all is as it was. Whatever clears, moves or replaces controllers asks here.
 *
 * <ul>
 *   <li>Where the stretch ends, each controller is set again to what it was set to there; where
 *       none was ever set, to where it rests. That is done on the last tick of the clip where it
 *       would lie on its end, or on the beginning of another.
 *   <li>A pedal that is down, or a bend, as the stretch begins is let go there if it was let go
 *       within it: what let it go is gone.
 * </ul>
 */
public final class HeldControls {
  private HeldControls() {}

  /** What a controller was last set to before a tick, as it sounds; empty if it never was. */
  public static OptionalInt before(Track track, Controller of, long tick) {
    for (Clip clip : track.clips().reversed()) {
      OptionalInt found = clip.start() < tick ? lastOf(clip, of, tick) : OptionalInt.empty();
      if (found.isPresent()) {
        return found;
      }
    }
    return OptionalInt.empty();
  }

  private static OptionalInt lastOf(Clip clip, Controller of, long tick) {
    boolean whole = !clip.loops() && tick < clip.end();
    if (whole || !clip.loops() && !clip.hidesControls()) {
      Sequence<ControlPoint> all = clip.content().controls();
      for (int i = all.indexAt(tick - clip.start()) - 1; i >= 0; i--) {
        if (of.isOf(all.get(i).control())) {
          return OptionalInt.of(all.get(i).control().value());
        }
      }
      return OptionalInt.empty();
    }
    int[] last = {-1};
    long from = clip.start();
    if (clip.loops()) {
      long round = (Math.min(tick, clip.end()) - 1 - clip.start()) / clip.period();
      from = clip.start() + Math.max(0, round - 1) * clip.period();
    }
    clip.layOut(
        new TickRange(from, Math.min(tick, clip.end())),
        (Points) (point, clipOf) -> last[0] = of.isOf(point.control()) ? value(point) : last[0]);
    return last[0] < 0 ? OptionalInt.empty() : OptionalInt.of(last[0]);
  }

  private static int value(ControlPoint point) {
    return point.control().value();
  }

  /** Whoever is shown all points that sound, wherever they come from. */
  public interface Points extends Layout.WithControls {
    void point(ControlPoint point, Clip clip);

    @Override
    default void note(Note note, Clip clip, int round) {
      // Controllers are asked about.
    }

    @Override
    default void control(ControlPoint point, Clip clip, int round) {
      point(point, clip);
    }

    @Override
    default void closing(ControlPoint point, Clip clip, int round) {
      point(point, clip);
    }
  }

  /**
   * The tick at which something is set for what comes after a stretch: its end, or the tick before
   * where a clip ends, another begins, or none lies.
   */
  static long endOf(Track track, TickRange range) {
    long end = range.end();
    boolean within =
        track.clipAt(end).filter(c -> c.start() < end && c.contains(end - 1)).isPresent();
    return within || range.length() < 2 ? end : end - 1;
  }

  /**
   * What has to be set besides, as the points of some controllers in a stretch give way to others.
   *
   * @param before the track as it was
   * @param clips the track with the clips into which it is put
   * @param taken which controllers give way
   * @param put what comes in their place, in order, within the stretch
   */
  public static List<NewControl> around(
      Track before,
      Track clips,
      TickRange range,
      Predicate<Controller> taken,
      List<NewControl> put) {
    Map<Controller, List<ControlPoint>> gone = new LinkedHashMap<>();
    before.layOut(
        range,
        (Points)
            (point, clip) ->
                Controller.of(point.control())
                    .filter(taken)
                    .ifPresent(c -> gone.computeIfAbsent(c, x -> new ArrayList<>()).add(point)));
    for (NewControl each : put) {
      Controller.of(each.control())
          .filter(taken)
          .ifPresent(c -> gone.computeIfAbsent(c, x -> new ArrayList<>()));
    }
    List<NewControl> result = new ArrayList<>();
    gone.forEach(
        (of, points) -> {
          List<NewControl> come = put.stream().filter(v -> of.isOf(v.control())).toList();
          List<NewControl> more = new ArrayList<>(come);
          if (isLetGoWithin(before, of, range.start(), points, come)) {
            more.addFirst(new NewControl(range.start(), of.at(of.atRest())));
            result.add(more.getFirst());
          }
          OptionalInt held =
              points.isEmpty() ? OptionalInt.empty() : OptionalInt.of(value(points.getLast()));
          if (!more.isEmpty() || !nothingFollows(clips, range.end())) {
            setAgain(before, clips, of, range, held, more).ifPresent(result::add);
          }
        });
    return result;
  }

  private static boolean isLetGoWithin(
      Track before, Controller of, long start, List<ControlPoint> gone, List<NewControl> come) {
    return of.isLetGo()
        && !of.isAtRest(before(before, of, start).orElse(of.atRest()))
        && gone.stream().anyMatch(p -> of.isAtRest(value(p)))
        && (come.isEmpty() || come.getFirst().tick() > start);
  }

  /**
   * What sets a controller again where a stretch ends, if anything must.
   *
   * @param held what it was set to in the stretch, if it was
   * @param now what it is set to in it
   */
  public static Optional<NewControl> setAgain(
      Track before,
      Track clips,
      Controller of,
      TickRange range,
      OptionalInt held,
      List<NewControl> now) {
    OptionalInt begins = before(before, of, range.start());
    int was = held.orElse(begins.orElse(of.atRest()));
    int is = now.isEmpty() ? begins.orElse(of.atRest()) : now.getLast().control().value();
    boolean same = was == is || of.isSwitch() && of.isAtRest(was) && of.isAtRest(is);
    boolean said = range.end() >= Ticks.LAST || isSetAt(before, of, range.end());
    return same || said
        ? Optional.empty()
        : Optional.of(new NewControl(endOf(clips, range), of.at(was)));
  }

  /**
   * Whether what is taken away up to a tick was the last of a track: nothing is to be set again.
   */
  public static boolean nothingFollows(Track track, long tick) {
    return track.clips().isEmpty() || track.clips().getLast().end() < tick;
  }

  private static boolean isSetAt(Track track, Controller of, long tick) {
    boolean[] found = {false};
    track.layOut(
        new TickRange(tick, tick + 1),
        (Points) (point, clip) -> found[0] |= of.isOf(point.control()));
    return found[0];
  }
}
