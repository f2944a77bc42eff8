package flailbeat.core.quantize;

import flailbeat.core.quantize.lag.Lag;
import flailbeat.core.time.Grid;
import flailbeat.core.time.GridLines;
import flailbeat.core.time.NoteValue;

/**
 * How to quantize.
 *
 * @param method how lines are chosen
 * @param strength how much of the way to its line a note goes, 0 to 100 per cent
 * @param swing 50 (even) to 75 per cent, on the straight values of the grid
 * @param groove moves the lines and, as far as it says, the velocities
 * @param filter which notes are moved at all
 * @param chords whether the notes of a chord close up
 * @param controls whether the sustain pedal moves with the notes that it belongs to
 */
public record QuantizeSettings(
    Method method,
    Grid grid,
    double strength,
    double swing,
    Groove groove,
    NoteFilter filter,
    Ends ends,
    Chords chords,
    Lag lag,
    boolean controls) {
  /** How lines are chosen. */
  public enum Method {
    /** Each note goes to the line that is nearest to it. */
    NEAREST,
    /** The most probable score given the performance, with its lag found from the notes. */
    FIT
  }

  /** What of a note moves, and where it ends. */
  public enum Ends {
    /** The length as played is kept. */
    KEEP,
    /** The end goes to its own nearest line, one step of the grid after the onset at least. */
    SNAP,
    /**
     * The end goes where it was meant, as that is found from all ends of the part: to the next
     * onset, or to a line before or beyond it.
     */
    MEANT,
    /** The length goes to the nearest multiple of the grid's finest step; one at least. */
    LENGTHS,
    /** Only the start moves; the note ends where it was let go. */
    STAY,
    /** Only the end moves, to its nearest line; the start stays where it stands. */
    ONLY
  }

  /** What becomes of the notes of a chord, which are never struck quite together. */
  public enum Chords {
    /** All of them go to the line. */
    CLOSE,
    /** They move together, as far from one another as they were played. */
    KEEP
  }

  /**
   * Which notes are moved.
   *
   * @param catchRange those that lie within so many per cent of half the gap between their two
   *     nearest lines, 0 to 100; 100 is all of them
   * @param outside whether those are meant that lie farther off than that, instead
   * @param tightMs what is nearer to its line than so many ms keeps its place: a human spread
   * @param leastLength no note is made shorter than so many ticks, but where the next of its pitch
   *     begins; at least 1
   */
  public record NoteFilter(double catchRange, boolean outside, double tightMs, long leastLength) {
    /** A sixty-fourth. */
    public static final long SHORTEST = 60;

    private static final double MOST_TIGHT_MS = 100;

    /** Every note is moved, however near. */
    public static final NoteFilter ALL = new NoteFilter(100, false, 0, SHORTEST);

    public NoteFilter {
      requirePercent("Catch range", catchRange);
      if (!(tightMs >= 0 && tightMs <= MOST_TIGHT_MS)) {
        throw new IllegalArgumentException("Leave tight notes: 0 to 100 ms, not " + tightMs);
      }
      if (leastLength < 1) {
        throw new IllegalArgumentException("A note is 1 tick long at least, not " + leastLength);
      }
    }

    public NoteFilter withCatchRange(double value) {
      return new NoteFilter(value, outside, tightMs, leastLength);
    }

    public NoteFilter withOutside(boolean value) {
      return new NoteFilter(catchRange, value, tightMs, leastLength);
    }

    public NoteFilter withTightMs(double value) {
      return new NoteFilter(catchRange, outside, value, leastLength);
    }

    public NoteFilter withLeastLength(long value) {
      return new NoteFilter(catchRange, outside, tightMs, value);
    }

    /** Whether every note is moved. */
    boolean isAll() {
      return catchRange >= 100 && !outside;
    }
  }

  public QuantizeSettings {
    requirePercent("Strength", strength);
    if (!(swing >= GridLines.EVEN && swing <= GridLines.MOST_SWING)) {
      throw new IllegalArgumentException("Swing goes from 50 to 75 %, not " + swing);
    }
  }

  /** Sixteenths by rounding, all the way, lengths kept, no lag taken out. */
  public static QuantizeSettings standard() {
    return new QuantizeSettings(
        Method.NEAREST,
        Grid.of(NoteValue.straight(16)),
        100,
        GridLines.EVEN,
        Groove.NONE,
        NoteFilter.ALL,
        Ends.KEEP,
        Chords.CLOSE,
        new Lag.Off(),
        true);
  }

  /** Sixteenths as they were meant: the likeliest lines, with the lag found from the notes. */
  public static QuantizeSettings recommended() {
    return standard().withMethod(Method.FIT).withLag(new Lag.Auto());
  }

  public QuantizeSettings withMethod(Method value) {
    return new QuantizeSettings(
        value, grid, strength, swing, groove, filter, ends, chords, lag, controls);
  }

  public QuantizeSettings withGrid(Grid value) {
    return new QuantizeSettings(
        method, value, strength, swing, groove, filter, ends, chords, lag, controls);
  }

  public QuantizeSettings withStrength(double value) {
    return new QuantizeSettings(
        method, grid, value, swing, groove, filter, ends, chords, lag, controls);
  }

  public QuantizeSettings withSwing(double value) {
    return new QuantizeSettings(
        method, grid, strength, value, groove, filter, ends, chords, lag, controls);
  }

  public QuantizeSettings withGroove(Groove value) {
    return new QuantizeSettings(
        method, grid, strength, swing, value, filter, ends, chords, lag, controls);
  }

  public QuantizeSettings withFilter(NoteFilter value) {
    return new QuantizeSettings(
        method, grid, strength, swing, groove, value, ends, chords, lag, controls);
  }

  public QuantizeSettings withCatchRange(double value) {
    return withFilter(filter.withCatchRange(value));
  }

  public QuantizeSettings withEnds(Ends value) {
    return new QuantizeSettings(
        method, grid, strength, swing, groove, filter, value, chords, lag, controls);
  }

  public QuantizeSettings withChords(Chords value) {
    return new QuantizeSettings(
        method, grid, strength, swing, groove, filter, ends, value, lag, controls);
  }

  public QuantizeSettings withLag(Lag value) {
    return new QuantizeSettings(
        method, grid, strength, swing, groove, filter, ends, chords, value, controls);
  }

  public QuantizeSettings withControls(boolean value) {
    return new QuantizeSettings(
        method, grid, strength, swing, groove, filter, ends, chords, lag, value);
  }

  /** Whether the same lines are meant, so that what was decided for notes still holds. */
  public boolean hasSameLines(QuantizeSettings other) {
    return grid.equals(other.grid) && swing == other.swing && groove.equals(other.groove);
  }

  /** What of them says which line each note is meant for; the rest is as standard. */
  QuantizeSettings linesAlone() {
    return standard()
        .withGrid(grid)
        .withSwing(swing)
        .withGroove(groove.withVelocityShare(0))
        .withLag(lag);
  }

  private static void requirePercent(String what, double value) {
    if (!(value >= 0 && value <= 100)) {
      throw new IllegalArgumentException(what + " goes from 0 to 100 %, not " + value);
    }
  }
}
