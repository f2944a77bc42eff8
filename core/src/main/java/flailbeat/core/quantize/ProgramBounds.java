package flailbeat.core.quantize;

import flailbeat.core.model.ControlPoint;
import flailbeat.core.model.Track;
import flailbeat.core.model.control.Control;
import flailbeat.core.time.Ticks;
import flailbeat.core.work.InOrder;

/**
 * Between which ticks a note has to stay, so that it goes on sounding with the program that it has:
 * not before the last program change ahead of it, and not as late as the next.
 */
public final class ProgramBounds {
  /** Nothing changes the program. */
  public static final ProgramBounds NONE = new ProgramBounds(new long[0]);

  private final long[] changes;

  private ProgramBounds(long[] changes) {
    this.changes = changes;
  }

  /** Those of a track. O(c) for c values of controllers; where any is a program, as laying out. */
  public static ProgramBounds of(Track track) {
    boolean any =
        track.clips().stream()
            .anyMatch(c -> c.content().controls().stream().anyMatch(ProgramBounds::isProgram));
    if (!any) {
      return NONE;
    }
    long[] changes =
        track.placed().soundingControls().stream()
            .filter(ProgramBounds::isProgram)
            .mapToLong(p -> p.tick())
            .sorted()
            .toArray();
    return new ProgramBounds(changes);
  }

  private static boolean isProgram(ControlPoint point) {
    return point.control().kind() == Control.Kind.PROGRAM;
  }

  /** A tick that a note goes to, kept within its bounds. */
  long within(long standing, long wanted) {
    if (changes.length == 0) {
      return wanted;
    }
    int next = InOrder.countPassing(changes.length, i -> changes[i] <= standing);
    long first = next == 0 ? 0 : changes[next - 1];
    long last = next == changes.length ? Ticks.LAST : changes[next] - 1;
    return Math.clamp(wanted, first, last);
  }
}
