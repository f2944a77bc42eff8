package flailbeat.app.control;

import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.MouseEvent;
import org.kordamp.ikonli.Ikon;
import org.kordamp.ikonli.javafx.FontIcon;

/** Makes buttons that never take the keyboard: the keys stay with whom the Keys switch says. */
public final class Buttons {
  private Buttons() {}

  /** A button with a word on it. */
  public static Button text(String text, String hint, Runnable action) {
    Button button = new Button(text);
    button.setOnAction(e -> action.run());
    return dressed(button, hint);
  }

  /** A button with a picture and no word: its hint is its name to a screen reader too. */
  public static Button icon(Ikon icon, String hint, Runnable action) {
    Button button = text("", hint, action);
    button.setGraphic(new FontIcon(icon));
    button.setAccessibleText(hint);
    return button;
  }

  /** A button that stays down. */
  public static ToggleButton toggle(String text, String hint) {
    return dressed(new ToggleButton(text), hint);
  }

  /**
   * Does something for as long as a button is held with the mouse; pressed by a key it goes on
   * until it is pressed again. It ends as well when the button goes out of sight or loses the keys
   * meanwhile, and no release comes.
   */
  public static void whileHeld(Button button, Runnable press, Runnable release) {
    boolean[] held = {false};
    boolean[] byMouse = {false};
    Runnable end =
        () -> {
          if (held[0]) {
            held[0] = false;
            release.run();
          }
        };
    button.addEventHandler(
        MouseEvent.MOUSE_PRESSED,
        e -> {
          held[0] = true;
          byMouse[0] = true;
          press.run();
        });
    button.addEventHandler(
        MouseEvent.MOUSE_RELEASED,
        e -> {
          byMouse[0] = button.contains(e.getX(), e.getY());
          end.run();
        });
    button.setOnAction(
        e -> {
          if (byMouse[0]) {
            byMouse[0] = false;
          } else if (held[0]) {
            end.run();
          } else {
            held[0] = true;
            press.run();
          }
        });
    button
        .focusedProperty()
        .addListener(
            (property, before, now) -> {
              if (!now) {
                end.run();
              }
            });
    button
        .sceneProperty()
        .addListener(
            (property, before, now) -> {
              if (now == null) {
                end.run();
              }
            });
  }

  private static <B extends ButtonBase> B dressed(B button, String hint) {
    button.setFocusTraversable(false);
    button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    Hints.on(button, hint);
    return button;
  }
}
