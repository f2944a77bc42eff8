package flailbeat.core.edit.shapes;

import flailbeat.core.edit.Edit;
import flailbeat.core.edit.NewControl;
import flailbeat.core.model.Song;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import flailbeat.core.time.Ticks;
import java.util.List;
import java.util.Locale;

/**
 * A controller's values over a stretch, in the place of what was there.
 *
 * @param how they came about
 * @param range what they are put over
 * @param values in rising order, within the range
 */
public record ControlDrawn(
    How how, TrackId track, Controller controller, TickRange range, List<NewControl> values)
    implements Edit {
  /** How values come about. */
  public enum How {
    DRAW("Draw"),
    MOVE("Move"),
    COPY("Copy"),
    SCALE("Scale");

    private final String word;

    How(String word) {
      this.word = word;
    }
  }

  public ControlDrawn {
    values = List.copyOf(values);
  }

  /** Values that were drawn. */
  public ControlDrawn(
      TrackId track, Controller controller, TickRange range, List<NewControl> values) {
    this(How.DRAW, track, controller, range, values);
  }

  /** The values of a stretch moved in time, as {@link ControlEdits#move} does it. */
  public static ControlDrawn moved(
      Song song, TrackId track, Controller of, TickRange range, long later) {
    long by = Math.clamp(later, -range.start(), Ticks.LAST - range.end());
    TickRange there = new TickRange(range.start() + by, range.end() + by);
    Song after = ControlEdits.move(song, track, of, range, by);
    return between(How.MOVE, song, after, track, of, range.span(there));
  }

  /** The values of a stretch laid down again, as {@link ControlEdits#copy} does it. */
  public static ControlDrawn copied(
      Song song, TrackId track, Controller of, TickRange range, long later) {
    long to = Math.clamp(range.start() + later, 0, Ticks.LAST - range.length());
    TickRange there = new TickRange(to, to + range.length());
    Song after = ControlEdits.copy(song, track, of, range, to);
    return between(How.COPY, song, after, track, of, there);
  }

  /** The values of a stretch made larger or smaller, as {@link ControlEdits#scale} does it. */
  public static ControlDrawn scaled(
      Song song, TrackId track, Controller of, TickRange range, double percent) {
    Song after = ControlEdits.scale(song, track, of, range, percent);
    return between(How.SCALE, song, after, track, of, range);
  }

  /** What is set again after the stretch is a part of it. */
  private static ControlDrawn between(
      How how, Song before, Song after, TrackId track, Controller of, TickRange range) {
    if (after == before) {
      return new ControlDrawn(how, track, of, new TickRange(0, 0), List.of());
    }
    TickRange whole = new TickRange(range.start(), Math.min(Ticks.LAST, range.end() + 1));
    List<NewControl> values =
        ControlEdits.points(after.track(track).orElseThrow(), of, whole).stream()
            .map(p -> new NewControl(p.tick(), p.control()))
            .toList();
    return new ControlDrawn(how, track, of, whole, values);
  }

  @Override
  public Song apply(Song song) {
    return ControlEdits.replace(song, track, controller, range, values);
  }

  @Override
  public boolean isNothing() {
    return range.length() == 0;
  }

  @Override
  public String label() {
    String word = how == How.DRAW && values.isEmpty() ? "Erase" : how.word;
    return word + " " + controller.title().toLowerCase(Locale.ROOT);
  }
}
