package flailbeat.app.view.page;

import flailbeat.app.control.Segments;
import flailbeat.app.view.base.Page;
import flailbeat.core.session.person.Folds;
import flailbeat.core.session.person.Folds.WindowPart;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * What stands at the bench's right: the timing desk, or one of the pages of settings. A page is
 * made when it is first turned to.
 */
public final class SidePane extends VBox {
  private static final double WIDTH = 292;

  private final Folds folds;
  private final List<Page> pages;
  private final Map<Page, Region> made = new HashMap<>();
  private final ScrollPane scroll = new ScrollPane();
  private final Segments<Page> chooser = new Segments<>(this::show);

  /**
   * Makes the pane; the pages are made as they are needed.
   *
   * @param folds whether it is in sight
   * @param pages in the order in which they are chosen; the first is shown
   */
  public SidePane(Folds folds, List<Page> pages) {
    this.folds = folds;
    this.pages = List.copyOf(pages);
    pages.forEach(p -> chooser.add(p, p.name(), p.purpose() + " ({" + p.command() + "})", p.id()));
    getStyleClass().add("side-pane");
    chooser.named("page");
    chooser.getStyleClass().add("pages");
    HBox head = new HBox(chooser);
    head.setPadding(new Insets(6, 12, 2, 13));
    HBox.setHgrow(chooser, Priority.ALWAYS);
    head.setMinHeight(USE_PREF_SIZE);
    scroll.getStyleClass().add("page-scroll");
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFitToWidth(true);
    scroll.setFitToHeight(true);
    scroll.setFocusTraversable(false);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    setMinWidth(WIDTH);
    setPrefWidth(WIDTH);
    setMinHeight(0);
    getChildren().addAll(head, scroll);
    show(pages.get(0));
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

  private void show(Page page) {
    chooser.show(page);
    scroll.setContent(made.computeIfAbsent(page, p -> p.content().get()));
    scroll.setVvalue(0);
  }
}
