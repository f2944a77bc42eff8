package flailbeat.app.shell.start;

import flailbeat.core.keys.PhysicalKey;
import flailbeat.core.session.Session;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/**
 * Ends the application once three frames were drawn and something is so, saying how long the start
 * took, from the moment that the launcher gives: for the launcher's class cache, and for measuring.
 * A key is struck in every frame, as an eager player would.
 */
public final class StartMeasured extends AnimationTimer {
  private final Session session;
  private final Optional<BooleanSupplier> sounds;
  private int frames;

  /**
   * Measures.
   *
   * @param sounds whether a key sounds; empty to wait for the window alone
   */
  public StartMeasured(Session session, Optional<BooleanSupplier> sounds) {
    this.session = session;
    this.sounds = sounds;
  }

  @Override
  public void handle(long now) {
    frames++;
    if (frames >= 3 && sounds.map(BooleanSupplier::getAsBoolean).orElse(true)) {
      System.out.println(millisSinceStart());
      stop();
      Platform.exit();
    }
    if (sounds.isPresent()) {
      session.performer().release(PhysicalKey.A, System.nanoTime());
      session.performer().press(PhysicalKey.A, System.nanoTime());
    }
  }

  /** From the moment that the launcher gives, in seconds with a point or a comma. */
  private static long millisSinceStart() {
    String started = System.getProperty("flailbeat.started", "").replace(',', '.');
    double seconds = started.isEmpty() ? Double.NaN : Double.parseDouble(started);
    return Math.round(System.currentTimeMillis() - seconds * 1000);
  }
}
