package flailbeat.app.view.base;

import javafx.scene.layout.VBox;

/** What is on a page, one below the other. */
public abstract class PageBox extends VBox {
  /** An empty page, to be found by an id. */
  @SuppressWarnings("this-escape")
  protected PageBox(String id) {
    getStyleClass().add("page");
    setId(id);
  }
}
