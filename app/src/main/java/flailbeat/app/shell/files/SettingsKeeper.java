package flailbeat.app.shell.files;

import flailbeat.app.place.Places;
import flailbeat.app.shell.work.Daemons;
import flailbeat.core.files.SongFiles;
import flailbeat.core.keys.KeyLayout;
import flailbeat.core.session.Session;
import flailbeat.core.session.document.Aspect;
import flailbeat.core.session.document.Notice;
import flailbeat.core.session.settings.Settings;
import flailbeat.core.session.settings.SettingsFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.TimeUnit;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.util.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Sets what the person had set the last time, and keeps what is set now, a moment after it was, on
 * a thread of its own; what was set in the last moment is kept on closing. At the very first start
 * the layout of the keyboard is guessed.
 */
public final class SettingsKeeper {
  private static final Logger LOG = LoggerFactory.getLogger(SettingsKeeper.class);
  private static final Duration MOMENT = Duration.seconds(1);
  private static final int CLOSING_SECONDS = 5;

  private final Session session;
  private final Path file;
  private final ExecutorService writer = Daemons.single("settings");
  private final PauseTransition later = new PauseTransition(MOMENT);
  private Optional<Settings> kept = Optional.empty();
  private boolean begun;
  private boolean faultTold;
  private volatile boolean writes = true;

  /** One that keeps settings where this system keeps what is a person's own. */
  public SettingsKeeper(Session session) {
    this(session, Places.settings());
  }

  SettingsKeeper(Session session, Path file) {
    this.session = session;
    this.file = file;
    later.setOnFinished(e -> keep());
  }

  /**
   * Sets what was kept, which is read away from the window's thread, and keeps from then on.
   *
   * @param then done once it is set
   */
  public void start(Runnable then) {
    session.performer().setLayout(KeyLayout.guess(Locale.getDefault()));
    if (Files.exists(file) || Files.exists(earlier())) {
      writer.execute(() -> read(then));
    } else {
      begin(then);
    }
  }

  /** Where the settings are kept. */
  public Path file() {
    return file;
  }

  /** What the file was called before; it is read as long as there is no other. */
  private Path earlier() {
    return file.resolveSibling("habits.json");
  }

  private void read(Runnable then) {
    Path from = Files.exists(file) ? file : earlier();
    Runnable found;
    try {
      SettingsFile.Found read = SettingsFile.read(from).orElseThrow();
      Optional<String> said = read.damage().isEmpty() ? Optional.empty() : leftOut(from, read);
      found =
          () -> {
            read.settings().applyTo(session);
            said.ifPresent(session.notices()::warnAlong);
          };
    } catch (IOException | RuntimeException e) {
      LOG.warn("Starting with standard settings", e);
      String said = "Starting with standard settings: " + e.getMessage() + ". " + keepAside(from);
      found = () -> session.notices().warnAlong(said);
    }
    Runnable set = found;
    Platform.runLater(
        () -> {
          try {
            set.run();
          } finally {
            begin(then);
          }
        });
  }

  private Optional<String> leftOut(Path from, SettingsFile.Found read) {
    String damage = String.join("; ", read.damage());
    LOG.warn("Settings left out: {}", damage);
    return Optional.of("Of your settings is left out: " + damage + ". " + keepAside(from));
  }

  /** A damaged file is kept as it is before another is written in its place. */
  private String keepAside(Path damaged) {
    Path aside = file.resolveSibling("settings.damaged.json");
    try {
      aside = freeBeside(damaged, aside);
      Files.copy(damaged, aside, StandardCopyOption.REPLACE_EXISTING);
      return "The file as it was is kept as " + aside.getFileName();
    } catch (IOException e) {
      LOG.warn("{} cannot be kept", damaged, e);
      writes = false;
      return "It stays as it is: what you set now is not kept ("
          + SongFiles.describe(aside, e)
          + ")";
    }
  }

  /** One that was kept aside before is kept too, unless it is the same. */
  private static Path freeBeside(Path damaged, Path wanted) throws IOException {
    Path aside = wanted;
    for (int n = 2; Files.exists(aside) && Files.mismatch(damaged, aside) >= 0; n++) {
      aside = wanted.resolveSibling("settings.damaged-" + n + ".json");
    }
    return aside;
  }

  private void begin(Runnable then) {
    begun = true;
    then.run();
    kept = Optional.of(Settings.of(session));
    session
        .changes()
        .listen(
            change -> {
              boolean kept = change.isOf(Aspect.SETTINGS, Aspect.LAYOUT, Aspect.TIMING);
              if (kept && !writer.isShutdown()) {
                later.playFromStart();
              }
            });
  }

  private void keep() {
    if (!begun || !writes || writer.isShutdown()) {
      return;
    }
    Settings now = Settings.of(session);
    if (kept.filter(now::equals).isPresent()) {
      return;
    }
    kept = Optional.of(now);
    writer.execute(() -> write(now));
  }

  private void write(Settings settings) {
    try {
      SettingsFile.write(settings, file);
      Platform.runLater(() -> faultTold = false);
    } catch (IOException e) {
      LOG.warn("The settings cannot be kept in {}", file, e);
      Platform.runLater(() -> tellFault(e));
    }
  }

  private void tellFault(IOException e) {
    kept = Optional.empty();
    if (!faultTold) {
      faultTold = true;
      session
          .notices()
          .tell(new Notice("Your settings are not kept: " + SongFiles.describe(file, e), true));
    }
  }

  /** Keeps what was set in the last moment, and waits until it stands in the file. */
  public void close() {
    later.stop();
    keep();
    writer.shutdown();
    try {
      if (!writer.awaitTermination(CLOSING_SECONDS, TimeUnit.SECONDS)) {
        LOG.warn("The settings were not kept in time");
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
