package flailbeat.app.view.deck;

import flailbeat.app.control.Menus;
import flailbeat.app.view.base.Follow;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** Chooses what is printed on the person's keys. */
final class LayoutMenu extends MenuButton {
  LayoutMenu(Session session) {
    Menus.dressed(this, "layout-menu", "What is printed on the keys of your keyboard");
    getStyleClass().addAll("quiet", "small");
    for (KeyLayout layout : KeyLayout.all()) {
      getItems().add(Menus.item(layout.name(), () -> session.performer().setLayout(layout)));
    }
    MenuItem learn =
        Menus.item("Another: learn it by pressing the keys", session.keyboard()::learn);
    getItems().addAll(new SeparatorMenuItem(), learn);
    Follow.changes(
        this, session, () -> setText(session.performer().layout().name()), Aspect.LAYOUT);
  }
}
