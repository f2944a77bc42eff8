package flailbeat.app.view;

import flailbeat.app.control.Menus;
import flailbeat.core.edit.NoteResize.Together;
import flailbeat.core.session.Aspect;
import flailbeat.core.session.DrawDesk;
import flailbeat.core.session.Session;
import java.util.EnumMap;
import java.util.Map;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** How the mouse draws and resizes on the bench. */
final class MouseMenu extends MenuButton {
  private final DrawDesk drawing;
  private final CheckMenuItem snaps = new CheckMenuItem("Go from line to line (Alt does not)");
  private final CheckMenuItem lastLength = new CheckMenuItem("Draw notes as long as the last");
  private final MenuItem plain = new MenuItem("Fill with plain notes, not with the stencil");
  private final Map<Together, RadioMenuItem> together = new EnumMap<>(Together.class);

  MouseMenu(Session session) {
    drawing = session.drawing();
    Menus.dressed(this, "mouse-menu", "How the mouse draws and resizes notes ({snap})");
    setMinWidth(USE_PREF_SIZE);
    snaps.setOnAction(e -> drawing.setSnaps(snaps.isSelected()));
    lastLength.setOnAction(e -> drawing.setTakesLastLength(lastLength.isSelected()));
    plain.setOnAction(e -> drawing.dropStencil());
    getItems().addAll(snaps, lastLength, plain, new SeparatorMenuItem());
    for (Together value : Together.values()) {
      RadioMenuItem item = new RadioMenuItem("Resized together, notes " + value.words());
      item.setOnAction(e -> drawing.setTogether(value));
      together.put(value, item);
      getItems().add(item);
    }
    session
        .changes()
        .listen(
            change -> {
              if (change.isOf(Aspect.SETTINGS)) {
                refresh();
              }
            });
    refresh();
  }

  private void refresh() {
    setText((drawing.snaps() ? "Snap" : "Free") + (drawing.stencil().isPresent() ? " +" : ""));
    plain.setDisable(drawing.stencil().isEmpty());
    snaps.setSelected(drawing.snaps());
    lastLength.setSelected(drawing.takesLastLength());
    together.forEach((value, item) -> item.setSelected(value == drawing.together()));
  }
}
