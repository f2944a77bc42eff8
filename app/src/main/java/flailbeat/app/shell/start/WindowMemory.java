package flailbeat.app.shell.start;

import flailbeat.core.session.settings.WindowPlace;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.InvalidationListener;
import javafx.geometry.Rectangle2D;
import javafx.stage.Screen;
import javafx.stage.Stage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Opens the window where it was left, within a screen that is there, and remembers where it is
 * left. It is read before anything else is, so it has a small file of its own, beside the settings.
 */
public final class WindowMemory {
  private static final Logger LOG = LoggerFactory.getLogger(WindowMemory.class);

  private final Path file;

  public WindowMemory(Path settings) {
    file = settings.resolveSibling("window.txt");
  }

  /** Places a stage that is not shown yet. */
  public void place(Stage stage, double width, double height) {
    WindowPlace wanted = read().orElseGet(() -> new WindowPlace(0, 0, width, height));
    WindowPlace place = wanted.within(screens());
    stage.setMinWidth(Math.min(stage.getMinWidth(), place.width()));
    stage.setMinHeight(Math.min(stage.getMinHeight(), place.height()));
    put(stage, place);
  }

  /** Brings a stage back into sight where the screen that it was on is taken away. */
  public static void stayInSight(Stage stage) {
    Screen.getScreens()
        .addListener(
            (InvalidationListener)
                o -> {
                  if (stage.isShowing() && !stage.isMaximized() && !stage.isFullScreen()) {
                    WindowPlace now =
                        new WindowPlace(
                            stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight());
                    put(stage, now.inSight(screens()));
                  }
                });
  }

  private static List<WindowPlace.Screen> screens() {
    return Screen.getScreens().stream().map(s -> screen(s.getVisualBounds())).toList();
  }

  private static void put(Stage stage, WindowPlace place) {
    stage.setX(place.x());
    stage.setY(place.y());
    stage.setWidth(place.width());
    stage.setHeight(place.height());
  }

  private static WindowPlace.Screen screen(Rectangle2D bounds) {
    return new WindowPlace.Screen(
        bounds.getMinX(), bounds.getMinY(), bounds.getWidth(), bounds.getHeight());
  }

  private Optional<WindowPlace> read() {
    try {
      double[] n =
          Arrays.stream(Files.readString(file).strip().split("\\s+"))
              .mapToDouble(Double::parseDouble)
              .toArray();
      return n.length == 4
          ? Optional.of(new WindowPlace(n[0], n[1], n[2], n[3]))
          : Optional.empty();
    } catch (IOException | IllegalArgumentException e) {
      LOG.debug("Where the window was is not known", e);
      return Optional.empty();
    }
  }

  /** Remembers where a stage is; one that fills the screen or is put away was not put there. */
  public void keep(Stage stage) {
    if (stage.isMaximized() || stage.isIconified() || stage.isFullScreen()) {
      return;
    }
    try {
      Files.createDirectories(file.getParent());
      Files.writeString(
          file,
          String.format(
              Locale.ROOT,
              "%.0f %.0f %.0f %.0f%n",
              stage.getX(),
              stage.getY(),
              stage.getWidth(),
              stage.getHeight()));
    } catch (IOException e) {
      LOG.warn("Where the window is cannot be kept", e);
    }
  }
}
