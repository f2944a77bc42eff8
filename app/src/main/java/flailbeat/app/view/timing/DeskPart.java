package flailbeat.app.view.timing;

import flailbeat.app.control.Form;
import flailbeat.core.quantize.QuantizeSettings;
import flailbeat.core.session.Session;
import java.util.Locale;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** A part of the timing desk: shows how to quantize, and changes it. */
abstract class DeskPart extends VBox {
  private static final double NAME_WIDTH = 54;
  private static final double SPACING = 6;

  private final Session session;

  DeskPart(Session session) {
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

  static String percent(double value) {
    return String.format(Locale.ROOT, "%.0f %%", value);
  }
}
