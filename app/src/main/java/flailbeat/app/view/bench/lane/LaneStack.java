package flailbeat.app.view.bench.lane;

import flailbeat.app.control.Menus;
import flailbeat.app.view.bench.surface.Layer;
import flailbeat.core.edit.Edit;
import flailbeat.core.edit.shapes.ControlDrawn;
import flailbeat.core.model.control.Controller;
import flailbeat.core.model.control.ControllerNames;
import flailbeat.core.session.Session;
import flailbeat.core.session.bench.LaneActions;
import flailbeat.core.session.bench.LaneActions.Shown;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Cursor;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.layout.Region;

/**
 * The lanes under the roll, one below the other, each with a menu at its left that says what it
 * shows, and an upper edge by which its height is dragged.
 */
public final class LaneStack extends Region {
  private static final double MOST_OF_BENCH = 0.6;
  private static final double ROLL_KEEPS = 0.4;
  private static final double KEPT = 64;
  private static final double LEAST = 24;
  private static final double GRIP = 5;
  private static final int NUMBERS_IN_MENU = 16;

  /** What most parts use. */
  private static final List<Shown> COMMON =
      List.of(
          Shown.VELOCITIES,
          Shown.of(Controller.SUSTAIN),
          Shown.of(Controller.EXPRESSION),
          Shown.of(Controller.MODULATION),
          Shown.of(Controller.BEND),
          Shown.of(Controller.PRESSURE));

  private final Region owner;
  private final Session session;
  private final Lane.On bench;
  private final Consumer<Lane> install;
  private final List<Row> rows = new ArrayList<>();
  private List<Shown> shown = List.of();

  /** A lane with its menu and the grip on its upper edge. */
  private record Row(Lane lane, MenuButton menu, Region grip) {}

  public LaneStack(Lane.On bench, Consumer<Lane> install) {
    this.bench = bench;
    this.owner = bench.owner();
    this.session = bench.session();
    this.install = install;
    setManaged(false);
    setId("lanes");
  }

  /** Shows the lanes that are wanted now. */
  public void refresh() {
    LaneActions.Kept kept = session.lanes().kept();
    List<Shown> wanted = kept.shown() ? kept.lanes() : List.of();
    if (wanted.equals(shown)) {
      return;
    }
    boolean same = names(wanted).equals(names(shown));
    shown = wanted;
    if (!same) {
      rows.clear();
      wanted.forEach(s -> rows.add(row(s)));
      getChildren().clear();
      rows.forEach(r -> getChildren().addAll(r.lane(), r.menu(), r.grip()));
    }
    owner.requestLayout();
  }

  private static List<String> names(List<Shown> lanes) {
    return lanes.stream().map(Shown::of).toList();
  }

  private Row row(Shown of) {
    Lane lane = lane(of);
    install.accept(lane);
    MenuButton menu =
        Menus.button("lane-" + of.of().replace(' ', '-'), "What this lane shows ({lanes})");
    menu.setText(of.title());
    menu.setWrapText(true);
    menu.getStyleClass().add("lane-title");
    menu.getItems().add(new MenuItem());
    menu.setOnShowing(e -> menu.getItems().setAll(items(of)));
    Region grip = new Region();
    grip.setCursor(Cursor.V_RESIZE);
    grip.setOnMouseDragged(
        e -> {
          double bottom = lane.getLayoutY() + lane.getHeight();
          double y = grip.localToParent(e.getX(), e.getY()).getY();
          session.lanes().resize(of, (int) Math.round(bottom - y));
        });
    return new Row(lane, menu, grip);
  }

  private Lane lane(Shown of) {
    Optional<Controller> controller = of.controller();
    if (controller.isEmpty()) {
      return new VelocityLane(bench, of);
    }
    return controller.get().isSwitch() ? new PedalLane(bench, of) : new ControlLane(bench, of);
  }

  private List<MenuItem> items(Shown of) {
    List<MenuItem> items = new ArrayList<>();
    for (Shown each : COMMON) {
      items.add(Menus.item(each.title(), () -> session.lanes().turn(of, each)));
    }
    items.add(byNumber("Any controller", each -> session.lanes().turn(of, each)));
    items.add(new SeparatorMenuItem());
    Menu more = new Menu("A lane more");
    for (Shown each : COMMON) {
      if (!session.lanes().isShown(each)) {
        more.getItems().add(Menus.item(each.title(), () -> session.lanes().toggle(each)));
      }
    }
    more.getItems().add(byNumber("Any controller", session.lanes()::toggle));
    items.add(more);
    items.add(Menus.item("Put this lane away", () -> session.lanes().toggle(of)));
    items.add(new SeparatorMenuItem());
    items.add(
        Menus.item(
            session.lanes().kept().steps() ? "Draw as the hand goes" : "Draw in steps of the grid",
            session.lanes()::toggleSteps));
    return items;
  }

  /** All numbers with their names, sixteen to a menu. */
  private static Menu byNumber(String title, Consumer<Shown> action) {
    Menu all = new Menu(title);
    Menu part = new Menu();
    for (int number : ControllerNames.drawable()) {
      if (number % NUMBERS_IN_MENU == 0) {
        part = new Menu(number + " to " + Math.min(119, number + NUMBERS_IN_MENU - 1));
        all.getItems().add(part);
      }
      part.getItems()
          .add(
              Menus.item(
                  number + "  " + ControllerNames.of(number),
                  () -> action.accept(Shown.of(Controller.numbered(number)))));
    }
    return all;
  }

  /** How high they stand in a bench: the roll, with its ruler, keeps two fifths of the window. */
  public double heightIn(double bench, double window) {
    return height(Math.max(LEAST, Math.min(MOST_OF_BENCH * bench, bench - ROLL_KEEPS * window)));
  }

  /** So high they stand as long as another row of the window can give way. */
  public double heightKept() {
    return height(KEPT);
  }

  private double height(double most) {
    return Math.min(most, shown.stream().mapToInt(Shown::height).sum());
  }

  /** Lays them out: where there is too little height for all, each gives up its share. */
  public void lay(double rail, double width, double height) {
    double wanted = shown.stream().mapToInt(Shown::height).sum();
    double share = wanted == 0 ? 1 : height / wanted;
    double y = 0;
    for (int i = 0; i < rows.size(); i++) {
      Row row = rows.get(i);
      double h = Math.floor(shown.get(i).height() * share);
      row.lane().relocate(rail, y);
      row.lane().size(width, h);
      row.menu().resizeRelocate(1, y + 2, rail - 3, Math.min(h - 4, 34));
      row.grip().resizeRelocate(rail, y - GRIP / 2, width, GRIP);
      y += h;
    }
  }

  public List<Lane> lanes() {
    return rows.stream().map(Row::lane).toList();
  }

  /** Has those drawn anew that show what an edit is about. */
  public void markFor(Edit edit) {
    Optional<Controller> about =
        edit instanceof ControlDrawn drawn ? Optional.of(drawn.controller()) : Optional.empty();
    rows.stream()
        .map(Row::lane)
        .filter(l -> l.shown().controller().equals(about))
        .forEach(Layer::mark);
  }

  /** Has all of them drawn anew. */
  public void mark() {
    rows.forEach(r -> r.lane().mark());
  }
}
