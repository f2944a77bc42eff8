package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.command.Command;
import flailbeat.app.command.Group;
import flailbeat.app.control.ControlWalk;
import flailbeat.core.demo.HarbourLamps;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderStroke;
import javafx.scene.layout.Region;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What is pressed by the mouse can be hit, and what has the keys can be seen: WCAG 2.2. */
class TargetSizeTest extends HeadlessWindow {
  /** Success criterion 2.5.8: so many pixels across, or as far from every other target. */
  private static final double LEAST = 24;

  /** Success criterion 2.4.13: so thick all round. */
  private static final double RING = 2;

  @BeforeEach
  void openDemo() {
    ui.run(
        () -> {
          ui.stage.setWidth(1280);
          ui.stage.setHeight(800);
          ui.session.open(HarbourLamps.song(), Optional.empty());
        });
  }

  private List<Node> all() {
    return ui.get(() -> new ControlWalk(ui.stage.getScene().getRoot()).all());
  }

  /** Success criterion 2.5.8, with its exception for small targets that stand apart. */
  @Test
  void every_control_is_large_enough_to_be_hit_or_stands_apart() {
    TreeSet<String> small = new TreeSet<>();
    look(small, "as it opens");
    for (Command page : ui.window.commands().of(Group.PAGES)) {
      ui.choose(page.id());
      look(small, page.id());
    }
    for (String part : List.of("track-strip", "note-panel", "lanes", "map-large", "lesson-next")) {
      ui.choose(part);
      look(small, part);
    }
    assertThat(small).isEmpty();
  }

  private void look(TreeSet<String> small, String where) {
    List<Node> controls = all();
    List<Bounds> places =
        ui.get(
            () -> {
              ui.stage.getScene().getRoot().applyCss();
              ui.stage.getScene().getRoot().layout();
              return controls.stream().map(n -> n.localToScene(n.getLayoutBounds())).toList();
            });
    for (int i = 0; i < places.size(); i++) {
      Bounds place = places.get(i);
      if (isSmall(place) && !standsApart(place, places)) {
        Node node = controls.get(i);
        small.add(
            String.format(
                Locale.ROOT,
                "%s: %s %s %.1f x %.1f at %.0f,%.0f",
                where,
                node.getClass().getSimpleName(),
                node.getId(),
                place.getWidth(),
                place.getHeight(),
                place.getMinX(),
                place.getMinY()));
      }
    }
  }

  private static boolean isSmall(Bounds place) {
    return place.getWidth() < LEAST || place.getHeight() < LEAST;
  }

  /** A circle as wide as a target round its middle meets no other target, nor its circle. */
  private static boolean standsApart(Bounds place, List<Bounds> all) {
    Point2D middle = new Point2D(place.getCenterX(), place.getCenterY());
    for (Bounds other : all) {
      double apart =
          isSmall(other)
              ? middle.distance(other.getCenterX(), other.getCenterY()) - LEAST / 2
              : distance(middle, other);
      if (other != place && apart < LEAST / 2) {
        return false;
      }
    }
    return true;
  }

  private static double distance(Point2D from, Bounds to) {
    double x = Math.max(0, Math.max(to.getMinX() - from.getX(), from.getX() - to.getMaxX()));
    double y = Math.max(0, Math.max(to.getMinY() - from.getY(), from.getY() - to.getMaxY()));
    return Math.hypot(x, y);
  }

  /** Success criteria 2.4.11 and 2.4.13; how it stands out is asked of the palettes. */
  @Test
  void the_ring_is_thick_enough_goes_all_round_and_is_not_hidden() throws Exception {
    Bounds window = ui.get(() -> ui.stage.getScene().getRoot().getLayoutBounds());
    List<Node> hidden = new ArrayList<>();
    ui.choose("controls");
    int controls = all().size();
    Region ring = (Region) ui.node("focus-ring");
    for (int i = 0; i < controls; i++) {
      Node owner = ui.get(() -> ui.stage.getScene().getFocusOwner());
      if (ui.get(ring::isVisible)) {
        Bounds round = ui.get(ring::getBoundsInParent);
        Bounds control = ui.get(() -> owner.localToScene(owner.getLayoutBounds()));
        if (!window.contains(control) || !round.contains(control)) {
          hidden.add(owner);
        }
        double thickest =
            ui.get(
                () ->
                    ring.getBorder().getStrokes().stream()
                        .map(BorderStroke::getWidths)
                        .mapToDouble(w -> w.getTop())
                        .max()
                        .orElse(0));
        assertThat(thickest).isGreaterThanOrEqualTo(RING);
      }
      type(KeyCode.TAB);
    }
    assertThat(hidden).isEmpty();
  }
}
