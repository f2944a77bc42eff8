package flailbeat.core.session.settings;

import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;

/** Where a person's settings are kept. */
public final class SettingsPlace {
  private static final String NAME = "settings.json";

  private SettingsPlace() {}

  /**
   * Where it is kept on this machine: where the system keeps what is a person's own.
   *
   * @param environment the environment's variables
   * @param os the system's name, as Java gives it
   * @param home the person's folder
   */
  public static Path of(Map<String, String> environment, String os, Path home) {
    if (os.startsWith("Windows")) {
      return Optional.ofNullable(environment.get("APPDATA"))
          .map(Path::of)
          .orElse(home.resolve("AppData/Roaming"))
          .resolve("Flailbeat")
          .resolve(NAME);
    }
    if (os.startsWith("Mac")) {
      return home.resolve("Library/Application Support/Flailbeat").resolve(NAME);
    }
    return Optional.ofNullable(environment.get("XDG_CONFIG_HOME"))
        .filter(p -> !p.isBlank())
        .map(Path::of)
        .orElse(home.resolve(".config"))
        .resolve("flailbeat")
        .resolve(NAME);
  }
}
