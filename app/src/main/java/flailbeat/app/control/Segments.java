package flailbeat.app.control;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/**
 * A row of joined buttons of which one is chosen.
 *
 * @param <T> what is chosen
 */
public final class Segments<T> extends HBox {
  private final Map<T, ToggleButton> buttons = new LinkedHashMap<>();
  private final Map<T, String> ids = new LinkedHashMap<>();
  private final ToggleGroup group = new ToggleGroup();

  public Segments(Consumer<T> onChosen) {
    getStyleClass().add("segments");
    group
        .selectedToggleProperty()
        .addListener(
            (property, before, now) -> {
              if (now == null && before != null && !clearing) {
                before.setSelected(true);
              }
            });
    this.onChosen = onChosen;
  }

  private final Consumer<T> onChosen;

  /** While none is to be chosen: a click on the one that is would clear it as well. */
  private boolean clearing;

  /** Adds a choice at the right end. */
  public Segments<T> add(T value, String text, String hint) {
    return add(value, text, hint, value.toString().toLowerCase(Locale.ROOT).replace(' ', '-'));
  }

  /**
   * Adds a choice at the right end.
   *
   * @param id what it is found by, behind what they are named by
   */
  public Segments<T> add(T value, String text, String hint, String id) {
    ToggleButton button = Buttons.toggle(text, hint);
    button.setToggleGroup(group);
    button.setMaxWidth(Double.MAX_VALUE);
    button.setMinWidth(26);
    HBox.setHgrow(button, Priority.ALWAYS);
    button.setOnAction(e -> onChosen.accept(value));
    if (buttons.isEmpty()) {
      button.getStyleClass().add("first");
    }
    getChildren().forEach(c -> c.getStyleClass().remove("last"));
    button.getStyleClass().add("last");
    ids.put(value, id);
    buttons.put(value, button);
    getChildren().add(button);
    return this;
  }

  /** Names each button after its choice, so that it can be found: {@code prefix-choice}. */
  public Segments<T> named(String prefix) {
    buttons.forEach((value, button) -> button.setId(prefix + "-" + ids.get(value)));
    return this;
  }

  /** Shows which is chosen, without calling back; none when it is not among the choices. */
  public void show(T value) {
    ToggleButton button = buttons.get(value);
    if (button == null) {
      clearing = true;
      group.selectToggle(null);
      clearing = false;
    } else {
      button.setSelected(true);
    }
  }
}
