package flailbeat.app.window;

import static org.assertj.core.api.Assertions.assertThat;

import flailbeat.app.view.base.Look;
import flailbeat.core.session.person.Appearance;
import flailbeat.core.session.person.Appearance.Colours;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Alert;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Whatever comes over the window has the window's colours. */
class LookTest {
  private static final Color RAISED_BY_NIGHT = Color.web("#1E262E");
  private static final Color RAISED_BY_DAY = Color.web("#FCF9F3");

  private WindowUnderTest ui;

  @BeforeEach
  void open() throws Exception {
    ui = WindowUnderTest.open(1280, 800);
    wear(Colours.NIGHT);
  }

  @AfterEach
  void close() throws Exception {
    ui.close();
  }

  private void wear(Colours colours) {
    ui.run(() -> ui.session.person().appearance().set(new Appearance.Kept(colours, 100)));
  }

  @Test
  void a_menu_that_pops_up_is_as_dark_as_the_window_and_light_again_by_day() {
    assertThat(groundOfMenu()).isEqualTo(RAISED_BY_NIGHT);
    wear(Colours.DAY);
    assertThat(groundOfMenu()).isEqualTo(RAISED_BY_DAY);
  }

  private Paint groundOfMenu() {
    return ui.get(
        () -> {
          ContextMenu menu = new ContextMenu(new MenuItem("Anything"));
          menu.show(ui.node("roll"), Side.TOP, 10, 10);
          Parent root = menu.getScene().getRoot();
          root.applyCss();
          Paint paint = ground(root.lookup(".menu-item").getParent().getParent());
          menu.hide();
          return paint;
        });
  }

  private static Paint ground(Node node) {
    for (Node at = node; at != null; at = at.getParent()) {
      if (at instanceof Region region && region.getBackground() != null) {
        return region.getBackground().getFills().getLast().getFill();
      }
    }
    return null;
  }

  @Test
  void a_question_is_asked_in_the_colours_of_the_window() {
    Paint paint =
        ui.get(
            () -> {
              Alert alert = new Alert(Alert.AlertType.NONE, "Really?");
              alert.initOwner(ui.stage);
              Look.dressAs(ui.stage.getScene(), alert.getDialogPane());
              alert.getDialogPane().applyCss();
              return ground(alert.getDialogPane());
            });
    assertThat(paint).isEqualTo(RAISED_BY_NIGHT);
  }
}
