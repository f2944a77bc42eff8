package flailbeat.app.shell;

import flailbeat.app.shell.work.Daemons;
import flailbeat.app.view.base.Look;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.image.Image;
import javafx.stage.Stage;

/** The application's sign on its window. */
final class WindowIcon {
  private WindowIcon() {}

  /**
   * Reads it beside all else. It is read by a thread of ours: those of the toolkit keep the
   * application from ending for a second.
   */
  static void read(Stage stage) {
    Runnable read =
        () -> {
          List<Image> icons = Look.icons();
          Platform.runLater(() -> stage.getIcons().setAll(icons));
        };
    Daemons.of("icons", read).start();
  }
}
