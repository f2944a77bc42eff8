package flailbeat.app.view;

import flailbeat.core.keys.KeyLayout;
import flailbeat.core.session.Aspect;
import flailbeat.core.session.Session;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.Tooltip;

/** Chooses what is printed on the person's keys. */
final class LayoutMenu extends MenuButton {
  LayoutMenu(Session session) {
    setId("layout-menu");
    getStyleClass().addAll("quiet", "small");
    setFocusTraversable(false);
    setTooltip(new Tooltip("What is printed on the keys of your keyboard"));
    for (KeyLayout layout : KeyLayout.all()) {
      MenuItem item = new MenuItem(layout.name());
      item.setOnAction(e -> session.performer().setLayout(layout));
      getItems().add(item);
    }
    MenuItem learn = new MenuItem("Another: learn it by pressing the keys");
    learn.setOnAction(e -> session.learnKeyboard());
    getItems().addAll(new SeparatorMenuItem(), learn);
    setText(session.performer().layout().name());
    session
        .changes()
        .listen(
            aspect -> {
              if (aspect == Aspect.LAYOUT) {
                setText(session.performer().layout().name());
              }
            });
  }
}
