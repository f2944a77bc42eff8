package flailbeat.app.view.page;

import flailbeat.app.control.Nodes;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.base.Page;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.person.Folds;
import flailbeat.core.session.person.Folds.WindowPart;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * What stands at the bench's right: one page, and the rail that turns to others. The sign of the
 * page in sight folds it. A page is made when it is first turned to.
 */
public final class SidePane extends HBox {
  private final Folds folds;
  private final List<Page> pages;
  private final Map<Page, Region> made = new HashMap<>();
  private final ScrollPane scroll = new ScrollPane();
  private final VBox content = new VBox(scroll);
  private final PageRail rail;
  private Page shown;

  /**
   * Makes the pane; the pages are made as they are needed.
   *
   * @param pages in the order in which they are chosen; the first is shown
   */
  public SidePane(Session session, List<Page> pages) {
    this.folds = session.person().folds();
    this.pages = List.copyOf(pages);
    rail = new PageRail(this.pages, this::pressed);
    getStyleClass().add("side-pane");
    scroll.getStyleClass().add("page-scroll");
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFitToWidth(true);
    scroll.setFitToHeight(true);
    scroll.setFocusTraversable(false);
    Nodes.drawDirectly(scroll);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    content.getStyleClass().add("page-place");
    content.setMinHeight(0);
    setMinHeight(0);
    getChildren().addAll(content, rail.scrolled());
    show(pages.get(0));
    Follow.changes(
        this,
        session,
        change -> {
          // A key that is struck must not wait for this: keys count while they are checked alone.
          boolean checked = change.isOf(Aspect.KEYS) && session.keyboard().check().isPresent();
          if (checked || change.isOf(Aspect.TIMING, Aspect.SETTINGS)) {
            rail.markWaiting();
          }
        });
  }

  /** All of them. */
  public List<Page> pages() {
    return pages;
  }

  /** Turns to a page; where they are folded, they unfold. */
  public void turnTo(Page page) {
    folds.fold(WindowPart.PAGES, false);
    show(page);
  }

  private void pressed(Page page) {
    if (page == shown && isUnfolded()) {
      folds.fold(WindowPart.PAGES, true);
    } else {
      turnTo(page);
    }
    showRail();
  }

  /**
   * Folds the page, or unfolds it; the rail stays. A page that is folded leaves the window: it
   * follows nothing, and asks for no keys.
   */
  public void showPage(boolean wanted) {
    if (wanted != isUnfolded()) {
      if (wanted) {
        getChildren().addFirst(content);
      } else {
        getChildren().remove(content);
      }
    }
    showRail();
  }

  private boolean isUnfolded() {
    return getChildren().contains(content);
  }

  private void showRail() {
    rail.show(isUnfolded() ? shown : null);
    rail.markWaiting();
  }

  private void show(Page page) {
    shown = page;
    scroll.setContent(made.computeIfAbsent(page, p -> p.content().get()));
    scroll.setVvalue(0);
    showRail();
  }
}
