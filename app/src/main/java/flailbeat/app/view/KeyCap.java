package flailbeat.app.view;

import flailbeat.core.keys.PhysicalKey;
import java.util.HashSet;
import java.util.Set;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** A key of the deck: its letter, and what it plays or does. */
final class KeyCap extends Region {
  private static final PseudoClass DOWN = PseudoClass.getPseudoClass("down");
  private static final PseudoClass LATCHED = PseudoClass.getPseudoClass("latched");
  private static final PseudoClass ASKED = PseudoClass.getPseudoClass("asked");
  private static final PseudoClass BLOCKED = PseudoClass.getPseudoClass("blocked");
  private static final PseudoClass SUSPECT = PseudoClass.getPseudoClass("suspect");

  private final PhysicalKey key;

  /** A cap lower than this has its two words side by side. */
  private static final double LOW = 32;

  private final Label top = new Label();
  private final Label note = new Label();
  private final Set<PseudoClass> states = new HashSet<>();

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
    set(DOWN, value);
  }

  /** Its notes were left down with the mouse. */
  void setLatched(boolean value) {
    set(LATCHED, value);
  }

  /** It is to be pressed. */
  void setAsked(boolean value) {
    set(ASKED, value);
  }

  /** It would not arrive, with the keys that are held. */
  void setBlocked(boolean value) {
    set(BLOCKED, value);
  }

  /** There are keys with which it does not arrive. */
  void setSuspect(boolean value) {
    set(SUSPECT, value);
  }

  private void set(PseudoClass state, boolean value) {
    if (value ? states.add(state) : states.remove(state)) {
      pseudoClassStateChanged(state, value);
    }
  }
}
