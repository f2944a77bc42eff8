package flailbeat.app.place;

import flailbeat.core.session.settings.StatePlace;
import java.nio.file.Path;

/** Where journals, versions and logs of this person are. */
public final class StateFolder {
  private StateFolder() {}

  /** The folder in which this system keeps such things. */
  public static Path place() {
    String elsewhere = System.getProperty("flailbeat.state");
    return elsewhere == null
        ? StatePlace.of(
            System.getenv(),
            System.getProperty("os.name"),
            Path.of(System.getProperty("user.home")))
        : Path.of(elsewhere);
  }

  /** The journals' own. */
  public static Path journals() {
    return journalsIn(place());
  }

  /** The same in another place. */
  public static Path journalsIn(Path state) {
    return state.resolve("journals");
  }
}
