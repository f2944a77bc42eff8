package flailbeat.app.control;

import java.util.function.Consumer;
import java.util.function.IntConsumer;
import javafx.animation.Animation;
import javafx.animation.PauseTransition;
import javafx.css.PseudoClass;
import javafx.geometry.Bounds;
import javafx.scene.Scene;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.stage.PopupWindow.AnchorLocation;
import javafx.util.Duration;

/**
 * A field for one value. Enter takes it, Esc puts the old one back, and both give the keys back; a
 * value that cannot be is refused in words over the field, which moves nothing beside it, and the
 * old one stays in force.
 */
public final class EntryField extends HBox {
  private static final PseudoClass REFUSED = PseudoClass.getPseudoClass("refused");

  /** Why a value was refused can be read for so long after the field was left. */
  private static final Duration READ = Duration.seconds(6);

  private static final double GAP = 4;
  private static final int TEN = 10;

  private final TextField field = new TextField();
  private final Tooltip refusal = new Tooltip();
  private final PauseTransition read = new PauseTransition(READ);
  private final Consumer<String> onTaken;
  private String shown = "";
  private boolean taking;

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
    // Esc is the field's: it puts the old value back.
    refusal.setHideOnEscape(false);
    refusal.setAnchorLocation(AnchorLocation.CONTENT_BOTTOM_LEFT);
    read.setOnFinished(e -> refusal.hide());
    setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    getChildren().add(field);
    field.setOnAction(e -> take());
    field.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            field.setText(shown);
            accept();
            giveKeysBack();
            e.consume();
          }
        });
    field
        .focusedProperty()
        .addListener(
            (property, before, focused) -> {
              if (!focused && !field.getText().equals(shown)) {
                leave();
              }
            });
  }

  /** Is as wide as so many letters from now on. */
  public void setColumns(int columns) {
    field.setPrefColumnCount(columns);
  }

  /** Arrow keys and the wheel go a step on, or back; with Shift ten. */
  public EntryField stepping(IntConsumer steps) {
    field.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          int way = e.getCode() == KeyCode.UP ? 1 : e.getCode() == KeyCode.DOWN ? -1 : 0;
          if (way != 0) {
            step(steps, way * (e.isShiftDown() ? TEN : 1));
            e.consume();
          }
        });
    field.addEventHandler(
        ScrollEvent.SCROLL,
        e -> {
          double delta = e.getDeltaY() == 0 ? e.getDeltaX() : e.getDeltaY();
          step(steps, (int) Math.signum(delta) * (e.isShiftDown() ? TEN : 1));
          e.consume();
        });
    return this;
  }

  private void step(IntConsumer steps, int by) {
    taking = true;
    try {
      steps.accept(by);
      accept();
      field.selectAll();
    } catch (IllegalArgumentException e) {
      refuse(e.getMessage());
    } finally {
      taking = false;
    }
  }

  /**
   * Takes what is being typed in whichever field has the caret, as a command does that goes by what
   * is in force.
   *
   * @return false where it was refused, which the field says
   */
  public static boolean takeTyped(Scene scene) {
    return !(scene.getFocusOwner() instanceof TextField typed
            && typed.getParent() instanceof EntryField entry)
        || typed.getText().equals(entry.shown)
        || entry.isTaken();
  }

  /** Calls back when the caret has left it. */
  public void whenLeft(Runnable left) {
    field
        .focusedProperty()
        .addListener(
            (property, before, focused) -> {
              if (!focused) {
                left.run();
              }
            });
  }

  /** Whether it has the caret. */
  public boolean isEdited() {
    return field.isFocused();
  }

  /** Gives it the caret, with all of it selected. */
  public void edit() {
    field.requestFocus();
    field.selectAll();
  }

  /** Selects a part of what was typed, without the spaces before it: what is wrong with it. */
  public void select(int start, int end) {
    int before = field.getText().length() - field.getText().stripLeading().length();
    field.requestFocus();
    field.selectRange(before + start, before + end);
  }

  /** Says in the empty field what it is for. */
  public void prompt(String text) {
    field.setPromptText(text);
  }

  /** Shows the value in force; what is being typed stays until it is taken or put back. */
  public void show(String value) {
    boolean typing = field.isFocused() && !taking && !field.getText().equals(shown);
    shown = value;
    if (typing) {
      return;
    }
    if (!field.getText().equals(value)) {
      field.setText(value);
    }
    if (read.getStatus() != Animation.Status.RUNNING) {
      accept();
    }
  }

  private void take() {
    if (field.getText().equals(shown) || isTaken()) {
      giveKeysBack();
    }
  }

  /** A field that was left shows what is in force, and what was refused can still be read. */
  private void leave() {
    if (!isTaken()) {
      field.setText(shown);
      field.pseudoClassStateChanged(REFUSED, false);
      read.playFromStart();
    }
  }

  private boolean isTaken() {
    taking = true;
    try {
      onTaken.accept(field.getText().strip());
      accept();
      return true;
    } catch (IllegalArgumentException e) {
      refuse(e.getMessage());
      return false;
    } finally {
      taking = false;
    }
  }

  private void accept() {
    read.stop();
    refusal.hide();
    field.pseudoClassStateChanged(REFUSED, false);
  }

  private void refuse(String why) {
    read.stop();
    refusal.setText(why);
    field.pseudoClassStateChanged(REFUSED, true);
    Bounds at = field.localToScreen(field.getLayoutBounds());
    if (at != null) {
      refusal.show(field, at.getMinX(), at.getMinY() - GAP);
    }
  }

  private void giveKeysBack() {
    if (field.isFocused() && getScene() != null) {
      getScene().getRoot().requestFocus();
    }
  }
}
