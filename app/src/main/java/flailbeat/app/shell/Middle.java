package flailbeat.app.shell;

import flailbeat.app.view.base.MiddleView;
import flailbeat.app.view.page.SidePane;
import javafx.scene.layout.BorderPane;

/** The middle of the window: one view of the song, and the pages at its right. */
final class Middle extends BorderPane {
  private static final double LEAST_HEIGHT = 80;

  private final SidePane pages;
  private MiddleView shown;

  Middle(MiddleView first, SidePane pages) {
    this.pages = pages;
    setMinHeight(LEAST_HEIGHT);
    setRight(pages);
    show(first);
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
