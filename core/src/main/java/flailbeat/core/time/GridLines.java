package flailbeat.core.time;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;

/**
 * The lines of a grid over the bars of a song, with swing and, where there is one, a groove.
 *
 * <p>Swing moves every second line of a straight note value late: of a pair of steps, the first
 * takes {@code swing} per cent. 50 is even; at 66.67 the off-beat eighth stands at tick 640 of the
 * quarter. A groove moves lines by its own. Lines start anew with each bar; the lines of bars that
 * are alike are worked out once. A look-up costs one search for the bar and one in it.
 */
public final class GridLines {
  /** The line nearest to a tick and the next nearest. */
  public record Nearest(long line, long runnerUp) {}

  /** How far lines are moved from where arithmetic puts them. */
  public interface Shift {
    /** Nothing is moved. */
    Shift NONE =
        new Shift() {
          @Override
          public int bars() {
            return 1;
          }

          @Override
          public long ticks(int bar, long tickInBar) {
            return 0;
          }
        };

    /** After how many bars it comes again; at least 1. */
    int bars();

    /**
     * How far the line at a tick of a bar is moved, in ticks; negative is earlier.
     *
     * @param bar 0 up to {@link #bars()}
     */
    long ticks(int bar, long tickInBar);
  }

  /** No swing. */
  public static final double EVEN = 50;

  /** The most swing there is: dotted against short. */
  public static final double MOST_SWING = 75;

  private static final int BARS_AROUND = 2;

  private final List<NoteValue> values;
  private final MeterMap meters;
  private final double swing;
  private final Shift shift;
  private final Map<List<Long>, long[]> known = new HashMap<>();

  /**
   * Lays a grid over bars.
   *
   * @param swing {@value #EVEN} to {@value #MOST_SWING} per cent
   */
  public GridLines(Grid grid, MeterMap meters, double swing, Shift shift) {
    if (!(swing >= EVEN && swing <= MOST_SWING)) {
      throw new IllegalArgumentException("Swing goes from 50 to 75 %, not " + swing);
    }
    this.values = grid.values();
    this.meters = meters;
    this.swing = swing;
    this.shift = shift;
  }

  public GridLines(Grid grid, MeterMap meters, double swing) {
    this(grid, meters, swing, Shift.NONE);
  }

  public GridLines(Grid grid, MeterMap meters) {
    this(grid, meters, EVEN);
  }

  /** The lines of a bar as arithmetic puts them, in ticks from its start, in order. O(lines). */
  public long[] evenLines(long barLength) {
    return values.stream()
        .flatMapToLong(v -> LongStream.range(0, v.stepsIn(barLength)).map(v::tickOf))
        .sorted()
        .distinct()
        .toArray();
  }

  /**
   * Where a line stands, in ticks from the start of its bar, with swing and groove.
   *
   * @param bar the number of the bar
   * @param even where arithmetic puts it, as {@link #evenLines} says
   */
  public long standing(int bar, long even) {
    for (NoteValue value : values) {
      long step = Math.round((double) even / value.ticks());
      if (value.tickOf(step) == even) {
        long line = offset(step, value);
        return line + shift.ticks(Math.floorMod(bar, shift.bars()), line);
      }
    }
    return even;
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
    Walker walker = walker();
    return walker.before(tick);
  }

  /** The first line after the tick. */
  public long after(long tick) {
    return walker().after(tick);
  }

  /**
   * How far it is from the line nearest to a tick to the one nearest to where a move would lead: by
   * so much, what stands on a line comes to stand on one, and all else as far off as it was.
   */
  public long moved(long tick, long by) {
    long from = nearest(tick);
    return nearest(from + by) - from;
  }

  /**
   * How far it is from the line nearest to a tick to so many lines later; earlier when negative.
   */
  public long stepped(long tick, int steps) {
    long from = nearest(tick);
    long line = from;
    for (int i = 0; i < steps; i++) {
      line = after(line);
    }
    for (int i = 0; i > steps; i--) {
      line = atOrBefore(line - 1);
    }
    return line - from;
  }

  /**
   * The lines of a bar and of the two to either side of it, in ticks from its start: bars may be
   * short and have but one line.
   */
  private long[] linesOf(TickRange bar) {
    TickRange[] bars = new TickRange[2 * BARS_AROUND + 1];
    bars[BARS_AROUND] = bar;
    for (int i = 1; i <= BARS_AROUND; i++) {
      bars[BARS_AROUND - i] = meters.barRangeAt(bars[BARS_AROUND - i + 1].start() - 1);
      bars[BARS_AROUND + i] = meters.barRangeAt(bars[BARS_AROUND + i - 1].end());
    }
    int number = shift.bars() == 1 ? 0 : Math.floorMod(barNumber(bar), shift.bars());
    List<Long> kind = new ArrayList<>(List.of((long) number));
    for (TickRange each : bars) {
      kind.add(each.length());
    }
    return known.computeIfAbsent(kind, k -> linesOf(bars, number));
  }

  private int barNumber(TickRange bar) {
    return bar.start() < 0 ? -1 : meters.barAt(bar.start());
  }

  private long[] linesOf(TickRange[] bars, int number) {
    TickRange bar = bars[BARS_AROUND];
    LongStream lines = LongStream.empty();
    for (int i = 0; i < bars.length; i++) {
      long later = bars[i].start() - bar.start();
      lines =
          LongStream.concat(
              lines, within(bars[i].length(), number + i - BARS_AROUND).map(t -> t + later));
    }
    return lines.sorted().distinct().toArray();
  }

  /** The lines of a bar of a length, each moved by the groove. */
  private LongStream within(long length, int number) {
    int bar = Math.floorMod(number, shift.bars());
    return values.stream()
        .flatMapToLong(
            value ->
                LongStream.range(0, value.stepsIn(length))
                    .map(
                        step -> {
                          long line = offset(step, value);
                          return line + shift.ticks(bar, line);
                        })
                    .filter(line -> line < length));
  }

  private long offset(long step, NoteValue value) {
    long even = value.tickOf(step);
    boolean swung = (step & 1) == 1 && value.division() == NoteValue.Division.STRAIGHT;
    return swung ? even + Math.round(value.ticks() * (swing - EVEN) / EVEN) : even;
  }

  /** Looks for the lines near one tick after another, remembering the bar. */
  public final class Walker {
    private TickRange bar = meters.barRangeAt(0);
    private long[] lines = linesOf(bar);
    private int at;
    private long after;
    private long first;
    private long second;

    private Walker() {}

    /** Finds the lines next to a tick; a tick half way between two goes to the later one. */
    public void find(long tick) {
      long before = before(tick);
      boolean early = tick - before < after - tick;
      first = early ? before : after;
      second = early ? nearer(tick, at - 1, after) : nearer(tick, at + 2, before);
    }

    /** The runner-up, which need not lie on the other side where lines are uneven. */
    private long nearer(long tick, int index, long than) {
      if (index < 0 || index >= lines.length) {
        return than;
      }
      long line = bar.start() + lines[index];
      return Math.abs(line - tick) < Math.abs(than - tick) ? line : than;
    }

    private long before(long tick) {
      if (!bar.contains(tick)) {
        bar = meters.barRangeAt(tick);
        lines = linesOf(bar);
        at = lines.length / 2;
      }
      long inBar = tick - bar.start();
      at = Math.min(at, lines.length - 2);
      while (at > 0 && lines[at] > inBar) {
        at--;
      }
      while (at + 2 < lines.length && lines[at + 1] <= inBar) {
        at++;
      }
      after = bar.start() + lines[at + 1];
      return bar.start() + lines[at];
    }

    /** The first line after a tick. */
    public long after(long tick) {
      before(tick);
      return after;
    }

    public long line() {
      return first;
    }

    /** The nearest line but one. */
    public long runnerUp() {
      return second;
    }
  }
}
