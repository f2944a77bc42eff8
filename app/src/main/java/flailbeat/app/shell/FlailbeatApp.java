package flailbeat.app.shell;

import flailbeat.app.place.Places;
import flailbeat.app.shell.files.SettingsKeeper;
import flailbeat.app.shell.safe.Safekeeping;
import flailbeat.app.shell.start.AfterFrames;
import flailbeat.app.shell.start.LogFiles;
import flailbeat.app.shell.start.Rehearsal;
import flailbeat.app.shell.start.StartMeasured;
import flailbeat.app.shell.start.WindowMemory;
import flailbeat.app.shell.work.BackgroundWorkshop;
import flailbeat.app.shell.work.Daemons;
import flailbeat.audio.AudioEngine;
import flailbeat.core.demo.HarbourLamps;
import flailbeat.core.session.Session;
import flailbeat.core.session.person.SongsAtHand;
import flailbeat.core.time.Clock;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import javafx.application.Application;
import javafx.stage.Stage;

/** Starts the window. Wires everything by hand. */
public final class FlailbeatApp extends Application {
  /** So many frames after the first the window is at rest: what nobody waits for begins. */
  private static final int AT_REST = 12;

  private final CountDownLatch atRest = new CountDownLatch(1);
  private AudioEngine engine;
  private SettingsKeeper keeper;
  private Safekeeping safe;
  private Session session;

  @Override
  public void start(Stage stage) {
    engine = AudioEngine.onDevice(Clock.SYSTEM);
    BackgroundWorkshop workshop = new BackgroundWorkshop();
    session = new Session(Clock.SYSTEM, engine, workshop);
    List<String> words = getParameters().getRaw();
    if (words.contains("--demo")) {
      session.open(HarbourLamps.song(), Optional.empty());
    }
    safe = Safekeeping.standard();
    safe.flushAtEnd();
    safe.keeper().restUntil(atRest);
    MainWindow window = new MainWindow(stage, session, engine, workshop, safe, null);
    Mishaps.tellIn(session, () -> window.files().afterFaults(safe::goOnAnew));
    if (Rehearsal.isOne()) {
      Rehearsal.prepare(session);
    }
    keeper = new SettingsKeeper(session);
    // The device opens, and its thread begins, once the window is drawn: no key can be struck
    // before.
    keeper.start(
        () -> {
          new AfterFrames(1, window.sound()::open).start();
          window.midi().openRemembered();
          if (words.isEmpty()) {
            reopen(window);
          }
          window.shelf().keepIn(keeper.file().resolveSibling("shelf"));
        });
    WindowMemory memory = new WindowMemory(keeper.file());
    memory.place(stage, MainWindow.WIDTH, MainWindow.HEIGHT);
    stage.setOnHiding(e -> memory.keep(stage));
    WindowMemory.stayInSight(stage);
    if (Rehearsal.isOne()) {
      Rehearsal.hide(stage);
    }
    window.show();
    new AfterFrames(3, engine::loadRest).start();
    new AfterFrames(AT_REST, () -> atRest(window)).start();
    words.stream()
        .filter(w -> !w.startsWith("--"))
        .findFirst()
        .ifPresent(w -> window.files().open(Path.of(w)));
    if (Boolean.getBoolean("flailbeat.exitWhenShown")) {
      new StartMeasured(session, Optional.empty()).start();
    } else if (Boolean.getBoolean("flailbeat.exitWhenHeard")) {
      new StartMeasured(session, Optional.of(() -> engine.peak() > 0)).start();
    }
  }

  private void atRest(MainWindow window) {
    atRest.countDown();
    Daemons.of("log", () -> LogFiles.writeTo(Places.state().resolve("log"))).start();
    window.lost().lookAtStart();
    if (Rehearsal.isOne()) {
      Rehearsal.end(session, safe.keeper());
    }
  }

  private void reopen(MainWindow window) {
    SongsAtHand songs = session.person().songs();
    if (songs.kept().reopens()) {
      songs.last().ifPresent(r -> window.files().open(Path.of(r.path())));
    }
  }

  @Override
  public void stop() {
    atRest.countDown();
    keeper.close();
    safe.close(session.document().hasUnsavedWork());
    engine.close();
  }
}
