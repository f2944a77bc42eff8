package flailbeat.core.time;

import java.util.ArrayList;
import java.util.List;

/**
 * Converts score time to performed time and back. Immutable.
 *
 * <p>Nanoseconds count from tick 0. A tick lasts {@code microsPerQuarter * 1000 / 960} ns, which is
 * {@code microsPerQuarter * 25 / 24}; the result of each conversion is rounded half up, once for
 * each tempo change that lies before it. {@code tickAt(nanosAt(t)) == t} for every tempo of 2
 * microseconds to a quarter note or more. Ticks up to {@link Ticks#LAST} never overflow. Before
 * tick 0 the first tempo goes on backwards. A look-up costs a binary search.
 */
public final class TempoMap {
  /** A tempo and the tick from which it holds. */
  public record Change(long tick, Tempo tempo) {}

  /** What an empty song has (common practice). */
  public static final Tempo DEFAULT = new Tempo(500_000);

  private final List<Change> changes;
  private final long[] ticks;
  private final long[] nanos;
  private final long[] micros;

  private TempoMap(List<Change> changes) {
    this.changes = List.copyOf(changes);
    ticks = changes.stream().mapToLong(Change::tick).toArray();
    micros = changes.stream().mapToLong(c -> c.tempo().microsPerQuarter()).toArray();
    nanos = new long[ticks.length];
    for (int i = 1; i < ticks.length; i++) {
      nanos[i] = nanos[i - 1] + toNanos(ticks[i] - ticks[i - 1], micros[i - 1]);
    }
  }

  public static TempoMap of(Tempo tempo) {
    return new TempoMap(List.of(new Change(0, tempo)));
  }

  /**
   * A map of several tempos.
   *
   * @param changes in rising order of tick; of two at one tick the later in the list holds. A
   *     missing one at tick 0 is taken to be 120 bpm.
   */
  public static TempoMap of(List<Change> changes) {
    return new TempoMap(SortedChanges.tidy(changes, Change::tick, new Change(0, DEFAULT)));
  }

  public List<Change> changes() {
    return changes;
  }

  public Tempo tempoAt(long tick) {
    return changes.get(SortedChanges.lastAtOrBefore(ticks, tick)).tempo();
  }

  /** When a tick comes, in nanoseconds from tick 0. */
  public long nanosAt(long tick) {
    int i = SortedChanges.lastAtOrBefore(ticks, tick);
    return nanos[i] + toNanos(tick - ticks[i], micros[i]);
  }

  /** The tick nearest to a time given in nanoseconds from tick 0. */
  public long tickAt(long songNanos) {
    int i = SortedChanges.lastAtOrBefore(nanos, songNanos);
    long perTick24 = micros[i] * 25;
    return ticks[i] + Math.floorDiv((songNanos - nanos[i]) * 48 + perTick24, 2 * perTick24);
  }

  /**
   * How long it is from one tick to another, in milliseconds; negative when {@code to} is first.
   */
  public double millisBetween(long from, long to) {
    return (nanosAt(to) - nanosAt(from)) / 1e6;
  }

  /** The tick that comes so many milliseconds before another; later when they are negative. */
  public long earlier(long tick, double millis) {
    return tickAt(nanosAt(tick) - Math.round(millis * 1e6));
  }

  /** The same map with another tempo from the start, later changes kept. */
  public TempoMap withFirst(Tempo tempo) {
    List<Change> result = new ArrayList<>(changes);
    result.set(0, new Change(0, tempo));
    return new TempoMap(result);
  }

  /** The same map with another tempo from a tick on, up to the next change; others are kept. */
  public TempoMap with(long tick, Tempo tempo) {
    return of(SortedChanges.with(changes, Change::tick, new Change(tick, tempo)));
  }

  /** The same map without the change at a tick; what begins the song stays. */
  public TempoMap without(long tick) {
    return of(SortedChanges.without(changes, Change::tick, tick));
  }

  private static long toNanos(long ticks, long microsPerQuarter) {
    return Math.floorDiv(ticks * microsPerQuarter * 25 + 12, 24);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof TempoMap map && changes.equals(map.changes);
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
