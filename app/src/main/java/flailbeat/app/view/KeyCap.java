package flailbeat.app.view;

import flailbeat.core.keys.PhysicalKey;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** A key of the deck: its letter, and what it plays or does. */
final class KeyCap extends VBox {
  private static final PseudoClass DOWN = PseudoClass.getPseudoClass("down");

  private final PhysicalKey key;
  private final Label note = new Label();
  private boolean down;

  KeyCap(PhysicalKey key, String letter) {
    this.key = key;
    setId("cap-" + key);
    getStyleClass().addAll("cap", "idle");
    setAlignment(Pos.CENTER);
    Label top = new Label(letter);
    top.getStyleClass().add("cap-letter");
    note.getStyleClass().add("cap-legend");
    top.setMouseTransparent(true);
    note.setMouseTransparent(true);
    getChildren().addAll(top, note);
  }

  PhysicalKey key() {
    return key;
  }

  /** What the cap says under its letter, and how it is dressed. */
  void show(String what, String style, boolean black) {
    if (!note.getText().equals(what)) {
      note.setText(what);
    }
    getStyleClass().setAll("cap", style);
    if (black) {
      getStyleClass().add("black-key");
    }
    note.setManaged(!what.isEmpty());
    note.setVisible(!what.isEmpty());
  }

  void setDown(boolean value) {
    if (down != value) {
      down = value;
      pseudoClassStateChanged(DOWN, value);
    }
  }
}
