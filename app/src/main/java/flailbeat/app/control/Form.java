package flailbeat.app.control;

import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import java.util.function.IntConsumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Rows of a page of settings: a name at the left, and what is set beside it. */
public final class Form {
  private static final double NAME_WIDTH = 64;

  private Form() {}

  /** A row; what can grow in it does. */
  public static HBox row(String name, Node... nodes) {
    return row(NAME_WIDTH, name, nodes);
  }

  /** A row whose names take less room, or more. */
  public static HBox row(double nameWidth, String name, Node... nodes) {
    Label label = new Label(name);
    label.getStyleClass().add("group-label");
    label.setMinWidth(nameWidth);
    HBox row = new HBox(6, label);
    row.setAlignment(Pos.CENTER_LEFT);
    for (Node node : nodes) {
      row.getChildren().add(node);
      if (node instanceof Slider) {
        node.setAccessibleText(name);
      }
      if (node instanceof Segments<?>) {
        HBox.setHgrow(node, Priority.ALWAYS);
      }
    }
    return row;
  }

  /** What the rows below are about. */
  public static Label heading(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("page-heading");
    return label;
  }

  /** A word or two beside or below a row. */
  public static Label remark(String text) {
    Label label = new Label(text);
    label.getStyleClass().addAll("soft", "small");
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  /** A figure that stands at the right of a row. */
  public static Label figure() {
    Label label = new Label();
    label.getStyleClass().add("figures");
    label.setMinWidth(46);
    label.setAlignment(Pos.CENTER_RIGHT);
    return label;
  }

  /** A slider over whole numbers that fills its row and never takes the keyboard. */
  public static Slider slider(String id, double least, double most, DoubleConsumer onValue) {
    Slider slider = new Slider(least, most, least);
    slider.setId(id);
    slider.setFocusTraversable(false);
    slider
        .valueProperty()
        .addListener((property, before, now) -> onValue.accept(Math.rint(now.doubleValue())));
    HBox.setHgrow(slider, Priority.ALWAYS);
    return slider;
  }

  /** A field for a whole number. */
  public static EntryField number(String id, String hint, IntConsumer onValue) {
    return new EntryField(id, 3, hint, text -> onValue.accept(wholeNumber(text)));
  }

  private static int wholeNumber(String text) {
    try {
      return Integer.parseInt(text.strip());
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("A whole number", e);
    }
  }

  /** A box to tick that never takes the keyboard. */
  public static CheckBox check(String id, String text, String hint, Consumer<Boolean> onChosen) {
    CheckBox box = new CheckBox(text);
    box.setId(id);
    box.setFocusTraversable(false);
    Hints.on(box, hint);
    box.setOnAction(e -> onChosen.accept(box.isSelected()));
    return box;
  }

  /** Has a node there, or not at all. */
  public static void show(Node node, boolean shown) {
    node.setVisible(shown);
    node.setManaged(shown);
  }
}
