package flailbeat.core.session.settings;

import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;

/** Where journals and logs are kept: what outlives the program, and is of no use elsewhere. */
public final class StatePlace {
  private StatePlace() {}

  /**
   * The folder on this machine: where the system keeps such things (on Linux, XDG Base Directory
   * Specification 0.8).
   *
   * @param environment the environment's variables
   * @param os the system's name, as Java gives it
   * @param home the person's folder
   */
  public static Path of(Map<String, String> environment, String os, Path home) {
    if (os.startsWith("Windows")) {
      return set(environment, "LOCALAPPDATA")
          .orElse(home.resolve("AppData/Local"))
          .resolve("Flailbeat");
    }
    if (os.startsWith("Mac")) {
      return home.resolve("Library/Application Support/Flailbeat/State");
    }
    return set(environment, "XDG_STATE_HOME")
        .filter(Path::isAbsolute)
        .orElse(home.resolve(".local/state"))
        .resolve("flailbeat");
  }

  private static Optional<Path> set(Map<String, String> environment, String name) {
    return Optional.ofNullable(environment.get(name)).filter(p -> !p.isBlank()).map(Path::of);
  }
}
