package flailbeat.app.place;

import flailbeat.core.session.settings.SettingsPlace;
import flailbeat.core.session.settings.StatePlace;
import java.nio.file.Path;

/** Where settings, journals, versions and logs of this person are. */
public final class Places {
  private static final String OS = System.getProperty("os.name");
  private static final Path HOME = Path.of(System.getProperty("user.home"));

  private Places() {}

  /** The file of settings. */
  public static Path settings() {
    String elsewhere = System.getProperty("flailbeat.settings");
    return elsewhere == null ? SettingsPlace.of(System.getenv(), OS, HOME) : Path.of(elsewhere);
  }

  /** The folder in which this system keeps what outlives a program. */
  public static Path state() {
    String elsewhere = System.getProperty("flailbeat.state");
    return elsewhere == null ? StatePlace.of(System.getenv(), OS, HOME) : Path.of(elsewhere);
  }

  /** The folder of journals. */
  public static Path journals() {
    return journalsIn(state());
  }

  /** The same in another place. */
  public static Path journalsIn(Path state) {
    return state.resolve("journals");
  }

  /** The folder of earlier versions of songs: beside the settings. */
  public static Path versions() {
    return versionsBeside(settings());
  }

  /** The same in another place. */
  public static Path versionsBeside(Path settings) {
    return settings.resolveSibling("versions");
  }
}
