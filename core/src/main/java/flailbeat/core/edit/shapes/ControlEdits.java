package flailbeat.core.edit.shapes;

import flailbeat.core.edit.ClipEdits;
import flailbeat.core.edit.HeldControls;
import flailbeat.core.edit.NewControl;
import flailbeat.core.edit.NoteEdits;
import flailbeat.core.edit.SongEdits;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.IdSet;
import flailbeat.core.model.id.NoteId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.LongStream;

/**
 * What can be done to one controller of a track over a stretch. What lies outside stays as it was:
 * where the stretch ends, the value that held there before is set again. Each method gives the song
 * it was given where nothing changes; loops that the stretch meets are written out.
 */
public final class ControlEdits {
  /** Values along a line lie at least so far apart: 5 ms at 120 bpm. */
  public static final long FINEST_TICKS = 10;

  /** How far what is sounded may be from a line that is drawn, as a part of all values. */
  public static final double TOLERANCE = 1 / 127.0;

  private ControlEdits() {}

  /** A controller's points on a track in a stretch, in order. */
  public static List<ControlPoint> points(Track track, Controller of, TickRange range) {
    List<ControlPoint> result = new ArrayList<>();
    forEachPoint(track, of, range, (point, later) -> result.add(point.shifted(later)));
    return result;
  }

  /** Whoever is shown what a controller is set to, in song time. */
  public interface Values {
    void at(long tick, int value);
  }

  /** Shows what a controller of a track is set to in a stretch, in order, without gathering it. */
  public static void forEach(Track track, Controller of, TickRange range, Values to) {
    forEachPoint(
        track, of, range, (point, later) -> to.at(point.tick() + later, point.control().value()));
  }

  private interface Points {
    void point(ControlPoint point, long later);
  }

  private static void forEachPoint(Track track, Controller of, TickRange range, Points to) {
    for (Clip clip : track.clips()) {
      if (clip.range().overlaps(range)) {
        forEachPoint(clip, of, range, to);
      }
    }
  }

  private static void forEachPoint(Clip clip, Controller of, TickRange range, Points to) {
    if (clip.loops() || clip.hidesControls()) {
      HeldControls.Points one =
          (point, from) -> {
            if (of.isOf(point.control())) {
              to.point(point, 0);
            }
          };
      clip.layOut(range, one);
      return;
    }
    clip.content()
        .controls()
        .forEachIn(
            range.start() - clip.start(),
            Math.min(clip.contentLength(), range.end() - clip.start()),
            p -> {
              if (of.isOf(p.control())) {
                to.point(p, clip.start());
              }
            });
  }

  /**
   * Shows what a controller will be set to in a stretch once something is drawn: what drawing it
   * would give, without giving it.
   */
  public static void forEachWith(
      ControlDrawn drawn, Track track, Controller of, TickRange range, Values to) {
    long start = drawn.range().start();
    long end = drawn.range().end();
    if (start > range.start()) {
      forEach(track, of, new TickRange(range.start(), Math.min(start, range.end())), to);
    }
    List<NewControl> inside = new ArrayList<>(drawn.values());
    TickRange stretch = withinClip(track, drawn.range());
    inside = withinRange(inside, stretch);
    setAgain(track, of, stretch, values(track, of, stretch), inside);
    inside.forEach(v -> to.at(v.tick(), v.control().value()));
    if (end < range.end()) {
      forEach(track, of, new TickRange(Math.max(end, range.start()), range.end()), to);
    }
  }

  /** What a controller was last set to before a tick; empty if it never was. */
  public static OptionalInt valueBefore(Track track, Controller of, long tick) {
    return HeldControls.before(track, of, tick);
  }

  /**
   * The values that follow a curve, so few as a tolerance allows: at every tick that is looked at,
   * the value in force is no farther from the curve than that, or than half a step of the
   * controller's.
   *
   * @param ticks where to look, in rising order
   * @param tolerance in values of the controller
   */
  public static List<NewControl> following(
      Curve curve, Controller of, LongStream ticks, double tolerance) {
    List<NewControl> result = new ArrayList<>();
    double most = Math.max(tolerance, 0.5);
    ticks.forEach(
        tick -> {
          double wanted = Math.clamp(curve.valueAt(tick), 0, of.most());
          boolean holds =
              !result.isEmpty()
                  && Math.abs(result.getLast().control().value() - wanted) <= most
                  && tick < curve.end();
          long value = Math.round(wanted);
          if (!holds && (result.isEmpty() || result.getLast().control().value() != value)) {
            result.add(new NewControl(tick, of.at(value)));
          }
        });
    return result;
  }

  /**
   * The values that follow a curve as closely as is wanted of a line, and no closer: looked at
   * every {@value #FINEST_TICKS} ticks, the value in force is no farther from it than {@link
   * #TOLERANCE} says, or than half a step of the controller's. O(p + v) for p points and v values.
   */
  public static List<NewControl> line(Curve curve, Controller of) {
    double most = Math.max(of.most() * TOLERANCE, 0.5);
    List<NewControl> result = new ArrayList<>();
    result.add(new NewControl(curve.start(), of.at(Math.round(curve.valueAt(curve.start())))));
    curve.forEachPiece(
        piece -> {
          long at = piece.crossing(result.getLast(), most, curve.start());
          while (at < piece.to()) {
            set(result, at, of.at(Math.round(piece.valueAt(at))));
            boolean told = result.getLast().tick() == at;
            // Beyond what the controller can have there is nothing to tell.
            at = told ? piece.crossing(result.getLast(), most, curve.start()) : at + FINEST_TICKS;
          }
        });
    set(result, curve.end(), of.at(Math.round(curve.valueAt(curve.end()))));
    return result;
  }

  private static void set(List<NewControl> values, long tick, Control value) {
    NewControl last = values.getLast();
    if (last.tick() == tick) {
      values.set(values.size() - 1, new NewControl(tick, value));
    } else if (!last.control().equals(value)) {
      values.add(new NewControl(tick, value));
    }
  }

  /** Puts other values in the place of those of a stretch. */
  public static Song replace(
      Song song, TrackId track, Controller of, TickRange range, List<NewControl> values) {
    return onStretch(song, track, of, range, old -> values);
  }

  /** Takes the values of a stretch away: what held before it holds on through it. */
  public static Song erase(Song song, TrackId track, Controller of, TickRange range) {
    boolean last = HeldControls.nothingFollows(song.track(track).orElseThrow(), range.end());
    return onStretch(song, track, of, range, old -> List.of(), !last);
  }

  /**
   * Makes the values of a stretch larger or smaller, from where they are counted.
   *
   * @param percent 100 leaves them as they are
   */
  public static Song scale(
      Song song, TrackId track, Controller of, TickRange range, double percent) {
    return mapped(song, track, of, range, v -> of.zero() + (v - of.zero()) * percent / 100);
  }

  /** Makes the values of a stretch larger by so much. */
  public static Song shift(Song song, TrackId track, Controller of, TickRange range, int by) {
    return mapped(song, track, of, range, v -> (double) v + by);
  }

  private static Song mapped(
      Song song, TrackId track, Controller of, TickRange range, Function<Integer, Double> value) {
    return onStretch(
        song,
        track,
        of,
        range,
        old ->
            old.stream()
                .map(
                    c ->
                        new NewControl(
                            c.tick(), of.at(Math.round(value.apply(c.control().value())))))
                .toList());
  }

  /** Lays the values of a stretch down again from a tick on, in the place of what is there. */
  public static Song copy(Song song, TrackId track, Controller of, TickRange range, long to) {
    Track from = song.track(track).orElseThrow();
    long later = to - range.start();
    List<NewControl> copied = withHeld(from, of, range);
    long end = Math.min(Ticks.LAST, to + range.length());
    return replace(
        song,
        track,
        of,
        new TickRange(to, end),
        copied.stream()
            .map(c -> new NewControl(c.tick() + later, c.control()))
            .filter(c -> c.tick() < end)
            .toList());
  }

  /** The values of a stretch moved in time, in the place of what is there. */
  public static Song move(Song song, TrackId track, Controller of, TickRange range, long later) {
    long by = Math.clamp(later, -range.start(), Ticks.LAST - range.end());
    if (by == 0) {
      return song;
    }
    List<NewControl> moved =
        withHeld(song.track(track).orElseThrow(), of, range).stream()
            .map(c -> new NewControl(c.tick() + by, c.control()))
            .toList();
    TickRange there = new TickRange(range.start() + by, range.end() + by);
    Song erased = onStretch(song, track, of, range, old -> List.of());
    return replace(erased, track, of, there, moved);
  }

  /** The values of a stretch, the one that holds as it begins among them: where none, at rest. */
  private static List<NewControl> withHeld(Track track, Controller of, TickRange range) {
    List<NewControl> values = values(track, of, range);
    if (values.isEmpty() || values.getFirst().tick() > range.start()) {
      int held = valueBefore(track, of, range.start()).orElse(of.atRest());
      values.addFirst(new NewControl(range.start(), of.at(held)));
    }
    return values;
  }

  private static List<NewControl> values(Track track, Controller of, TickRange range) {
    List<NewControl> result = new ArrayList<>();
    forEachPoint(
        track, of, range, (p, later) -> result.add(new NewControl(p.tick() + later, p.control())));
    return result;
  }

  private static Song onStretch(
      Song song,
      TrackId id,
      Controller of,
      TickRange range,
      Function<List<NewControl>, List<NewControl>> change) {
    return onStretch(song, id, of, range, change, true);
  }

  private static Song onStretch(
      Song song,
      TrackId id,
      Controller of,
      TickRange stretch,
      Function<List<NewControl>, List<NewControl>> change,
      boolean setsAgain) {
    Track before = song.track(id).orElseThrow();
    TickRange range = withinClip(before, stretch);
    List<NewControl> old = values(before, of, range);
    List<NewControl> wanted = withinRange(change.apply(old), range);
    if (wanted.equals(old)) {
      return song;
    }
    if (setsAgain) {
      setAgain(before, of, range, old, wanted);
    }
    return ClipEdits.onTrack(
        song,
        id,
        (t, ids) -> {
          Track written = ClipEdits.writtenOut(t, range, ids);
          Track cleared = SongEdits.without(written, own(written, of, range));
          return ClipEdits.withControls(cleared, SongEdits.named(wanted, ids), song.meters(), ids);
        });
  }

  /**
   * A stretch that would reach a single tick beyond a clip, as a pedal's way up does, ends in it.
   */
  private static TickRange withinClip(Track track, TickRange range) {
    long last = range.end() - 1;
    boolean ends = track.clipAt(last - 1).filter(c -> c.end() == last).isPresent();
    boolean begins = track.clipAt(last).filter(c -> c.start() == last).isPresent();
    boolean beyond = last - range.start() > 1 && (ends || begins);
    return beyond ? new TickRange(range.start(), last) : range;
  }

  private static List<NewControl> withinRange(List<NewControl> values, TickRange range) {
    List<NewControl> result = new ArrayList<>(values);
    if (!result.isEmpty() && result.getLast().tick() >= range.end()) {
      NewControl last = result.removeLast();
      result.removeIf(v -> v.tick() >= range.end() - 1);
      result.add(new NewControl(range.end() - 1, last.control()));
    }
    return result;
  }

  /** The points of a controller in a stretch that can be edited. */
  static List<ControlPoint> own(Track track, Controller of, TickRange range) {
    return track.tangibleControls(range).stream().filter(p -> of.isOf(p.control())).toList();
  }

  private static void setAgain(
      Track before, Controller of, TickRange range, List<NewControl> old, List<NewControl> wanted) {
    OptionalInt held =
        old.isEmpty() ? OptionalInt.empty() : OptionalInt.of(old.getLast().control().value());
    Optional<NewControl> again = HeldControls.setAgain(before, before, of, range, held, wanted);
    again.ifPresent(
        value -> {
          wanted.removeIf(v -> v.tick() >= value.tick());
          wanted.add(value);
        });
  }

  /** Takes control points away, and notes with them. */
  public static Song delete(Song song, Set<ControlId> points, Set<NoteId> notes) {
    Song left = notes.isEmpty() ? song : NoteEdits.delete(song, notes);
    IdSet ids = IdSet.ofAny(points.stream().mapToLong(ControlId::value));
    return left.mapTracks(t -> SongEdits.without(t, ids));
  }
}
