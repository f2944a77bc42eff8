package flailbeat.app.shell.keys;

import flailbeat.app.command.Command;
import flailbeat.app.command.Command.KeyContext;
import flailbeat.app.command.Commands;
import flailbeat.app.shell.keys.KeySheetPane.InSight;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Group;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import javafx.scene.transform.Scale;

/**
 * The keys for whoever has them now, on a sheet over the window: first the few that matter, large;
 * by its key once more all of them, which can be searched. A press on one does it, a click
 * elsewhere or its key puts the sheet away.
 */
public final class KeysOverlay extends StackPane {
  /** What lies around it: its margins and its edge. */
  private static final double AROUND = 90;

  private static final double FIELD_WIDTH = 320;

  private final Commands commands;
  private final Supplier<KeyContext> where;
  private final Supplier<InSight> inSight;
  private final BooleanSupplier recording;
  private final Consumer<Command> carryOut;
  private final KeySheetPane sheet;
  private final NowKeys now;
  private final TextField words = new TextField();
  private final StackPane all;
  private final Group nowFitted;
  private KeyContext filled;
  private boolean showsAll;

  /**
   * The overlay.
   *
   * @param where who has the keys
   * @param inSight what they are shown for
   * @param recording whether something is being recorded
   * @param carryOut carries a command out that was pressed
   */
  public KeysOverlay(
      Commands commands,
      Supplier<KeyContext> where,
      Supplier<InSight> inSight,
      BooleanSupplier recording,
      Consumer<Command> carryOut) {
    this.commands = commands;
    this.where = where;
    this.inSight = inSight;
    this.recording = recording;
    this.carryOut = carryOut;
    sheet = new KeySheetPane(this::press);
    now = new NowKeys(commands, this::press);
    nowFitted = new Group(now);
    words.setId("keys-sheet-words");
    words.setPromptText("Only what is called ...");
    words.setMaxWidth(FIELD_WIDTH);
    words.setFocusTraversable(false);
    words.textProperty().addListener((property, before, after) -> fill());
    words.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.ESCAPE || e.getCode() == KeyCode.ENTER) {
            getScene().getRoot().requestFocus();
            e.consume();
          }
        });
    words.addEventHandler(MouseEvent.MOUSE_CLICKED, MouseEvent::consume);
    all = new StackPane(new Group(sheet), words);
    StackPane.setAlignment(words, Pos.TOP_RIGHT);
    getStyleClass().add("overlay");
    setId("keys-sheet");
    setMaxWidth(USE_PREF_SIZE);
    setOnMouseClicked(e -> close());
    setMaxHeight(USE_PREF_SIZE);
    setVisible(false);
    commands.onKeys(this::fill);
  }

  /** Shows what matters, then all, then nothing. */
  public void toggle() {
    if (!isVisible()) {
      showsAll = false;
      setVisible(true);
    } else if (!showsAll) {
      showsAll = true;
    } else {
      setVisible(false);
    }
    fill();
  }

  public void close() {
    boolean hadWords = words.isFocused();
    setVisible(false);
    words.clear();
    if (hadWords) {
      getScene().getRoot().requestFocus();
    }
  }

  private void press(Command command) {
    close();
    carryOut.accept(command);
  }

  /** Shows the keys of whoever has them by now; a note that is played makes nothing anew. */
  public void refresh() {
    if (where.get() != filled) {
      fill();
    }
  }

  private void fill() {
    if (!isVisible()) {
      return;
    }
    KeyContext here = where.get();
    filled = here;
    if (showsAll) {
      getChildren().setAll(all);
      sheet.fill(
          "All the keys, with %s (%s puts it away)"
              .formatted(here.title(), commands.of("keys-sheet-close")),
          commands,
          here,
          inSight.get(),
          words.getText());
      sheet.fit(getScene().getWidth() - AROUND, getScene().getHeight() - AROUND);
    } else {
      boolean running = recording.getAsBoolean();
      String state = running ? "while recording" : "with " + here.title();
      now.fill("What matters now, " + state, here, running, inSight.get() == InSight.MAP);
      getChildren().setAll(nowFitted);
      now.applyCss();
      double room = getScene().getWidth() - AROUND;
      double scale = Math.min(1, room / Math.max(1, now.prefWidth(-1)));
      now.getTransforms().setAll(new Scale(scale, scale));
    }
  }
}
