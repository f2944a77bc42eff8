package flailbeat.app.view.map;

import flailbeat.app.view.bench.surface.RollScale;
import flailbeat.app.view.bench.surface.TrackSurface;

/**
 * Which part of the large map is in sight: time goes by a viewport's scale, lanes are as high as a
 * person wants. Immutable.
 *
 * @param scrolled how far the lanes are scrolled, in pixels, 0 or more
 */
record LaneScale(RollScale time, double laneHeight, double scrolled) implements TrackSurface {
  @Override
  public double pixelsPerTick() {
    return time.pixelsPerTick();
  }

  @Override
  public double xOf(double tick) {
    return time.xOf(tick);
  }

  @Override
  public double tickAt(double x) {
    return time.tickAt(x);
  }

  @Override
  public int laneAt(double y) {
    return (int) Math.floor((y + scrolled) / laneHeight);
  }

  @Override
  public double laneTop(int lane) {
    return lane * laneHeight - scrolled;
  }
}
