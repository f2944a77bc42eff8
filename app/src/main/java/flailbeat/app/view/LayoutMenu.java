package flailbeat.app.view;

import flailbeat.core.keys.KeyLayout;
import flailbeat.core.session.Aspect;
import flailbeat.core.session.Changes;
import flailbeat.core.session.Performer;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;

/** Chooses what is printed on the person's keys. */
final class LayoutMenu extends MenuButton {
  LayoutMenu(Performer performer, Changes changes) {
    setId("layout-menu");
    getStyleClass().addAll("quiet", "small");
    setFocusTraversable(false);
    setTooltip(new Tooltip("What is printed on the keys of your keyboard"));
    for (KeyLayout layout : KeyLayout.all()) {
      MenuItem item = new MenuItem(layout.name());
      item.setOnAction(e -> performer.setLayout(layout));
      getItems().add(item);
    }
    setText(performer.layout().name());
    changes.listen(
        aspect -> {
          if (aspect == Aspect.LAYOUT) {
            setText(performer.layout().name());
          }
        });
  }
}
