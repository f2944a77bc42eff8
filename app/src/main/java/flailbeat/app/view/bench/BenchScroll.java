package flailbeat.app.view.bench;

import flailbeat.app.view.bench.surface.RollScale;
import flailbeat.app.view.bench.surface.Viewport;
import javafx.geometry.Orientation;
import javafx.scene.control.ScrollBar;
import javafx.scene.input.ScrollEvent;

/** The bench's scroll bars: what they show, and what is shown once they are moved. */
public final class BenchScroll {
  private static final double WHEEL = 1.0015;

  private final Viewport viewport;
  private final ScrollBar across = new ScrollBar();
  private final ScrollBar upDown = new ScrollBar();
  private boolean byHand;

  public BenchScroll(Viewport viewport) {
    this.viewport = viewport;
    upDown.setOrientation(Orientation.VERTICAL);
    across
        .valueProperty()
        .addListener(
            (property, before, now) -> {
              if (across.isPressed() || byHand) {
                viewport.change(s -> s.withOrigin(now.doubleValue()));
              }
            });
    across.setOnMousePressed(e -> byHand = true);
    across.setOnMouseReleased(e -> byHand = false);
    upDown
        .valueProperty()
        .addListener(
            (property, before, now) ->
                viewport.change(
                    s -> s.withTop(s.rows().count() - 1 - now.doubleValue(), viewport.height())));
    across.setFocusTraversable(false);
    upDown.setFocusTraversable(false);
  }

  public ScrollBar across() {
    return across;
  }

  ScrollBar upDown() {
    return upDown;
  }

  /** Whether a person moves the one for time: then the page is not turned. */
  public boolean isByHand() {
    return byHand;
  }

  /** The wheel scrolls; with Ctrl it zooms in time, with Shift as well in pitch. */
  public void wheel(ScrollEvent e, double amount) {
    double height = viewport.height();
    if (e.isControlDown() && e.isShiftDown()) {
      viewport.change(s -> s.zoomPitch(Math.pow(WHEEL, amount), e.getY(), height));
    } else if (e.isControlDown()) {
      viewport.change(s -> s.zoomTime(Math.pow(WHEEL, amount * 2), e.getX()));
    } else if (e.isShiftDown() || e.getDeltaY() == 0) {
      viewport.change(s -> s.withOrigin(s.originTick() - amount / s.pixelsPerTick()));
    } else {
      viewport.change(s -> s.withTop(s.topRow() + amount / s.rowHeight(), height));
    }
  }

  /** Shows what is in sight of a song that ends at a tick. */
  public void update(long songEnd) {
    RollScale scale = viewport.scale();
    double inSight = viewport.width() / scale.pixelsPerTick();
    double end = Math.max(songEnd * 1.1, scale.originTick() + inSight);
    across.setMax(Math.max(1, end - inSight));
    across.setVisibleAmount(across.getMax() * Math.min(1, inSight / end));
    across.setValue(scale.originTick());
    double rows = viewport.height() / scale.rowHeight();
    double all = scale.rows().count();
    upDown.setMax(Math.max(0, all - rows));
    upDown.setVisibleAmount(upDown.getMax() * Math.min(1, rows / all));
    upDown.setValue(all - 1 - scale.topRow());
  }
}
