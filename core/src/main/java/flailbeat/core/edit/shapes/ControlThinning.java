package flailbeat.core.edit.shapes;

import flailbeat.core.edit.NewControl;
import flailbeat.core.model.Clip;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Song;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.id.ClipId;
import flailbeat.core.model.id.ControlId;
import flailbeat.core.model.id.TrackId;
import flailbeat.core.time.TickRange;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/** What controllers say again that they have said before. */
public final class ControlThinning {
  private ControlThinning() {}

  /**
   * Takes away what the rest says within a tolerance: at no tick does the value in force differ by
   * more than that from what it was, and the last stays.
   *
   * @param tolerance in values of the controller
   */
  public static Song thin(Song song, TrackId track, Controller of, TickRange range, int tolerance) {
    Track from = song.track(track).orElseThrow();
    Set<ControlId> gone = new HashSet<>();
    superfluous(from, ControlEdits.own(from, of, range), tolerance).forEach(p -> gone.add(p.id()));
    return gone.isEmpty() ? song : ControlEdits.delete(song, gone, Set.of());
  }

  static List<NewControl> thinned(List<NewControl> values, int tolerance) {
    boolean[] said = said(values.stream().mapToInt(v -> v.control().value()).toArray(), tolerance);
    return IntStream.range(0, said.length).filter(i -> !said[i]).mapToObj(values::get).toList();
  }

  /**
   * The points of one controller that {@link #thin} would take away. A loop begins anew with what
   * its end has left: what is said at its beginning is never said before.
   *
   * @param points of the track, in order
   */
  public static List<ControlPoint> superfluous(
      Track track, List<ControlPoint> points, int tolerance) {
    List<ControlPoint> result = new ArrayList<>();
    int from = 0;
    for (int i = 1; i <= points.size(); i++) {
      if (i == points.size() || !loopAt(track, points, i).equals(loopAt(track, points, i - 1))) {
        result.addAll(superfluous(points.subList(from, i), tolerance));
        from = i;
      }
    }
    return result;
  }

  private static Optional<ClipId> loopAt(Track track, List<ControlPoint> points, int i) {
    return track.clipAt(points.get(i).tick()).filter(Clip::loops).map(Clip::id);
  }

  private static List<ControlPoint> superfluous(List<ControlPoint> points, int tolerance) {
    boolean[] said = said(points.stream().mapToInt(p -> p.control().value()).toArray(), tolerance);
    return IntStream.range(0, said.length).filter(i -> said[i]).mapToObj(points::get).toList();
  }

  /** Which values the ones before say already, within a tolerance. */
  private static boolean[] said(int[] values, int tolerance) {
    boolean[] result = new boolean[values.length];
    int held = 0;
    for (int i = 0; i < values.length; i++) {
      int off = i == 0 ? Integer.MAX_VALUE : Math.abs(values[i] - held);
      boolean last = i == values.length - 1 && off > 0;
      if (last || off > tolerance) {
        held = values[i];
      } else {
        result[i] = true;
      }
    }
    return result;
  }
}
