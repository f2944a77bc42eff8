package flailbeat.app.shell;

import flailbeat.audio.AudioEngine;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.session.Session;
import flailbeat.core.time.Clock;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;

/** Starts the window. Wires everything by hand. */
public final class FlailbeatApp extends Application {
  private AudioEngine engine;
  private HabitKeeper keeper;

  @Override
  public void start(Stage stage) {
    engine = AudioEngine.onDevice(Clock.SYSTEM);
    Session session = new Session(Clock.SYSTEM, engine);
    Mishaps.tellIn(session);
    MainWindow window = new MainWindow(stage, session, engine, null);
    keeper = new HabitKeeper(session);
    keeper.start();
    window.sound().open();
    List<String> words = getParameters().getRaw();
    if (words.contains("--demo")) {
      session.open(HarbourLamps.song(), Optional.empty());
    }
    stage.setX(0);
    stage.setY(0);
    window.show();
    words.stream()
        .filter(w -> !w.startsWith("--"))
        .findFirst()
        .ifPresent(w -> window.files().open(Path.of(w)));
    if (Boolean.getBoolean("flailbeat.exitWhenShown")) {
      new ExitWhenShown().start();
    }
  }

  @Override
  public void stop() {
    keeper.close();
    engine.close();
  }

  /**
   * Ends the application once a few frames were drawn, saying how long the start took: for the
   * launcher's class cache, and for measuring.
   */
  private static final class ExitWhenShown extends AnimationTimer {
    private int frames;

    @Override
    public void handle(long now) {
      if (++frames == 3) {
        Instant began = ProcessHandle.current().info().startInstant().orElseThrow();
        System.out.println(Duration.between(began, Instant.now()).toMillis() + " ms to the window");
        Platform.exit();
      }
    }
  }
}
