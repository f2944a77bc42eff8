package flailbeat.app.view.deck;

import flailbeat.core.keys.PhysicalKey;
import java.util.HashSet;
import java.util.Set;
import javafx.css.PseudoClass;
import javafx.geometry.Bounds;
import javafx.geometry.VPos;
import javafx.scene.layout.Region;
import javafx.scene.text.Text;

/** A key of the deck: its letter, and what it plays or does. */
final class KeyCap extends Region {
  private static final PseudoClass DOWN = PseudoClass.getPseudoClass("down");
  private static final PseudoClass LATCHED = PseudoClass.getPseudoClass("latched");
  private static final PseudoClass ASKED = PseudoClass.getPseudoClass("asked");
  private static final PseudoClass BLOCKED = PseudoClass.getPseudoClass("blocked");
  private static final PseudoClass SILENT = PseudoClass.getPseudoClass("silent");
  private static final PseudoClass SUSPECT = PseudoClass.getPseudoClass("suspect");

  private final PhysicalKey key;

  /** A cap lower than this has its two words side by side. */
  private static final double LOW = 32;

  private final Text top = new Text();
  private final Text note = new Text();
  private final Set<PseudoClass> states = new HashSet<>();

  KeyCap(PhysicalKey key) {
    this.key = key;
    setId("cap-" + key);
    getStyleClass().addAll("cap", "idle");
    top.getStyleClass().addAll("cap-text", "cap-letter");
    note.getStyleClass().addAll("cap-text", "cap-legend");
    for (Text text : new Text[] {top, note}) {
      text.setMouseTransparent(true);
      text.setTextOrigin(VPos.TOP);
    }
    getChildren().add(top);
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

  /** In the middle of a part of the cap, squeezed where it would not fit. */
  private static void place(Text text, double x, double y, double w, double h) {
    Bounds bounds = text.getLayoutBounds();
    text.setScaleX(Math.min(1, (w - 2) / Math.max(1, bounds.getWidth())));
    text.relocate(
        Math.round(x + (w - bounds.getWidth()) / 2), Math.round(y + (h - bounds.getHeight()) / 2));
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
    boolean shown = getChildren().contains(note);
    if (!what.isEmpty() && !shown) {
      getChildren().add(note);
    } else if (what.isEmpty() && shown) {
      getChildren().remove(note);
    }
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

  /** It is a note, and the sound has none there. */
  void setSilent(boolean value) {
    set(SILENT, value);
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
