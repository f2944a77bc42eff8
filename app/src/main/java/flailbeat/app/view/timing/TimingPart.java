package flailbeat.app.view.timing;

import flailbeat.app.control.Form;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.session.Session;
import java.util.Locale;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A part of the timing desk: shows how to quantize, and changes it. */
abstract class TimingPart extends VBox {
  private static final double NAME_WIDTH = 54;
  private static final double SPACING = 5;

  private final Session session;

  TimingPart(Session session) {
    super(SPACING);
    this.session = session;
  }

  /** Shows what is in force now. */
  abstract void refresh();

  final Session session() {
    return session;
  }

  final QuantizeSettings settings() {
    return session.timing().settings();
  }

  final void change(UnaryOperator<QuantizeSettings> change) {
    session.timing().setSettings(change.apply(settings()));
  }

  static HBox row(String name, Node... nodes) {
    return Form.row(NAME_WIDTH, name, nodes);
  }

  /** A row with a button in the place of its name. */
  static HBox beside(Button button, Node node) {
    button.getStyleClass().add("in-place-of-name");
    HBox.setHgrow(node, Priority.ALWAYS);
    HBox row = new HBox(SPACING, button, node);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  static String percent(double value) {
    return String.format(Locale.ROOT, "%.0f %%", value);
  }
}
