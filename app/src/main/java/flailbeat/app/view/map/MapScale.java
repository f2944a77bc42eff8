package flailbeat.app.view.map;

import flailbeat.app.view.bench.surface.TrackSurface;

/**
 * The whole song from edge to edge, with a lane for each track. Immutable.
 *
 * @param left where the song begins, in pixels
 * @param width where it ends
 * @param lengthTicks how long it is; more than 0
 * @param top the upper edge of the first lane; above the map where lanes are scrolled
 */
record MapScale(double left, double width, long lengthTicks, double top, double laneHeight)
    implements TrackSurface {
  @Override
  public double pixelsPerTick() {
    return Math.max(1, width - left) / lengthTicks;
  }

  @Override
  public double xOf(double tick) {
    return left + tick * pixelsPerTick();
  }

  @Override
  public double tickAt(double x) {
    return (x - left) / pixelsPerTick();
  }

  @Override
  public int laneAt(double y) {
    return (int) Math.floor((y - top) / laneHeight);
  }

  @Override
  public double laneTop(int lane) {
    return top + lane * laneHeight;
  }
}
