package flailbeat.app.shell;

import flailbeat.app.shell.files.DroppedFiles;
import flailbeat.app.view.map.SongMap;
import flailbeat.core.session.Session;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalLong;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;

/**
 * Files that are dragged over the window and let go there. While they are held, it is shown what
 * would come of it: a line at the bar from which new tracks would begin, or a frame round the
 * window where a song would be opened in the place of this one.
 */
public final class FileDrop extends Pane {
  private final Session session;
  private final Middle middle;
  private final SongMap map;
  private final DroppedFiles files;
  private final Region frame = new Region();
  private final Region line = new Region();
  private final Label says = new Label();

  /**
   * Over the window.
   *
   * @param files does what comes of them
   */
  FileDrop(Session session, Middle middle, SongMap map, DroppedFiles files) {
    this.session = session;
    this.middle = middle;
    this.map = map;
    this.files = files;
    setId("file-drop");
    setMouseTransparent(true);
    frame.getStyleClass().add("drop-frame");
    line.getStyleClass().add("drop-line");
    says.getStyleClass().addAll("overlay", "drop-words");
    says.setId("drop-words");
    line.setId("drop-line");
    // They are laid where they belong, and no layout gives them the size that they would prefer.
    frame.setManaged(false);
    line.setManaged(false);
    getChildren().addAll(frame, line, says);
    setVisible(false);
  }

  void install(Scene scene) {
    scene.addEventFilter(DragEvent.DRAG_OVER, this::over);
    scene.addEventFilter(DragEvent.DRAG_EXITED_TARGET, e -> hideOutside(scene, e));
    scene.addEventFilter(DragEvent.DRAG_DROPPED, this::dropped);
  }

  private static List<Path> paths(DragEvent e) {
    return e.getDragboard().getFiles().stream().map(File::toPath).toList();
  }

  private void over(DragEvent e) {
    if (!e.getDragboard().hasFiles()) {
      return;
    }
    e.acceptTransferModes(TransferMode.COPY);
    show(paths(e), e.getSceneX(), e.getSceneY());
    e.consume();
  }

  private void hideOutside(Scene scene, DragEvent e) {
    boolean inside =
        e.getSceneX() > 0
            && e.getSceneY() > 0
            && e.getSceneX() < scene.getWidth() - 1
            && e.getSceneY() < scene.getHeight() - 1;
    if (!inside) {
      setVisible(false);
    }
  }

  private void dropped(DragEvent e) {
    if (e.getDragboard().hasFiles()) {
      drop(paths(e), e.getSceneX(), e.getSceneY());
      e.setDropCompleted(true);
      e.consume();
    }
  }

  /** Does what was shown. */
  public void drop(List<Path> paths, double x, double y) {
    setVisible(false);
    files.take(paths, barAt(x, y));
  }

  /** Shows what would come of letting go there. */
  public void show(List<Path> paths, double x, double y) {
    OptionalLong bar = barAt(x, y);
    boolean asTracks = files.becomeTracks(paths, bar);
    says.setText(files.words(paths, bar));
    setVisible(true);
    Node over = asTracks ? nodeAt(x, y) : getScene().getRoot();
    Bounds bounds = sceneToLocal(over.localToScene(over.getBoundsInLocal()));
    frame.resizeRelocate(
        bounds.getMinX() + 2, bounds.getMinY() + 2, bounds.getWidth() - 4, bounds.getHeight() - 4);
    line.setVisible(asTracks);
    if (asTracks) {
      double at = over == map ? map.time().sceneX(bar.getAsLong()) : middleX(bar.getAsLong());
      line.resizeRelocate(
          Math.clamp(at, bounds.getMinX(), bounds.getMaxX()) - 1,
          bounds.getMinY(),
          3,
          bounds.getHeight());
    }
    says.autosize();
    says.relocate(
        Math.clamp(x + 14, 0, Math.max(0, getWidth() - says.getWidth())),
        Math.clamp(y + 14, 0, Math.max(0, getHeight() - says.getHeight())));
  }

  private double middleX(long tick) {
    return middle.shown().time().sceneX(tick);
  }

  private Node nodeAt(double x, double y) {
    return contains(map, x, y) ? map : middle.shown().node();
  }

  private static boolean contains(Node node, double x, double y) {
    return node.isVisible()
        && node.getScene() != null
        && node.localToScene(node.getBoundsInLocal()).contains(x, y);
  }

  /** The start of the bar that a place of the window stands for; empty where it stands for none. */
  private OptionalLong barAt(double x, double y) {
    double tick;
    if (contains(map, x, y)) {
      tick = map.time().tickAtScene(x);
    } else if (contains(middle.shown().node(), x, y)) {
      tick = middle.shown().time().tickAtScene(x);
    } else {
      return OptionalLong.empty();
    }
    return OptionalLong.of(
        session.song().meters().barRangeAt(Math.max(0, Math.round(tick))).start());
  }
}
