package flailbeat.core.quantize;

import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Note;
import flailbeat.core.model.control.Control;
import flailbeat.core.time.TempoMap;
import flailbeat.core.work.InOrder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Moves the sustain pedal along with the notes: each of its points as far as the note that it
 * belongs to, which is the last of the track that had begun by then, or begins within {@value
 * #AHEAD_MS} ms. What belongs to a note that is not moved stays, and so does what comes after the
 * last. Points keep their order. O((n + m) log n).
 */
final class PedalsAlong {
  private static final Control SUSTAIN = Control.controller(64, 0);
  private static final double AHEAD_MS = 60;

  private final long[] from;
  private final long[] moved;
  private final long end;

  /**
   * Along with some notes of a track.
   *
   * @param all the notes of the track, those that are moved among them
   */
  PedalsAlong(Drafts drafts, List<Note> all) {
    Map<Long, Long> by = HashMap.newHashMap(drafts.size());
    long last = 0;
    for (int i = 0; i < drafts.size(); i++) {
      Note note = drafts.note(i);
      by.put(note.idNumber(), drafts.onset(i) - note.onset());
      last = Math.max(last, note.end());
    }
    List<Note> inOrder = new ArrayList<>(all);
    inOrder.sort(Comparator.comparingLong(Note::onset));
    from = inOrder.stream().mapToLong(Note::onset).toArray();
    moved = inOrder.stream().mapToLong(n -> by.getOrDefault(n.idNumber(), 0L)).toArray();
    end = last;
  }

  /** Those of a track's points that move, as they will stand. */
  List<ControlPoint> move(List<ControlPoint> points, TempoMap tempos) {
    List<ControlPoint> pedal =
        points.stream().filter(p -> p.control().isOfOneWith(SUSTAIN)).toList();
    long[] ticks = new long[pedal.size()];
    boolean[] stays = new boolean[ticks.length];
    for (int i = 0; i < ticks.length; i++) {
      long tick = pedal.get(i).tick();
      long by = by(tick, tempos.earlier(tick, -AHEAD_MS));
      stays[i] = by == 0;
      ticks[i] = Math.max(0, tick + by);
    }
    keepOrder(pedal, ticks, stays);
    List<ControlPoint> result = new ArrayList<>();
    for (int i = 0; i < ticks.length; i++) {
      if (ticks[i] != pedal.get(i).tick()) {
        result.add(pedal.get(i).at(ticks[i]));
      }
    }
    return result;
  }

  /** None passes another; those that stay are not moved at all. */
  private static void keepOrder(List<ControlPoint> pedal, long[] ticks, boolean[] stays) {
    for (int i = 1; i < ticks.length; i++) {
      if (!stays[i]) {
        ticks[i] = Math.max(ticks[i], after(pedal, i - 1, ticks[i - 1]));
      }
    }
    for (int i = ticks.length - 2; i >= 0; i--) {
      if (!stays[i]) {
        ticks[i] = Math.min(ticks[i], before(pedal, i + 1, ticks[i + 1]));
      }
    }
  }

  /** The last tick at which a point still comes before another: at one tick the older does. */
  private static long before(List<ControlPoint> pedal, int other, long tick) {
    return pedal.get(other - 1).idNumber() < pedal.get(other).idNumber() ? tick : tick - 1;
  }

  /** The first tick at which a point comes after another. */
  private static long after(List<ControlPoint> pedal, int other, long tick) {
    return pedal.get(other).idNumber() < pedal.get(other + 1).idNumber() ? tick : tick + 1;
  }

  /**
   * How far a point moves.
   *
   * @param reach the last tick at which a note may begin that it belongs to
   */
  private long by(long tick, long reach) {
    int begun = InOrder.countPassing(from.length, i -> from[i] <= reach);
    return begun == 0 || tick > end + (reach - tick) ? 0 : moved[begun - 1];
  }
}
