package flailbeat.app.view.map;

import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.session.Session;

/** How high the lanes of the large map are, and how far they are scrolled. */
final class MapLanes {
  private static final double LEAST = 24;
  private static final double MOST = 160;
  private static final double COMMON = 58;
  private static final double ZOOM = 1.0015;

  private final Session session;
  private final Viewport viewport;
  private double height = COMMON;
  private double scrolled;

  MapLanes(Session session, Viewport viewport) {
    this.session = session;
    this.viewport = viewport;
  }

  LaneScale scale() {
    return new LaneScale(viewport.scale(), height, Math.min(scrolled, most()));
  }

  /** How far they can be scrolled. */
  double most() {
    return Math.max(0, session.song().tracks().size() * height - viewport.height());
  }

  double scrolled() {
    return Math.min(scrolled, most());
  }

  void scrollTo(double wanted) {
    scrolled = Math.clamp(wanted, 0, most());
  }

  /** Higher or lower, the lane at a height staying there. */
  void zoom(double amount, double y) {
    double before = (scrolled() + y) / height;
    height = Math.clamp(height * Math.pow(ZOOM, amount), LEAST, MOST);
    scrollTo(before * height - y);
  }

  /** As high as they can be for all to be in sight, within what can be read. */
  void fit() {
    int tracks = Math.max(1, session.song().tracks().size());
    height = Math.clamp(Math.floor(viewport.height() / tracks), LEAST, COMMON);
    scrolled = 0;
  }

  /** Brings a lane into sight. */
  void bringIntoSight(int lane) {
    if (viewport.height() < height) {
      return;
    }
    double top = lane * height;
    scrollTo(
        Math.clamp(scrolled(), Math.max(0, top + height - viewport.height()), Math.max(0, top)));
  }
}
