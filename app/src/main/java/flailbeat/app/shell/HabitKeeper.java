package flailbeat.app.shell;

import flailbeat.core.keys.KeyLayout;
import flailbeat.core.session.Aspect;
import flailbeat.core.session.Notice;
import flailbeat.core.session.Session;
import flailbeat.core.session.habits.Habits;
import flailbeat.core.session.habits.HabitsFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.util.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Sets what the person had set the last time, and keeps what is set now, a moment after it was. At
 * the very first start the layout of the keyboard is guessed.
 */
final class HabitKeeper {
  private static final Logger LOG = LoggerFactory.getLogger(HabitKeeper.class);
  private static final Duration MOMENT = Duration.seconds(1);

  private final Session session;
  private final Path file;
  private final PauseTransition later = new PauseTransition(MOMENT);
  private Optional<Habits> kept = Optional.empty();
  private boolean faultTold;

  HabitKeeper(Session session) {
    this.session = session;
    String elsewhere = System.getProperty("flailbeat.habits");
    this.file =
        elsewhere == null
            ? HabitsFile.place(
                System.getenv(),
                System.getProperty("os.name"),
                Path.of(System.getProperty("user.home")))
            : Path.of(elsewhere);
    later.setOnFinished(e -> keep());
  }

  void start() {
    session.performer().setLayout(KeyLayout.guess(Locale.getDefault()));
    try {
      HabitsFile.read(file).ifPresent(h -> h.applyTo(session));
    } catch (IOException e) {
      LOG.warn("Starting with standard settings", e);
      session.tell(new Notice("Starting with standard settings: " + e.getMessage(), true));
    }
    session
        .changes()
        .listen(
            aspect -> {
              if (aspect == Aspect.SETTINGS || aspect == Aspect.LAYOUT || aspect == Aspect.TIMING) {
                later.playFromStart();
              }
            });
  }

  private void keep() {
    Habits now = Habits.of(session);
    if (kept.filter(now::equals).isPresent()) {
      return;
    }
    kept = Optional.of(now);
    Optional<IOException> fault = write(now);
    fault.ifPresent(
        e -> {
          LOG.warn("The settings cannot be kept in {}", file, e);
          if (!faultTold) {
            session.tell(new Notice("Your settings cannot be kept in " + file, true));
          }
        });
    faultTold = fault.isPresent();
  }

  private Optional<IOException> write(Habits habits) {
    try {
      HabitsFile.write(habits, file);
      return Optional.empty();
    } catch (IOException e) {
      return Optional.of(e);
    }
  }
}
