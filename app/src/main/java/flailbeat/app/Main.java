package flailbeat.app;

import flailbeat.app.cli.CommandLineApp;
import flailbeat.app.cli.CommandWords;
import flailbeat.app.shell.FlailbeatApp;
import flailbeat.core.format.SafeFile;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Application;

/** Starts the window or, when the first word names a command, the command line. */
public final class Main {
  private static final String LINE = "%1$tT.%1$tL %4$s %3$s - %5$s%6$s%n";

  /** JavaFX warns of being on the class path, which is how it is meant here. */
  private static final Logger TOOLKIT = Logger.getLogger("javafx");

  private static final Logger ALL = Logger.getLogger("");

  /** Bytes. */
  private static final long ROOM_FOR_LIBRARIES = 3_000_000;

  private Main() {}

  private static String reason(Throwable e) {
    return e.getCause() == null ? String.valueOf(e.getMessage()) : reason(e.getCause());
  }

  /** The window's libraries are copied to the home folder at the first start. */
  private static String noRoom() {
    File home = new File(System.getProperty("user.home"));
    return home.getUsableSpace() < ROOM_FOR_LIBRARIES
        ? "; " + home + " has no room for the window's libraries: 3 MB are needed there"
        : "";
  }

  /** What needs no parser, which would take its time: nothing, the demo, or a file. */
  private static boolean isPlainStart(String[] args) {
    return args.length == 0
        || args.length == 1 && (args[0].equals("--demo") || !args[0].startsWith("-"));
  }

  public static void main(String[] args) {
    System.setProperty("java.util.logging.SimpleFormatter.format", LINE);
    ALL.setLevel(Level.WARNING);
    Runtime.getRuntime().addShutdownHook(new Thread(SafeFile::abandonAll, "part-files"));
    if (args.length > 0 && CommandWords.ALL.contains(args[0])) {
      System.exit(CommandLineApp.run(args));
    }
    if (args.length == 1 && !args[0].startsWith("-") && !Files.exists(Path.of(args[0]))) {
      System.err.println(
          args[0] + ": there is no such file, and no such command; see flailbeat --help");
      System.exit(1);
    }
    int wrong = isPlainStart(args) ? 0 : CommandLineApp.checkWindowWords(args);
    if (wrong != 0) {
      System.exit(wrong);
    }
    TOOLKIT.setLevel(Level.SEVERE);
    try {
      Application.launch(FlailbeatApp.class, args);
    } catch (RuntimeException e) {
      System.err.println("flailbeat: the window cannot be opened: " + reason(e) + noRoom());
      System.exit(1);
    }
  }
}
