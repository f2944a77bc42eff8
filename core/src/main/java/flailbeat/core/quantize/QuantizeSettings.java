package flailbeat.core.quantize;

import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.NoteValue;

/**
 * How to quantize.
 *
 * @param method how lines are chosen
 * @param strength how much of the way to its line a note goes, 0 to 100 per cent
 * @param swing 50 (even) to 75 per cent, on the straight values of the grid
 * @param catchRange which notes are moved at all: those that lie within so many per cent of half
 *     the gap between their two nearest lines, 0 to 100; 100 is all of them
 */
public record QuantizeSettings(
    Method method,
    Grid grid,
    double strength,
    double swing,
    double catchRange,
    Ends ends,
    Lag lag) {
  /** How lines are chosen. */
  public enum Method {
    /** Each note goes to the line that is nearest to it. */
    NEAREST,
    /** The most probable score given the performance, with its lag found from the notes. */
    FIT
  }

  /** What happens to the end of a note whose onset moves. */
  public enum Ends {
    /** The length as played is kept. */
    KEEP,
    /** The end goes to its own nearest line, one step of the grid after the onset at least. */
    SNAP
  }

  public QuantizeSettings {
    requirePercent("Strength", strength);
    requirePercent("Catch range", catchRange);
    if (!(swing >= GridLines.EVEN && swing <= GridLines.MOST_SWING)) {
      throw new IllegalArgumentException("Swing goes from 50 to 75 %, not " + swing);
    }
  }

  /** Sixteenths, all the way, lengths kept. */
  public static QuantizeSettings standard() {
    return new QuantizeSettings(
        Method.NEAREST,
        Grid.of(NoteValue.straight(16)),
        100,
        GridLines.EVEN,
        100,
        Ends.KEEP,
        new Lag.Off());
  }

  public QuantizeSettings withMethod(Method value) {
    return new QuantizeSettings(value, grid, strength, swing, catchRange, ends, lag);
  }

  public QuantizeSettings withGrid(Grid value) {
    return new QuantizeSettings(method, value, strength, swing, catchRange, ends, lag);
  }

  public QuantizeSettings withStrength(double value) {
    return new QuantizeSettings(method, grid, value, swing, catchRange, ends, lag);
  }

  public QuantizeSettings withSwing(double value) {
    return new QuantizeSettings(method, grid, strength, value, catchRange, ends, lag);
  }

  public QuantizeSettings withCatchRange(double value) {
    return new QuantizeSettings(method, grid, strength, swing, value, ends, lag);
  }

  public QuantizeSettings withEnds(Ends value) {
    return new QuantizeSettings(method, grid, strength, swing, catchRange, value, lag);
  }

  public QuantizeSettings withLag(Lag value) {
    return new QuantizeSettings(method, grid, strength, swing, catchRange, ends, value);
  }

  private static void requirePercent(String what, double value) {
    if (!(value >= 0 && value <= 100)) {
      throw new IllegalArgumentException(what + " goes from 0 to 100 %, not " + value);
    }
  }
}
