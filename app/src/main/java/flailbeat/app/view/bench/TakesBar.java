package flailbeat.app.view.bench;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Segments;
import flailbeat.core.model.Takes;
import flailbeat.core.session.Session;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import org.kordamp.ikonli.remixicon.RemixiconAL;

/** The takes of the chosen clip, of which one is active; not there when there is but one. */
final class TakesBar extends HBox {
  private final Session session;
  private Takes shown = Takes.NONE;

  TakesBar(Session session) {
    this.session = session;
    getStyleClass().add("takes-bar");
    setId("takes");
    setAlignment(Pos.CENTER_LEFT);
    setSpacing(6);
    refresh();
  }

  void refresh() {
    Takes takes = session.document().clip().map(c -> c.takes()).orElse(Takes.NONE);
    setVisible(takes.isChoice());
    if (takes.numbers().equals(shown.numbers()) && takes.active() == shown.active()) {
      return;
    }
    shown = takes;
    Label title = new Label("Take");
    title.getStyleClass().add("group-label");
    Segments<Integer> numbers = new Segments<>(session.editing()::chooseTake);
    for (int number : takes.numbers()) {
      numbers.add(number, String.valueOf(number), "Hear this take ({take-previous}, {take-next})");
    }
    numbers.named("take");
    numbers.show(takes.active());
    Button remove =
        Buttons.icon(
            RemixiconAL.DELETE_BIN_LINE, "Remove the active take", session.editing()::removeTake);
    remove.getStyleClass().add("quiet");
    remove.setId("remove-take");
    getChildren().setAll(title, numbers, remove);
  }
}
