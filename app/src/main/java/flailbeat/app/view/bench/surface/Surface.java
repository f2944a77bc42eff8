package flailbeat.app.view.bench.surface;

/**
 * A picture of the song in which time runs from left to right: places stand for ticks, and ticks
 * for places. What the mouse does and what is drawn go by this, and not by the picture itself.
 */
public interface Surface {
  /** How wide a tick is, in pixels; more than 0. */
  double pixelsPerTick();

  /** Where a tick lies, in pixels from the left edge; beyond it what is not in sight. */
  double xOf(double tick);

  /** The tick at a place; below 0 before the song's start. */
  double tickAt(double x);
}
