package flailbeat.app.view.row;

import flailbeat.app.control.Menus;
import flailbeat.app.view.base.Follow;
import flailbeat.app.view.timing.GridChoices;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.MouseDrawing;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.time.Grid;
import flailbeat.core.time.NoteValue;
import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** Whether the mouse goes from line to line, by which lines, and what filling lays down. */
final class MouseMenu extends MenuButton {
  private final Session session;
  private final MouseDrawing drawing;
  private final CheckMenuItem snaps = new CheckMenuItem("Go from line to line (Alt: not)");
  private final CheckMenuItem toLines = new CheckMenuItem("Moved notes go to the line");
  private final CheckMenuItem follows = new CheckMenuItem("Lines follow the zoom");
  private final Map<Grid, RadioMenuItem> grids = new LinkedHashMap<>();

  MouseMenu(Session session) {
    this.session = session;
    drawing = session.drawing();
    Menus.dressed(
        this,
        "mouse-menu",
        "By which lines the mouse goes ({snap}; {grid-coarser} and {grid-finer} choose the grid)");
    setMinWidth(USE_PREF_SIZE);
    snaps.setOnAction(e -> drawing.set(drawing.kept().withSnaps(snaps.isSelected())));
    toLines.setOnAction(e -> drawing.set(drawing.kept().withToLines(toLines.isSelected())));
    follows.setOnAction(e -> drawing.set(drawing.kept().withFollowsZoom(follows.isSelected())));
    getItems().addAll(snaps, toLines, follows, new SeparatorMenuItem());
    for (int denominator : GridChoices.DENOMINATORS) {
      add(Grid.of(NoteValue.straight(denominator)));
      add(Grid.of(NoteValue.triplet(denominator)));
    }
    getItems().add(new SeparatorMenuItem());
    getItems().add(Menus.item("Fill with plain notes", drawing::dropStencil));
    Follow.changes(this, session, this::refresh, Aspect.SETTINGS, Aspect.TIMING);
  }

  private void add(Grid grid) {
    RadioMenuItem item = new RadioMenuItem("Grid " + grid);
    item.setOnAction(e -> session.timing().setGrid(grid));
    grids.put(grid, item);
    getItems().add(item);
  }

  private void refresh() {
    MouseDrawing.Kept kept = drawing.kept();
    Grid grid = session.timing().settings().grid();
    String lines = kept.followsZoom() ? "zoom" : grid.toString();
    setText((kept.snaps() ? lines : "off") + (drawing.stencil().isPresent() ? " +" : ""));
    snaps.setSelected(kept.snaps());
    toLines.setSelected(kept.toLines());
    follows.setSelected(kept.followsZoom());
    grids.forEach((value, item) -> item.setSelected(value.equals(grid)));
  }
}
