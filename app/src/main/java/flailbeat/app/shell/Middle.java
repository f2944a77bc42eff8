package flailbeat.app.shell;

import flailbeat.app.view.base.MiddleView;
import flailbeat.app.view.page.SidePane;
import java.util.function.DoubleSupplier;
import javafx.scene.layout.BorderPane;

/** The middle of the window: one view of the song, and the pages at its right. */
final class Middle extends BorderPane {
  private static final double SQUEEZED_HEIGHT = 80;
  private static final double LEAST_HEIGHT = 120;
  private static final double LEAST_WIDTH = 160;

  private final SidePane pages;
  private final DoubleSupplier text;
  private MiddleView shown;

  /**
   * The middle.
   *
   * @param text how many times as large as usual texts are
   */
  Middle(MiddleView first, SidePane pages, DoubleSupplier text) {
    this.text = text;
    this.pages = pages;
    setMinHeight(SQUEEZED_HEIGHT);
    setRight(pages);
    show(first);
  }

  /** How much room it needs, with the page that is shown. */
  double leastWidth() {
    return Math.max(LEAST_WIDTH, shown.node().minWidth(-1)) + pages.prefWidth(-1);
  }

  /** How much of it is to be seen however large texts are. */
  double leastHeight() {
    return LEAST_HEIGHT * Math.max(1, text.getAsDouble());
  }

  /** The view that stands there. */
  MiddleView shown() {
    return shown;
  }

  /** Puts another view there; the one before leaves the window, and follows nothing more. */
  void show(MiddleView view) {
    if (shown != null && shown != view) {
      shown.cancelMouse();
    }
    shown = view;
    setCenter(view.node());
  }

  void showPages(boolean wanted) {
    pages.showPage(wanted);
  }
}
