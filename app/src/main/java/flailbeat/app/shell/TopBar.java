package flailbeat.app.shell;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Hints;
import flailbeat.core.session.Aspect;
import flailbeat.core.session.Session;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.KeyCombination;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.remixicon.RemixiconAL;

/** The song's name, what can be done with its file, undo and redo. */
final class TopBar extends HBox {
  private final Session session;
  private final Label title = new Label();
  private final Label unsaved = new Label();
  private final Button undo;
  private final Button redo;

  TopBar(Session session, FileActions files) {
    this.session = session;
    getStyleClass().add("top-bar");
    setMinHeight(USE_PREF_SIZE);
    title.getStyleClass().add("song-title");
    title.setId("song-title");
    unsaved.getStyleClass().addAll("soft", "small");
    undo = Buttons.icon(RemixiconAL.ARROW_GO_BACK_LINE, "Undo (Ctrl+Z)", session.editing()::undo);
    redo =
        Buttons.icon(
            RemixiconAL.ARROW_GO_FORWARD_LINE, "Redo (Ctrl+Shift+Z)", session.editing()::redo);
    undo.getStyleClass().add("quiet");
    redo.getStyleClass().add("quiet");
    undo.setId("undo");
    redo.setId("redo");
    Button panic =
        Buttons.text("All notes off", "Silence everything (Ctrl+.)", session.run()::panic);
    panic.getStyleClass().addAll("quiet", "small");
    panic.setId("panic");
    Button keep =
        Buttons.text(
            "Keep what I just played",
            "Make a clip of the last phrase, though it was not recorded (Ctrl+K)",
            session.run()::keepPhrase);
    keep.getStyleClass().addAll("quiet", "small");
    keep.setId("keep");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    getChildren().addAll(title, songMenu(files), undo, redo, unsaved, gap, keep, panic);
    session
        .changes()
        .listen(
            change -> {
              if (change.isOf(Aspect.SONG)) {
                refresh();
              }
            });
    refresh();
  }

  private static MenuButton songMenu(FileActions files) {
    MenuButton menu = new MenuButton("Song");
    menu.setId("song-menu");
    menu.setFocusTraversable(false);
    menu.getItems()
        .addAll(
            item("New", "Ctrl+N", files::newSong),
            item("Open or import...", "Ctrl+O", files::open),
            item("Open the demo, Harbour Lamps", null, files::openDemo),
            new SeparatorMenuItem(),
            item("Save", "Ctrl+S", files::save),
            item("Save as...", "Ctrl+Shift+S", files::saveAs),
            item("Export MIDI file...", "Ctrl+E", files::exportMidi));
    return menu;
  }

  private static MenuItem item(String text, String keys, Runnable action) {
    MenuItem item = new MenuItem(text);
    item.setOnAction(e -> action.run());
    if (keys != null) {
      item.setAccelerator(KeyCombination.valueOf(keys));
    }
    return item;
  }

  private void refresh() {
    title.setText(session.song().title());
    unsaved.setText(session.document().hasUnsavedWork() ? "not saved" : "");
    var undoLabel = session.document().undoLabel();
    var redoLabel = session.document().redoLabel();
    undo.setDisable(undoLabel.isEmpty());
    redo.setDisable(redoLabel.isEmpty());
    Hints.on(undo, undoLabel.map(l -> "Undo: " + l).orElse("Undo") + " (Ctrl+Z)");
    Hints.on(redo, redoLabel.map(l -> "Redo: " + l).orElse("Redo") + " (Ctrl+Shift+Z)");
  }
}
