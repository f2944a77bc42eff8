package flailbeat.app.window;

import flailbeat.core.model.Note;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** A window that is driven by keys and mouse, with the headless toolkit. */
abstract class HeadlessWindow {
  static final double WIDTH = 1000;
  static final double HEIGHT = 900;

  @TempDir Path folder;
  WindowUnderTest ui;
  Robot robot;

  @BeforeEach
  void open() throws Exception {
    ui = WindowUnderTest.open(WIDTH, HEIGHT);
    robot = ui.get(Robot::new);
  }

  @AfterEach
  void close() throws Exception {
    ui.close();
  }

  void press(KeyCode... keys) throws Exception {
    ui.run(() -> robot.keyPress(keys[0]));
    for (int i = 1; i < keys.length; i++) {
      KeyCode key = keys[i];
      ui.run(() -> robot.keyPress(key));
    }
  }

  void release(KeyCode... keys) throws Exception {
    for (int i = keys.length - 1; i >= 0; i--) {
      KeyCode key = keys[i];
      ui.run(() -> robot.keyRelease(key));
    }
  }

  void type(KeyCode... keys) throws Exception {
    press(keys);
    release(keys);
  }

  /** Where a node is on the screen, once what was changed before has been laid out. */
  private Bounds place(Node node) {
    return ui.get(
        () -> {
          node.getScene().getRoot().applyCss();
          node.getScene().getRoot().layout();
          return node.localToScreen(node.getBoundsInLocal());
        });
  }

  void click(Node node, double fx, double fy) throws Exception {
    Bounds b = place(node);
    ui.run(
        () -> robot.mouseMove(b.getMinX() + b.getWidth() * fx, b.getMinY() + b.getHeight() * fy));
    ui.run(() -> robot.mousePress(MouseButton.PRIMARY));
    ui.run(() -> robot.mouseRelease(MouseButton.PRIMARY));
  }

  void click(String id) throws Exception {
    click(ui.node(id), 0.5, 0.5);
  }

  Set<Integer> sounding() {
    return ui.get(() -> new TreeSet<>(ui.session.performer().hands().soundingPitches()));
  }

  List<Note> notes() {
    return ui.get(() -> ui.session.document().track().notes());
  }

  void move(Node node, double fx, double fy) throws Exception {
    Bounds b = place(node);
    ui.run(
        () -> robot.mouseMove(b.getMinX() + b.getWidth() * fx, b.getMinY() + b.getHeight() * fy));
  }
}
