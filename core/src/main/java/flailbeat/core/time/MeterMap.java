package flailbeat.core.time;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalLong;

/**
 * Where the bars lie. Immutable. A change of meter always starts a bar; where it comes before the
 * bar it interrupts is full, that bar is cut short. Look-ups cost a binary search. Before tick 0
 * the first meter goes on backwards.
 */
public final class MeterMap {
  /**
   * A meter and the tick from which it holds.
   *
   * @param clocks MIDI clocks (24 to a quarter note) to a click of a metronome, 0 to 255
   * @param thirtySeconds notated 1/32 notes to 24 MIDI clocks, 0 to 255; 8 is usual
   */
  public record Change(long tick, Meter meter, int clocks, int thirtySeconds) {
    private static final int USUAL = 8;
    private static final int CLOCKS_TO_WHOLE = 96;

    public Change {
      if (clocks < 0 || clocks > 255 || thirtySeconds < 0 || thirtySeconds > 255) {
        throw new IllegalArgumentException(
            "A meter's clocks go from 0 to 255, not " + clocks + " and " + thirtySeconds);
      }
    }

    /** With a click on each of the meter's written beats. */
    public Change(long tick, Meter meter) {
      this(tick, meter, Math.max(1, CLOCKS_TO_WHOLE / meter.unit()), USUAL);
    }
  }

  private final List<Change> changes;
  private final long[] starts;
  private final int[] firstBars;

  private MeterMap(List<Change> changes) {
    this.changes = List.copyOf(changes);
    starts = changes.stream().mapToLong(Change::tick).toArray();
    firstBars = new int[starts.length];
    for (int i = 1; i < starts.length; i++) {
      long bar = changes.get(i - 1).meter().ticksPerBar();
      firstBars[i] = firstBars[i - 1] + (int) Math.ceilDiv(starts[i] - starts[i - 1], bar);
    }
  }

  public static MeterMap of(Meter meter) {
    return new MeterMap(List.of(new Change(0, meter)));
  }

  /**
   * A map of several meters.
   *
   * @param changes in rising order of tick; of two at one tick the later in the list holds. A
   *     missing one at tick 0 is taken to be 4/4.
   */
  public static MeterMap of(List<Change> changes) {
    return new MeterMap(SortedChanges.tidy(changes, Change::tick, new Change(0, Meter.COMMON)));
  }

  public List<Change> changes() {
    return changes;
  }

  public Meter meterAt(long tick) {
    return changes.get(segmentAt(tick)).meter();
  }

  /** The number, from 0, of the bar that holds the tick; negative before the song. */
  public int barAt(long tick) {
    int i = segmentAt(tick);
    return firstBars[i]
        + (int) Math.floorDiv(tick - starts[i], changes.get(i).meter().ticksPerBar());
  }

  /** The tick at which a bar starts, the first bar being 0. */
  public long barStart(int bar) {
    int found = Arrays.binarySearch(firstBars, bar);
    int i = Math.max(0, found >= 0 ? found : -found - 2);
    return starts[i] + (bar - firstBars[i]) * changes.get(i).meter().ticksPerBar();
  }

  /** From the start of the bar that holds the tick to the start of the next. */
  public TickRange barRangeAt(long tick) {
    int i = segmentAt(tick);
    long length = changes.get(i).meter().ticksPerBar();
    long start = starts[i] + Math.floorDiv(tick - starts[i], length) * length;
    long end = start + length;
    return new TickRange(start, i + 1 < starts.length ? Math.min(end, starts[i + 1]) : end);
  }

  /** The smallest run of whole bars that holds the range; one bar at least. */
  public TickRange wholeBars(TickRange range) {
    long start = barRangeAt(range.start()).start();
    TickRange last = barRangeAt(Math.max(range.start(), range.end() - 1));
    return new TickRange(start, last.end());
  }

  public Position positionAt(long tick) {
    long within = tick - barRangeAt(tick).start();
    long beat = meterAt(tick).ticksPerBeat();
    return new Position(barAt(tick) + 1, (int) (within / beat) + 1, (int) (within % beat));
  }

  /**
   * The tick of a position; its beat and its tick may lie beyond its bar and its beat, and then run
   * on into the next.
   *
   * @return empty for what lies before the song, or beyond its last tick
   */
  public OptionalLong tickOf(Position position) {
    if (position.bar() < 1 || position.beat() < 1 || position.tick() < 0) {
      return OptionalLong.empty();
    }
    long bar = barStart(position.bar() - 1);
    if (bar < 0 || bar > Ticks.LAST) {
      return OptionalLong.empty();
    }
    long tick = bar + (position.beat() - 1L) * meterAt(bar).ticksPerBeat() + position.tick();
    return tick > Ticks.LAST ? OptionalLong.empty() : OptionalLong.of(tick);
  }

  /** The first beat at or after the tick. */
  public long beatAtOrAfter(long tick) {
    TickRange bar = barRangeAt(tick);
    long beat = meterAt(tick).ticksPerBeat();
    return Math.min(bar.end(), bar.start() + Math.ceilDiv(tick - bar.start(), beat) * beat);
  }

  /** The beat nearest to the tick; the later one half way between two. */
  public long beatNearest(long tick) {
    long next = beatAtOrAfter(tick);
    TickRange bar = barRangeAt(tick);
    long beat = meterAt(tick).ticksPerBeat();
    long before = bar.start() + (tick - bar.start()) / beat * beat;
    return next - tick <= tick - before ? next : before;
  }

  /** The same map with another meter from the start, later changes kept. */
  public MeterMap withFirst(Meter meter) {
    List<Change> result = new ArrayList<>(changes);
    result.set(0, new Change(0, meter));
    return new MeterMap(result);
  }

  /**
   * The same map with another meter from a tick on, which starts a bar, up to the next change;
   * others are kept at their ticks.
   */
  public MeterMap with(long tick, Meter meter) {
    return of(SortedChanges.with(changes, Change::tick, new Change(tick, meter)));
  }

  /** The same map without the change at a tick; what begins the song stays. */
  public MeterMap without(long tick) {
    return of(SortedChanges.without(changes, Change::tick, tick));
  }

  private int segmentAt(long tick) {
    return SortedChanges.lastAtOrBefore(starts, tick);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof MeterMap map && changes.equals(map.changes);
  }

  @Override
  public int hashCode() {
    return changes.hashCode();
  }

  @Override
  public String toString() {
    return changes.toString();
  }
}
