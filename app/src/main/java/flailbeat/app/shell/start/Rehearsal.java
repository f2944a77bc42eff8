package flailbeat.app.shell.start;

import flailbeat.app.place.Places;
import flailbeat.app.shell.safe.JournalKeeper;
import flailbeat.app.shell.work.Daemons;
import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.model.sound.Mix.Dial;
import flailbeat.core.session.Session;
import flailbeat.core.session.settings.Settings;
import flailbeat.core.session.settings.SettingsFile;
import java.io.IOException;
import java.io.UncheckedIOException;
import javafx.application.Platform;
import javafx.stage.Stage;

/**
 * A start out of sight, which the launcher makes its cache of classes from. It does what a later
 * start does: there are settings to read, a key is played, and a journal is begun, in a folder that
 * the launcher gives. What is left out here is loaded class by class in every start, beside the
 * first keys.
 */
public final class Rehearsal {
  /** Right of any screen. */
  private static final double OUT_OF_SIGHT = 30_000;

  /** On a system that draws no frames out of sight there is no cache, but there is a start. */
  private static final long LONGEST_MILLIS = 120_000;

  private static final int HELD_FRAMES = 6;
  private static final long FLUSH_MILLIS = 5_000;

  private Rehearsal() {}

  /** Whether this start is one. */
  public static boolean isOne() {
    return Boolean.getBoolean("flailbeat.rehearsal");
  }

  /** Leaves settings for the start to read, and sees to it that nobody waits for it for ever. */
  public static void prepare(Session session) {
    Daemons.of("rehearsal-end", Rehearsal::giveUp).start();
    try {
      SettingsFile.write(Settings.of(session), Places.settings());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void giveUp() {
    try {
      Thread.sleep(LONGEST_MILLIS);
      Runtime.getRuntime().halt(1);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** Puts the window where nobody sees it. */
  public static void hide(Stage stage) {
    stage.setX(OUT_OF_SIGHT);
    stage.setY(0);
  }

  /** Plays a key of a track that is not heard, and ends the application with that on the disk. */
  public static void end(Session session, JournalKeeper journal) {
    session.dials().turn(session.document().track().id(), Dial.LEVEL, 0);
    session.dials().letGo();
    session.performer().press(PhysicalKey.A, System.nanoTime());
    new AfterFrames(
            HELD_FRAMES,
            () -> {
              session.performer().release(PhysicalKey.A, System.nanoTime());
              journal.flush(FLUSH_MILLIS);
              Platform.exit();
            })
        .start();
  }
}
