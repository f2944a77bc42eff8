package flailbeat.app.view;

import flailbeat.core.keys.PhysicalKey;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** A key of the deck: its letter, and what it plays or does. */
final class KeyCap extends Region {
  private static final PseudoClass DOWN = PseudoClass.getPseudoClass("down");

  private final PhysicalKey key;

  /** A cap lower than this has its two words side by side. */
  private static final double LOW = 32;

  private final Label top = new Label();
  private final Label note = new Label();
  private boolean down;

  KeyCap(PhysicalKey key) {
    this.key = key;
    setId("cap-" + key);
    getStyleClass().addAll("cap", "idle");
    top.getStyleClass().add("cap-letter");
    note.getStyleClass().add("cap-legend");
    top.setMouseTransparent(true);
    note.setMouseTransparent(true);
    getChildren().addAll(top, note);
  }

  @Override
  protected void layoutChildren() {
    double w = getWidth();
    double h = getHeight() - 2;
    if (note.getText().isEmpty()) {
      place(top, 0, 0, w, h);
    } else if (h < LOW) {
      double left = Math.max(10, w * 0.34);
      place(top, 0, 0, left, h);
      place(note, left, 0, w - left - 2, h);
    } else {
      place(top, 0, 2, w, h * 0.52);
      place(note, 0, h * 0.48, w, h * 0.48);
    }
  }

  private static void place(Label label, double x, double y, double w, double h) {
    label.setAlignment(Pos.CENTER);
    label.resizeRelocate(x, y, w, h);
  }

  /** What is printed on it. */
  void setLetter(String letter) {
    if (!top.getText().equals(letter)) {
      top.setText(letter);
    }
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
    note.setVisible(!what.isEmpty());
    requestLayout();
  }

  void setDown(boolean value) {
    if (down != value) {
      down = value;
      pseudoClassStateChanged(DOWN, value);
    }
  }
}
