package flailbeat.app.view.bench.surface;

/** A picture of the song in which each track has a lane: the song map. */
public interface TrackSurface extends Surface {
  /** The number of the lane at a height; below 0, or beyond the last track, where there is none. */
  int laneAt(double y);

  /** The upper edge of a lane, from 0 for the first. */
  double laneTop(int lane);

  double laneHeight();
}
