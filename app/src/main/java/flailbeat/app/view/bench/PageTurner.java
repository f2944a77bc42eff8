package flailbeat.app.view.bench;

import flailbeat.app.view.bench.surface.Viewport;
import flailbeat.core.keys.KeysMode;
import flailbeat.core.session.Session;

/**
 * Turns the page as the song plays. Who scrolls away from the playhead looks there, until it comes
 * into sight by itself.
 */
public final class PageTurner {
  private final Session session;
  private final Viewport viewport;
  private final BenchScroll scroll;
  private boolean lookedAway;

  public PageTurner(Session session, Viewport viewport, BenchScroll scroll) {
    this.session = session;
    this.viewport = viewport;
    this.scroll = scroll;
  }

  /** Called for each frame with the tick that is heard. */
  public void follow(long tick) {
    if (scroll.isByHand()) {
      lookAway();
    }
    boolean atSteps = session.performer().keysMode() == KeysMode.STEPS;
    boolean runs = session.runControl().transport().isRunning();
    if (!runs || viewport.isInSight(tick)) {
      lookedAway = false;
    }
    if (runs && !scroll.isByHand() && !lookedAway && !atSteps) {
      viewport.follow(tick);
    }
  }

  /** The person has scrolled. */
  public void lookAway() {
    lookedAway = !viewport.isInSight(session.runControl().positionTicks());
  }
}
