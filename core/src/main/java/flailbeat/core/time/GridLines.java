package flailbeat.core.time;

import java.util.List;

/**
 * The lines of a grid over the bars of a song, with swing.
 *
 * <p>Swing moves every second line of a straight note value late: of a pair of steps, the first
 * takes {@code swing} per cent. 50 is even; at 66.67 the off-beat eighth stands at tick 640 of the
 * quarter. Lines start anew with each bar. A look-up costs one search for the bar and a constant
 * number of steps for each note value.
 */
public final class GridLines {
  /** The line nearest to a tick and the next nearest. */
  public record Nearest(long line, long runnerUp) {}

  /** No swing. */
  public static final double EVEN = 50;

  /** The most swing there is: dotted against short. */
  public static final double MOST_SWING = 75;

  private final List<NoteValue> values;
  private final long[] ticks;
  private final MeterMap meters;
  private final double swing;

  /**
   * Lays a grid over bars.
   *
   * @param swing {@value #EVEN} to {@value #MOST_SWING} per cent
   */
  public GridLines(Grid grid, MeterMap meters, double swing) {
    if (!(swing >= EVEN && swing <= MOST_SWING)) {
      throw new IllegalArgumentException("Swing goes from 50 to 75 %, not " + swing);
    }
    this.values = grid.values();
    this.ticks = values.stream().mapToLong(NoteValue::ticks).toArray();
    this.meters = meters;
    this.swing = swing;
  }

  public GridLines(Grid grid, MeterMap meters) {
    this(grid, meters, EVEN);
  }

  /** The nearest line; a tick half way between two goes to the later one. */
  public long nearest(long tick) {
    return nearestTwo(tick).line();
  }

  /** The nearest line and the nearest other one. */
  public Nearest nearestTwo(long tick) {
    Walker walker = walker();
    walker.find(tick);
    return new Nearest(walker.line(), walker.runnerUp());
  }

  /** Finds lines for many ticks in turn: quickest, and without allocating, when they are near. */
  public Walker walker() {
    return new Walker();
  }

  /** The last line at or before the tick. */
  public long atOrBefore(long tick) {
    TickRange bar = meters.barRangeAt(tick);
    long best = bar.start();
    for (NoteValue value : values) {
      long step = (tick - bar.start()) / value.ticks();
      long line = bar.start() + offset(step, value);
      if (line > tick) {
        line = bar.start() + offset(step - 1, value);
      }
      best = Math.max(best, line);
    }
    return best;
  }

  /** The first line after the tick. */
  public long after(long tick) {
    TickRange bar = meters.barRangeAt(tick);
    long best = bar.end();
    for (NoteValue value : values) {
      long step = (tick - bar.start()) / value.ticks();
      long line = bar.start() + offset(step, value);
      best = Math.min(best, line > tick ? line : bar.start() + offset(step + 1, value));
    }
    return best;
  }

  private long offset(long step, NoteValue value) {
    long even = step * value.ticks();
    boolean swung = (step & 1) == 1 && value.division() == NoteValue.Division.STRAIGHT;
    return swung ? even + Math.round(value.ticks() * (swing - EVEN) / EVEN) : even;
  }

  /** Looks for the lines near one tick after another, remembering the bar. */
  public final class Walker {
    private TickRange bar = meters.barRangeAt(0);
    private long tick;
    private long first;
    private long second;

    private Walker() {}

    /** Finds the lines next to a tick; a tick half way between two goes to the later one. */
    public void find(long at) {
      tick = at;
      first = Long.MIN_VALUE;
      second = Long.MIN_VALUE;
      if (!bar.contains(at)) {
        bar = meters.barRangeAt(at);
      }
      if (ticks.length == 1 && swing == EVEN) {
        findEven(ticks[0]);
        return;
      }
      offer(bar.end());
      for (int i = 0; i < values.size(); i++) {
        NoteValue value = values.get(i);
        long step = (at - bar.start()) / ticks[i];
        for (long k = step - 1; k <= step + 2; k++) {
          long line = k < 0 ? lastOfPreviousBar(i) : bar.start() + offset(k, value);
          offer(Math.min(line, bar.end()));
        }
      }
    }

    /** Between even lines the two nearest are those on either side. */
    private void findEven(long gap) {
      long before = tick - (tick - bar.start()) % gap;
      long after = Math.min(before + gap, bar.end());
      boolean early = tick - before < after - tick;
      first = early ? before : after;
      second = early ? after : before;
    }

    public long line() {
      return first;
    }

    /** The nearest line but one. */
    public long runnerUp() {
      return second;
    }

    private long lastOfPreviousBar(int i) {
      TickRange previous = meters.barRangeAt(bar.start() - 1);
      long steps = (previous.length() - 1) / ticks[i];
      return previous.start() + offset(steps, values.get(i));
    }

    private void offer(long line) {
      if (line == first || line == second) {
        return;
      }
      if (nearer(line, first)) {
        second = first;
        first = line;
      } else if (nearer(line, second)) {
        second = line;
      }
    }

    private boolean nearer(long line, long than) {
      if (than == Long.MIN_VALUE) {
        return true;
      }
      long a = Math.abs(line - tick);
      long b = Math.abs(than - tick);
      return a < b || a == b && line > than;
    }
  }
}
