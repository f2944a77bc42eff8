package flailbeat.app.view.page;

import flailbeat.app.control.Buttons;
import flailbeat.app.view.base.Page;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.Group;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;

/** A slim column of signs, one for each page, with a mark where something waits. */
final class PageRail extends VBox {
  private static final double SIGN_WIDTH = 22;
  private static final double SIGN_HEIGHT = 18;

  /** Signs stand beside their names, which are small. */
  private static final double SIGN_SCALE = 0.75;

  private final List<Page> pages;
  private final Map<Page, ToggleButton> buttons = new HashMap<>();
  private final Map<Page, Circle> marks = new HashMap<>();

  /**
   * A rail.
   *
   * @param onPressed gets the page whose sign was pressed
   */
  PageRail(List<Page> pages, Consumer<Page> onPressed) {
    this.pages = pages;
    getStyleClass().add("page-rail");
    setId("page-rail");
    for (Page page : pages) {
      ToggleButton button =
          Buttons.toggle(page.name(), page.purpose() + " ({" + page.command() + "})");
      button.setId(page.command());
      button.getStyleClass().setAll("toggle-button", "rail-sign");
      button.setGraphic(sign(page));
      button.setMaxWidth(Double.MAX_VALUE);
      button.setMinHeight(Region.USE_PREF_SIZE);
      button.setOnAction(e -> onPressed.accept(page));
      buttons.put(page, button);
      getChildren().add(button);
    }
  }

  /** The rail, gone through by the wheel where it is higher than its place. */
  ScrollPane scrolled() {
    ScrollPane scroll = new ScrollPane(this);
    scroll.getStyleClass().add("rail-scroll");
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFitToHeight(true);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.setMinHeight(0);
    return scroll;
  }

  private Group sign(Page page) {
    SVGPath path = new SVGPath();
    path.setContent(page.sign());
    path.getStyleClass().add("sign-line");
    Circle mark = new Circle(SIGN_WIDTH, 1, 3.5);
    mark.getStyleClass().add("waits");
    mark.setVisible(false);
    marks.put(page, mark);
    // All signs take the same room, whatever is drawn.
    Group sign = new Group(new Rectangle(SIGN_WIDTH, SIGN_HEIGHT, null), path, mark);
    sign.setScaleX(SIGN_SCALE);
    sign.setScaleY(SIGN_SCALE);
    return new Group(sign);
  }

  /** Shows which page is in sight; none where they are folded. */
  void show(Page inSight) {
    pages.forEach(p -> buttons.get(p).setSelected(p == inSight));
  }

  /** Marks those where something waits. */
  void markWaiting() {
    pages.forEach(p -> marks.get(p).setVisible(p.waits().getAsBoolean()));
  }
}
