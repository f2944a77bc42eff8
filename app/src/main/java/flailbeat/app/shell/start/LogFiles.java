package flailbeat.app.shell.start;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.logging.FileHandler;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;

/**
 * Writes what goes wrong to files that take each other's place, for whoever is asked to mend it: at
 * most {@value #FILES} of {@value #BYTES} bytes. What is in songs is not in them.
 */
public final class LogFiles {
  private static final int BYTES = 500_000;
  private static final int FILES = 3;
  private static final Logger ALL = Logger.getLogger("");

  private LogFiles() {}

  /** Writes into a folder from now on; where that cannot be, only the console is told. */
  public static void writeTo(Path folder) {
    try {
      Files.createDirectories(folder);
      FileHandler handler =
          new FileHandler(folder.resolve("flailbeat-%g.log").toString(), BYTES, FILES, true);
      handler.setLevel(Level.WARNING);
      handler.setFormatter(new SimpleFormatter());
      ALL.addHandler(handler);
    } catch (IOException e) {
      ALL.log(Level.WARNING, "What goes wrong is not written to " + folder, e);
    }
  }
}
