package flailbeat.app.window;

import flailbeat.app.shell.MainWindow;
import flailbeat.app.shell.files.Prompts;
import flailbeat.app.shell.safe.Safekeeping;
import flailbeat.app.shell.work.BackgroundWorkshop;
import flailbeat.audio.AudioEngine;
import flailbeat.core.session.Session;
import flailbeat.core.time.Clock;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** The real window on a stage of its own, with an engine that is silent on purpose. */
final class WindowUnderTest {
  /** A shared machine may give a test nothing for many seconds: more than that is a fault. */
  private static final long SLOW_MS = 60_000;

  /** Answers that a test gives beforehand. */
  static final class Answers implements Prompts {
    Unsaved unsaved = Unsaved.STAY;
    Optional<Path> file = Optional.empty();
    boolean takeDamaged;
    boolean replaces;
    Elsewhere elsewhere = Elsewhere.STAY;
    Changed changed = Changed.STAY;
    Faulty faulty = Faulty.GO_ON;
    String asked = "";

    @Override
    public Unsaved unsavedWork(String title) {
      asked = "unsaved " + title;
      return unsaved;
    }

    @Override
    public boolean replaces(Path present) {
      asked = "replace " + present.getFileName();
      return replaces;
    }

    @Override
    public Optional<Path> fileToOpen() {
      return file;
    }

    @Override
    public Optional<Path> projectToSave(String suggestedName) {
      asked = suggestedName;
      return file;
    }

    @Override
    public Optional<Path> soundsToOpen() {
      return fileToOpen();
    }

    @Override
    public Optional<Path> soundToWrite(String suggestedName) {
      return fileToOpen();
    }

    @Override
    public Optional<Path> grooveToOpen() {
      return fileToOpen();
    }

    @Override
    public Optional<Path> grooveToSave(String suggestedName) {
      return projectToSave(suggestedName);
    }

    @Override
    public Optional<Path> midiToExport(String suggestedName) {
      asked = suggestedName;
      return file;
    }

    @Override
    public Optional<Path> choresToOpen() {
      return fileToOpen();
    }

    @Override
    public Optional<Path> choresToSave(String suggestedName) {
      return projectToSave(suggestedName);
    }

    @Override
    public Optional<Path> pageToSave(String suggestedName) {
      return projectToSave(suggestedName);
    }

    @Override
    public Elsewhere openElsewhere(Path open, String where) {
      asked = open.getFileName() + " | " + where;
      return elsewhere;
    }

    @Override
    public Faulty afterFaults() {
      asked = "faults";
      return faulty;
    }

    @Override
    public Changed changedMeanwhile(Path changed) {
      asked = changed.getFileName() + " changed";
      return this.changed;
    }

    @Override
    public boolean takeDamaged(String damage, String loss, int notes) {
      asked = damage + " | " + loss + " | " + notes;
      return takeDamaged;
    }
  }

  final AudioEngine engine = AudioEngine.silent(Clock.SYSTEM);
  final BackgroundWorkshop workshop = new BackgroundWorkshop();
  final Session session;
  final Answers answers = new Answers();
  final Path state;
  final Safekeeping safe;
  Stage stage;
  MainWindow window;

  private WindowUnderTest(boolean inBackground, Path state) {
    this.state = state;
    safe = Safekeeping.in(state, state.resolve("versions"));
    session =
        inBackground
            ? new Session(Clock.SYSTEM, engine, workshop)
            : new Session(Clock.SYSTEM, engine);
  }

  /** A window in which previews are there at once. */
  static WindowUnderTest open(double width, double height) throws Exception {
    return open(width, height, new WindowUnderTest(false, newState()));
  }

  /** A window that finds what another has left. */
  static WindowUnderTest open(double width, double height, Path state) throws Exception {
    return open(width, height, new WindowUnderTest(false, state));
  }

  private static Path newState() throws IOException {
    return Files.createTempDirectory("flailbeat-state");
  }

  /** A window in which previews are worked out in the background, as people have it. */
  static WindowUnderTest openWithBackground(double width, double height) throws Exception {
    return open(width, height, new WindowUnderTest(true, newState()));
  }

  private static WindowUnderTest open(double width, double height, WindowUnderTest test)
      throws Exception {
    FxToolkit.registerPrimaryStage();
    test.run(
        () -> {
          test.stage = new Stage();
          test.window =
              new MainWindow(
                  test.stage, test.session, test.engine, test.workshop, test.safe, test.answers);
          test.stage.setX(0);
          test.stage.setY(0);
          test.stage.setWidth(width);
          test.stage.setHeight(height);
          test.window.show();
          test.stage.requestFocus();
        });
    WaitForAsyncUtils.waitForFxEvents();
    return test;
  }

  /** Does something on the window's thread. */
  void run(Runnable action) {
    WaitForAsyncUtils.waitForAsyncFx(SLOW_MS, action);
    // Each round waits ten milliseconds: what an action brings about is there after two.
    WaitForAsyncUtils.waitForFxEvents(2);
  }

  /** Asks something on the window's thread. */
  <T> T get(Callable<T> question) {
    return WaitForAsyncUtils.waitForAsyncFx(SLOW_MS, question);
  }

  void await(BooleanSupplier condition) throws TimeoutException {
    WaitForAsyncUtils.waitFor(SLOW_MS, TimeUnit.MILLISECONDS, () -> get(condition::getAsBoolean));
  }

  Node node(String id) {
    return stage.getScene().lookup("#" + id);
  }

  String text(String id) {
    return get(() -> ((Labeled) node(id)).getText());
  }

  /** Presses a button. */
  void press(String id) {
    run(() -> ((ButtonBase) node(id)).fire());
  }

  /** Carries out what stands in the menus, as a click on it does. */
  void choose(String command) {
    run(
        () ->
            ((MenuBar) node("menus"))
                .getMenus().stream()
                    .flatMap(WindowUnderTest::items)
                    .filter(i -> ("menu-" + command).equals(i.getId()))
                    .findFirst()
                    .orElseThrow()
                    .fire());
  }

  private static Stream<MenuItem> items(MenuItem item) {
    return item instanceof Menu menu
        ? menu.getItems().stream().flatMap(WindowUnderTest::items)
        : Stream.of(item);
  }

  TextField field(String id) {
    return (TextField) node(id);
  }

  void close() throws Exception {
    run(window::close);
    safe.close(false);
    if (!Files.exists(state)) {
      return;
    }
    try (Stream<Path> files = Files.walk(state)) {
      files.sorted(Comparator.reverseOrder()).forEach(f -> f.toFile().delete());
    }
    engine.close();
  }
}
