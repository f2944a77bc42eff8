package flailbeat.app.control;

import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;

/**
 * A field for one value. Enter takes it, Esc puts the old one back, and both give the keys back; a
 * value that cannot be is refused beside the field, and the old one stays in force.
 */
public final class EntryField extends HBox {
  private static final PseudoClass REFUSED = PseudoClass.getPseudoClass("refused");

  private final TextField field = new TextField();
  private final Label refusal = new Label();
  private final Consumer<String> onTaken;
  private String shown = "";

  /**
   * Makes a field.
   *
   * @param onTaken gets what was typed; refuses it by an IllegalArgumentException whose message is
   *     for the person
   */
  public EntryField(String id, int columns, String hint, Consumer<String> onTaken) {
    this.onTaken = onTaken;
    field.setId(id);
    field.setPrefColumnCount(columns);
    field.setMinWidth(USE_PREF_SIZE);
    field.setFocusTraversable(false);
    Hints.on(field, hint);
    field.setAccessibleText(hint);
    refusal.getStyleClass().add("refusal");
    refusal.setMinWidth(USE_PREF_SIZE);
    refusal.setVisible(false);
    refusal.setManaged(false);
    setSpacing(6);
    setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    getChildren().addAll(field, refusal);
    field.setOnAction(e -> take());
    field.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            show(shown);
            giveKeysBack();
            e.consume();
          }
        });
    field
        .focusedProperty()
        .addListener(
            (property, before, focused) -> {
              if (!focused && !field.getText().equals(shown)) {
                take();
              }
            });
  }

  /** Shows the value in force. */
  public void show(String value) {
    shown = value;
    if (!field.getText().equals(value)) {
      field.setText(value);
    }
    refuse("");
  }

  private void take() {
    if (field.getText().equals(shown)) {
      refuse("");
      giveKeysBack();
      return;
    }
    try {
      onTaken.accept(field.getText().strip());
      refuse("");
      giveKeysBack();
    } catch (IllegalArgumentException e) {
      refuse(e.getMessage());
    }
  }

  private void refuse(String why) {
    refusal.setText(why);
    refusal.setVisible(!why.isEmpty());
    refusal.setManaged(!why.isEmpty());
    field.pseudoClassStateChanged(REFUSED, !why.isEmpty());
  }

  private void giveKeysBack() {
    if (field.isFocused() && getScene() != null) {
      getScene().getRoot().requestFocus();
    }
  }
}
