package flailbeat.app.shell.keys;

import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import java.util.function.Supplier;
import javafx.scene.Group;
import javafx.scene.layout.StackPane;

/** All keys for whoever has them now, on one sheet over the window; a click or its key ends it. */
public final class KeysOverlay extends StackPane {
  /** What lies around it: its margins and its edge. */
  private static final double AROUND = 90;

  private final Commands commands;
  private final Supplier<KeyContext> where;
  private final Supplier<KeySheetPane.InSight> inSight;
  private KeyContext filled;
  private final KeySheetPane sheet = new KeySheetPane();

  /**
   * The overlay.
   *
   * @param where who has the keys
   * @param inSight what they are shown for
   */
  public KeysOverlay(
      Commands commands, Supplier<KeyContext> where, Supplier<KeySheetPane.InSight> inSight) {
    this.commands = commands;
    this.where = where;
    this.inSight = inSight;
    getStyleClass().add("overlay");
    setId("keys-sheet");
    getChildren().add(new Group(sheet));
    setMaxWidth(USE_PREF_SIZE);
    setOnMouseClicked(e -> close());
    setMaxHeight(USE_PREF_SIZE);
    setVisible(false);
    commands.onKeys(this::fill);
  }

  public void toggle() {
    setVisible(!isVisible());
    fill();
  }

  public void close() {
    setVisible(false);
  }

  /** Shows the keys of whoever has them by now; a note that is played makes nothing anew. */
  public void refresh() {
    if (where.get() != filled) {
      fill();
    }
  }

  private void fill() {
    if (isVisible()) {
      KeyContext here = where.get();
      filled = here;
      String away = commands.of("keys-sheet-close");
      sheet.fill(
          "The keys, with %s (%s puts it away)".formatted(here.title(), away),
          commands,
          here,
          inSight.get());
      sheet.fit(getScene().getWidth() - AROUND, getScene().getHeight() - AROUND);
    }
  }
}
