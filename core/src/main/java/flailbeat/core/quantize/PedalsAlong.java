package flailbeat.core.quantize;

import flailbeat.core.model.Control;
import flailbeat.core.model.ControlPoint;
import flailbeat.core.time.TempoMap;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Moves the sustain pedal along with the notes: each of its points as far as the note that it
 * belongs to, which is the last that had begun by then, or begins within {@value #AHEAD_MS} ms.
 * Points keep their order. Those outside the notes stay. O((n + m) log n).
 */
final class PedalsAlong {
  private static final Control SUSTAIN = Control.controller(64, 0);
  private static final double AHEAD_MS = 60;

  private final long[] from;
  private final long[] moved;
  private final long end;

  PedalsAlong(Drafts drafts) {
    int[] order =
        IntStream.range(0, drafts.size())
            .boxed()
            .sorted(Comparator.comparingLong(i -> drafts.note(i).onset()))
            .mapToInt(Integer::intValue)
            .toArray();
    from = new long[order.length];
    moved = new long[order.length];
    long last = 0;
    for (int i = 0; i < order.length; i++) {
      from[i] = drafts.note(order[i]).onset();
      moved[i] = drafts.onset(order[i]) - from[i];
      last = Math.max(last, drafts.note(order[i]).end());
    }
    end = last;
  }

  /** Those of a track's points that move, as they will stand. */
  List<ControlPoint> move(List<ControlPoint> points, TempoMap tempos) {
    List<ControlPoint> result = new ArrayList<>();
    long latest = 0;
    for (ControlPoint point : points) {
      if (point.control().isOfOneWith(SUSTAIN)) {
        long by = by(point.tick(), tempos.earlier(point.tick(), -AHEAD_MS));
        long tick = by == 0 ? point.tick() : Math.max(latest, point.tick() + by);
        latest = tick;
        if (tick != point.tick()) {
          result.add(point.at(tick));
        }
      }
    }
    return result;
  }

  /**
   * How far a point moves.
   *
   * @param reach the last tick at which a note may begin that it belongs to
   */
  private long by(long tick, long reach) {
    int low = 0;
    int high = from.length;
    while (low < high) {
      int mid = (low + high) >>> 1;
      if (from[mid] <= reach) {
        low = mid + 1;
      } else {
        high = mid;
      }
    }
    return low == 0 || tick > end + (reach - tick) ? 0 : moved[low - 1];
  }
}
