package flailbeat.app.shell;

import flailbeat.app.control.Buttons;
import flailbeat.app.control.Form;
import flailbeat.app.control.Hints;
import flailbeat.app.control.WrapRow;
import flailbeat.app.shell.commands.CommandMenus;
import flailbeat.app.view.base.Follow;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.remixicon.RemixiconAL;

/** The menus, the song's name, undo and redo. */
final class TopBar extends WrapRow {
  private static final double LONGEST_TITLE = 380;

  private final Session session;
  private final Label title = new Label();
  private final Label unsaved = new Label();
  private final Button again;
  private final Button undo;
  private final Button redo;

  /**
   * The bar.
   *
   * @param save writes the song to its file
   */
  TopBar(Session session, CommandMenus menus, Runnable save) {
    this.session = session;
    getStyleClass().add("top-bar");
    setMinHeight(USE_PREF_SIZE);
    title.getStyleClass().add("song-title");
    title.setId("song-title");
    title.setMaxWidth(LONGEST_TITLE);
    unsaved.getStyleClass().addAll("soft", "small");
    again = Buttons.text("not saved: try again", "", save);
    again.getStyleClass().addAll("quiet", "small", "failed");
    again.setId("save-again");
    undo = Buttons.icon(RemixiconAL.ARROW_GO_BACK_LINE, "Undo ({undo})", session.editing()::undo);
    redo =
        Buttons.icon(RemixiconAL.ARROW_GO_FORWARD_LINE, "Redo ({redo})", session.editing()::redo);
    undo.getStyleClass().add("quiet");
    redo.getStyleClass().add("quiet");
    undo.setId("undo");
    redo.setId("redo");
    Button panic =
        Buttons.text("All notes off", "Silence everything ({all-off})", session.run()::panic);
    panic.getStyleClass().addAll("quiet", "small");
    panic.setId("panic");
    Button keep =
        Buttons.text(
            "Keep what I just played",
            "Make a clip of the last phrase, though it was not recorded ({keep})",
            session.run()::keepPhrase);
    keep.getStyleClass().addAll("quiet", "small");
    keep.setId("keep");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    getChildren().addAll(menus, title, undo, redo, unsaved, again, gap, keep, panic);
    Follow.changes(this, session, this::refresh, Aspect.SONG);
  }

  private void refresh() {
    title.setText(session.song().title());
    Optional<String> fault = session.document().fault();
    unsaved.setText(session.document().hasUnsavedWork() && fault.isEmpty() ? "not saved" : "");
    Form.show(again, fault.isPresent());
    fault.ifPresent(why -> Hints.on(again, why + " ({song-save})"));
    var undoLabel = session.document().undoLabel();
    var redoLabel = session.document().redoLabel();
    undo.setDisable(undoLabel.isEmpty());
    redo.setDisable(redoLabel.isEmpty());
    Hints.on(undo, undoLabel.map(l -> "Undo: " + l).orElse("Undo") + " ({undo})");
    Hints.on(redo, redoLabel.map(l -> "Redo: " + l).orElse("Redo") + " ({redo})");
  }
}
